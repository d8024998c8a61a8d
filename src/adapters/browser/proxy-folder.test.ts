import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { createMemoryFolder } from '../../../tests/stand-ins/memory-folder';
import { manifestName, usualRecipe } from '../../core/proxies';
import { beginProxyFile, clearInterrupted, deleteProxies, openProxyFolder } from './proxy-folder';

const entry = (name: string) => ({
  name,
  originalName: 'barn.mov',
  originalSizeBytes: 1000,
  originalModifiedMs: 5,
  recipe: usualRecipe,
});
const write = async (folder: ReturnType<typeof createMemoryFolder>, name: string, bytes = 10, isReplacing = false) => {
  const begun = await beginProxyFile(folder.handle, entry(name), isReplacing);
  if (!begun) return false;
  await begun.writable.write({ type: 'write', position: 0, data: new Uint8Array(bytes) });
  await begun.writable.close();
  await begun.finish(bytes);
  return true;
};
/** Locks that are held. */
const held = new Set<string>();
const namesOf = (folder: ReturnType<typeof createMemoryFolder>) => [...folder.files.keys()].sort();

describe('a folder of proxies', () => {
  beforeEach(() => {
    // Node has no locks between tabs.
    held.clear();
    const request = async (name: string, work: () => Promise<unknown>) => {
      held.add(name);
      return await work().finally(() => held.delete(name));
    };
    const query = async () => ({ held: [...held].map((name) => ({ name })) });
    vi.stubGlobal('navigator', { locks: { request, query } });
  });
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  it('knows what was made in it, and writes over nothing that was not', async () => {
    const folder = createMemoryFolder();
    folder.files.set('holiday.mp4', new Uint8Array(7));
    expect(await write(folder, 'barn.mp4')).toBe(true);
    expect(await write(folder, 'holiday.mp4')).toBe(false);
    expect(await write(folder, 'holiday.mp4', 10, true)).toBe(false);
    // What Oil Can made itself is made anew only where that was meant.
    expect(await write(folder, 'barn.mp4')).toBe(false);
    expect(await write(folder, 'barn.mp4', 12, true)).toBe(true);
    const { state } = await openProxyFolder(folder.handle);
    expect(state.whole.map(({ name, sizeBytes }) => [name, sizeBytes])).toEqual([['barn.mp4', 12]]);
    expect(folder.files.get('holiday.mp4')).toHaveLength(7);
  });

  it('takes away what was begun and not finished, but for what is in hand', async () => {
    const folder = createMemoryFolder();
    await write(folder, 'barn.mp4');
    for (const name of ['begun.mp4', 'in-hand.mp4']) await beginProxyFile(folder.handle, entry(name), false);
    expect(namesOf(folder)).toEqual(['barn.mp4', 'begun.mp4', 'in-hand.mp4', manifestName]);
    // Whoever made the first of them is gone, and its hold with it.
    for (const name of held) if (name.endsWith(':begun.mp4')) held.delete(name);
    const cleared = await clearInterrupted(folder.handle);
    expect(cleared.map(({ name }) => name)).toEqual(['begun.mp4']);
    expect(namesOf(folder)).toEqual(['barn.mp4', 'in-hand.mp4', manifestName]);
    // What somebody has in hand is not begun by anybody else; after an interruption it may be.
    expect(await write(folder, 'in-hand.mp4')).toBe(false);
    held.clear();
    expect(await write(folder, 'in-hand.mp4')).toBe(true);
  });

  it('tells folders of one name apart: what is in hand in one may be begun in the other', async () => {
    const [one, other] = [createMemoryFolder(), createMemoryFolder()];
    expect(await beginProxyFile(one.handle, entry('barn.mp4'), false)).not.toBeNull();
    expect(await write(one, 'barn.mp4')).toBe(false);
    expect(await write(other, 'barn.mp4')).toBe(true);
    expect((await openProxyFolder(other.handle)).state.interrupted).toEqual([]);
  });

  it('discards a file that failed with its entry, and leaves the others', async () => {
    const folder = createMemoryFolder();
    await write(folder, 'barn.mp4');
    const begun = await beginProxyFile(folder.handle, entry('field.mp4'), false);
    folder.roomBytes = 700;
    await expect(
      begun?.writable.write({ type: 'write', position: 0, data: new Uint8Array(5000) }),
    ).rejects.toMatchObject({ name: 'QuotaExceededError' });
    folder.roomBytes = Number.POSITIVE_INFINITY;
    await begun?.discard();
    expect(namesOf(folder)).toEqual(['barn.mp4', manifestName]);
    expect((await openProxyFolder(folder.handle)).manifest.files.map(({ name }) => name)).toEqual(['barn.mp4']);
  });

  it('keeps the one that was there where making it anew is broken off', async () => {
    const folder = createMemoryFolder();
    await write(folder, 'barn.mp4', 10);
    const wholeSizes = async () => (await openProxyFolder(folder.handle)).state.whole.map(({ sizeBytes }) => sizeBytes);
    const begun = await beginProxyFile(folder.handle, entry('barn.mp4'), true);
    await begun?.writable.abort();
    await begun?.discard();
    expect(await wholeSizes()).toEqual([10]);
    await beginProxyFile(folder.handle, entry('barn.mp4'), true);
    // The page is gone, and its hold with it.
    held.clear();
    expect(await clearInterrupted(folder.handle)).toEqual([]);
    expect(await wholeSizes()).toEqual([10]);
  });

  it('deletes only what it made and what is as it was made', async () => {
    const folder = createMemoryFolder();
    for (const name of ['barn.mp4', 'field.mp4', 'stable.mp4']) await write(folder, name);
    folder.files.set('holiday.mp4', new Uint8Array(10));
    folder.files.set('stable.mp4', new Uint8Array(99));
    const gone = await deleteProxies(folder.handle, ['barn.mp4', 'stable.mp4', 'holiday.mp4']);
    expect(gone).toEqual(['barn.mp4']);
    expect(namesOf(folder)).toEqual(['field.mp4', 'holiday.mp4', manifestName, 'stable.mp4']);
  });

  it('begins a list of its own where the one that lies there cannot be read', async () => {
    const folder = createMemoryFolder();
    folder.files.set(manifestName, new TextEncoder().encode('{"format":"something else"}'));
    expect((await openProxyFolder(folder.handle)).manifest.files).toEqual([]);
  });
});
