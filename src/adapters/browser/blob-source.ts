import type { ByteSource } from '../shared/byte-source';

/** Slices of a dropped or chosen file; works on the page and in workers. */
export const createBlobSource = (file: File): ByteSource => ({
  fileName: file.name,
  sizeBytes: file.size,
  read: async (start, end) => new Uint8Array(await file.slice(start, end).arrayBuffer()),
  checkState: async () => {
    try {
      // A browser refuses to read a file that is no longer what was handed to it.
      await file.slice(0, 1).arrayBuffer();
      return 'same';
    } catch (error) {
      return error instanceof DOMException && error.name === 'NotFoundError' ? 'gone' : 'changed';
    }
  },
});
