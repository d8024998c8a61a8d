import type { ByteSource } from '../shared/byte-source';

/** Slices of a dropped or chosen file; works on the page and in workers. */
export const createBlobSource = (file: File): ByteSource => ({
  fileName: file.name,
  sizeBytes: file.size,
  read: async (start, end) => new Uint8Array(await file.slice(start, end).arrayBuffer()),
});
