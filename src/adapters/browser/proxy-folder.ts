import {
  compareFolder,
  createManifest,
  type FolderState,
  type ManifestEntry,
  manifestName,
  type ProxyManifest,
  parseManifest,
  withEntry,
  withoutEntry,
} from '@/core/proxies';

/** A folder that proxies go to: one that the person picked, or one of this browser's own. */
export interface ProxyFolder {
  readonly name: string;
  readonly manifest: ProxyManifest;
  readonly state: FolderState;
}

const isNotFound = (error: unknown): boolean => error instanceof DOMException && error.name === 'NotFoundError';

async function readText(folder: FileSystemDirectoryHandle, name: string): Promise<string | null> {
  try {
    return await (await (await folder.getFileHandle(name)).getFile()).text();
  } catch (error) {
    if (isNotFound(error)) return null;
    throw error;
  }
}

async function writeManifest(folder: FileSystemDirectoryHandle, manifest: ProxyManifest): Promise<void> {
  const handle = await folder.getFileHandle(manifestName, { create: true });
  const writable = await handle.createWritable();
  await writable.write(`${JSON.stringify(manifest, null, 2)}\n`);
  await writable.close();
}

async function readManifest(folder: FileSystemDirectoryHandle): Promise<ProxyManifest> {
  const text = await readText(folder, manifestName);
  return (text === null ? null : parseManifest(text)) ?? createManifest(crypto.randomUUID());
}

/** Two clips at once write one list: one after the other, so that neither entry is lost. Across tabs too. */
const inTurn = <T>(folder: FileSystemDirectoryHandle, work: () => Promise<T>): Promise<T> =>
  navigator.locks.request(`oil-can-proxies:${folder.name}`, work) as Promise<T>;

/** What a file's lock is called: by its folder's own id, because folders of one name lie in many places. */
const handName = (folder: FileSystemDirectoryHandle, { folderId }: ProxyManifest, name: string): string =>
  `oil-can-proxy:${folderId || folder.name}:${name}`;

/** Takes a file in hand, for all tabs to see, until it is let go or whoever made it is gone. */
function takeInHand(lockName: string): () => void {
  let letGo = (): void => undefined;
  const held = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  navigator.locks.request(lockName, () => held);
  return letGo;
}

/** What any tab has in hand. */
const listInHand = async (): Promise<ReadonlySet<string>> =>
  new Set((await navigator.locks.query()).held?.flatMap(({ name }) => name ?? []));

async function listFiles(folder: FileSystemDirectoryHandle) {
  const files: { readonly name: string; readonly sizeBytes: number }[] = [];
  for await (const { kind, name } of folder.values())
    if (kind === 'file') files.push({ name, sizeBytes: (await (await folder.getFileHandle(name)).getFile()).size });
  return files;
}

/** Looks into a folder: what was made there, what was interrupted, what is gone. Rejects where it may not be read. */
export async function openProxyFolder(folder: FileSystemDirectoryHandle): Promise<ProxyFolder> {
  const manifest = await readManifest(folder);
  return { name: folder.name, manifest, state: compareFolder(manifest, await listFiles(folder)) };
}

/** Removes what a worker that died left of a file, once its hold has gone with it. */
export async function clearAfterDeath(folder: FileSystemDirectoryHandle, name: string): Promise<void> {
  await navigator.locks.request(handName(folder, await readManifest(folder), name), async () => undefined);
  await clearInterrupted(folder);
}

/**
 * Removes what interruptions left behind: files that were begun and never finished, by the folder's list, but for those that this
 * or another tab has in hand.
 */
export const clearInterrupted = (folder: FileSystemDirectoryHandle): Promise<readonly ManifestEntry[]> =>
  inTurn(folder, async () => {
    const { manifest, state } = await openProxyFolder(folder);
    const inHand = await listInHand();
    const left = state.interrupted.filter(({ name }) => !inHand.has(handName(folder, manifest, name)));
    if (left.length === 0) return [];
    for (const { name } of left) await removeFile(folder, name);
    await writeManifest(
      folder,
      left.reduce((rest, { name }) => withoutEntry(rest, name), manifest),
    );
    return left;
  });

async function removeFile(folder: FileSystemDirectoryHandle, name: string): Promise<void> {
  try {
    await folder.removeEntry(name);
  } catch (error) {
    if (!isNotFound(error)) throw error;
  }
}

/** A proxy's file while it is written. Under its name stands nothing whole before `finish`. */
export interface ProxyFile {
  readonly writable: FileSystemWritableFileStream;
  readonly finish: (sizeBytes: number) => Promise<void>;
  /** Takes away what was begun under the name, and its entry; one that was there before stays. */
  readonly discard: () => Promise<void>;
}

/**
 * Begins a proxy's file: it is on the folder's list as begun before it exists. Null where a file of that name lies there that
 * was not made here, or, without `isReplacing`, any. One that is made anew stays as it was, on the list too, until the new one is whole.
 */
export async function beginProxyFile(
  folder: FileSystemDirectoryHandle,
  entry: Omit<ManifestEntry, 'state' | 'sizeBytes'>,
  isReplacing: boolean,
): Promise<ProxyFile | null> {
  const begun = await inTurn(folder, async () => {
    const { manifest, state } = await openProxyFolder(folder);
    const isThere = (await listFiles(folder)).some(({ name }) => name === entry.name);
    const isOf = ({ name }: ManifestEntry): boolean => name === entry.name;
    const isAnew = isReplacing && state.whole.some(isOf);
    if (isThere && !isAnew && !state.interrupted.some(isOf)) return null;
    const lockName = handName(folder, manifest, entry.name);
    if ((await listInHand()).has(lockName)) return null;
    if (!isAnew) await writeManifest(folder, withEntry(manifest, { ...entry, state: 'making', sizeBytes: 0 }));
    return { isAnew, lockName };
  });
  if (!begun) return null;
  const letGo = takeInHand(begun.lockName);
  const handle = await folder.getFileHandle(entry.name, { create: true });
  const writable = await handle.createWritable();
  return {
    writable,
    finish: async (sizeBytes) => {
      await inTurn(folder, async () =>
        writeManifest(folder, withEntry(await readManifest(folder), { ...entry, state: 'made', sizeBytes })),
      );
      letGo();
    },
    discard: async () => {
      if (!begun.isAnew)
        await inTurn(folder, async () => {
          await removeFile(folder, entry.name);
          await writeManifest(folder, withoutEntry(await readManifest(folder), entry.name));
        });
      letGo();
    },
  };
}

/** Deletes proxies that were made here and are still as they were made; others are left. Gives the names that are gone. */
export const deleteProxies = (
  folder: FileSystemDirectoryHandle,
  names: readonly string[],
): Promise<readonly string[]> =>
  inTurn(folder, async () => {
    const { manifest, state } = await openProxyFolder(folder);
    const deletable = state.whole.map(({ name }) => name).filter((name) => names.includes(name));
    for (const name of deletable) await removeFile(folder, name);
    await writeManifest(
      folder,
      deletable.reduce((rest, name) => withoutEntry(rest, name), manifest),
    );
    return deletable;
  });
