import { open, stat } from 'node:fs/promises';
import { basename } from 'node:path';
import type { ByteSource } from '../shared/byte-source';

/** Opens a file for reading by slices. The caller closes it. Rejects where the file cannot be opened. */
export async function openFileSource(path: string): Promise<ByteSource & { readonly close: () => Promise<void> }> {
  const handle = await open(path, 'r');
  const { size, mtimeMs } = await handle.stat();
  return {
    fileName: basename(path),
    sizeBytes: size,
    read: async (start, end) => {
      const bytes = new Uint8Array(Math.max(0, Math.min(end, size) - start));
      let filled = 0;
      while (filled < bytes.length) {
        const { bytesRead } = await handle.read(bytes, filled, bytes.length - filled, start + filled);
        if (bytesRead === 0) break;
        filled += bytesRead;
      }
      return bytes.subarray(0, filled);
    },
    checkState: async () => {
      const now = await stat(path).catch(() => null);
      if (!now) return 'gone';
      return now.size === size && now.mtimeMs === mtimeMs ? 'same' : 'changed';
    },
    close: () => handle.close(),
  };
}
