import { withDatabase } from './card-database';

/** Whether a folder can be picked and written to here; other browsers keep proxies in a storage of their own. */
export const canPickFolder = (): boolean => 'showDirectoryPicker' in globalThis;

interface Picker {
  readonly showDirectoryPicker: (options: {
    readonly id: string;
    readonly mode: 'readwrite';
  }) => Promise<FileSystemDirectoryHandle>;
}
interface Permitted {
  readonly queryPermission?: (wanted: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
  readonly requestPermission?: (wanted: { readonly mode: 'readwrite' }) => Promise<PermissionState>;
}

const key = 'proxies';
const wanted = { mode: 'readwrite' } as const;

/** Lets the person pick the folder that proxies go to, and remembers it. Null where they picked none. */
export async function pickFolder(): Promise<FileSystemDirectoryHandle | null> {
  try {
    const folder = await (globalThis as unknown as Picker).showDirectoryPicker({ id: 'oil-can-proxies', ...wanted });
    await withDatabase((database) => database.folders.put({ key, handle: folder }));
    return folder;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return null;
    throw error;
  }
}

/** The folder that was picked last; null for none. */
export const recallFolder = async (): Promise<FileSystemDirectoryHandle | null> =>
  (await withDatabase((database) => database.folders.get(key)))?.handle ?? null;

/** Whether a folder may be written to as it is; after a restart browsers ask once more. */
export const isAllowed = async (folder: FileSystemDirectoryHandle & Permitted): Promise<boolean> =>
  ((await folder.queryPermission?.(wanted)) ?? 'granted') === 'granted';

/** Asks for it again: only in answer to a press. */
export const askAgain = async (folder: FileSystemDirectoryHandle & Permitted): Promise<boolean> =>
  ((await folder.requestPermission?.(wanted)) ?? 'granted') === 'granted';

/** This browser's own room for proxies, for browsers that let no folder be picked. */
export const openOwnFolder = async (): Promise<FileSystemDirectoryHandle> =>
  (await navigator.storage.getDirectory()).getDirectoryHandle('proxies', { create: true });

/** Bytes that this browser still gives to its own storage; null where it does not say. */
export async function readOwnRoom(): Promise<number | null> {
  const { quota, usage } = await navigator.storage.estimate();
  return quota === undefined ? null : quota - (usage ?? 0);
}
