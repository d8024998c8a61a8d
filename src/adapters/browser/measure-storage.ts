import type { StorageRates } from '@/core/machine-test';

const pieceBytes = 4 * 1024 * 1024;
const pieceCount = 12;
const fileName = 'oil-can-storage-test';

/** What can be written in place; only workers have it of their own storage. */
export type InPlaceFile = Pick<FileSystemSyncAccessHandle, 'read' | 'write' | 'flush' | 'close'>;

/** How quickly a file that is written in place takes and gives: written down to the drive, and read from its beginning. */
export function timeInPlace(file: InPlaceFile, nowMs: () => number): StorageRates {
  const piece = new Uint8Array(pieceBytes).fill(151);
  const megabytes = (pieceBytes * pieceCount) / 1e6;
  const rateSince = (fromMs: number): number => (1000 * megabytes) / Math.max(0.1, nowMs() - fromMs);
  const beganMs = nowMs();
  for (let i = 0; i < pieceCount; i++) file.write(piece, { at: i * pieceBytes });
  file.flush();
  const writtenMegabytePerSec = rateSince(beganMs);
  const readingMs = nowMs();
  for (let i = 0; i < pieceCount; i++) file.read(piece, { at: i * pieceBytes });
  return { writtenMegabytePerSec, readMegabytePerSec: rateSince(readingMs) };
}

/**
 * Measures this browser's own storage with a file of 50 megabytes that is taken away again. Null where it has none for pages,
 * or no room: nothing else of the measurement hangs on it.
 */
export async function measureStorage(nowMs: () => number): Promise<StorageRates | null> {
  try {
    const folder = await navigator.storage.getDirectory();
    const handle = await folder.getFileHandle(fileName, { create: true });
    try {
      const file = await handle.createSyncAccessHandle();
      try {
        return timeInPlace(file, nowMs);
      } finally {
        file.close();
      }
    } finally {
      await folder.removeEntry(fileName);
    }
  } catch {
    return null;
  }
}
