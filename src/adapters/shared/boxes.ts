import type { ByteSource } from './byte-source';

/** A box of MP4 or MOV (ISO/IEC 14496-12, 4.2). */
export interface Box {
  readonly type: string;
  readonly dataStart: number;
  readonly end: number;
}

export const boxHeaderBytes = 16;
/** Real files have a handful of outer boxes; fragmented ones a few a second. */
export const mostBoxes = 10_000;

/** Bytes as the characters they stand for. */
export const textOf = (bytes: Uint8Array): string => String.fromCharCode(...bytes);

/** Reads one box header (ISO/IEC 14496-12, 4.2) from bytes; null where it is none. A size of 0 reaches to `limit`. */
export function parseBox(bytes: Uint8Array, offset: number, limit: number): Box | null {
  if (bytes.length < 8) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const shortSize = view.getUint32(0);
  const isLong = shortSize === 1 && bytes.length >= boxHeaderBytes;
  const size = shortSize === 0 ? limit - offset : isLong ? Number(view.getBigUint64(8)) : shortSize;
  return size < 8
    ? null
    : { type: textOf(bytes.subarray(4, 8)), dataStart: offset + (isLong ? 16 : 8), end: offset + size };
}

/** The box that begins at `offset`; null where none does. */
export const readBoxAt = async (source: ByteSource, offset: number, limit: number): Promise<Box | null> =>
  offset + 8 <= limit ? parseBox(await source.read(offset, offset + boxHeaderBytes), offset, limit) : null;

/** The boxes inside one, in order. */
export async function* boxesIn(source: ByteSource, parent: Pick<Box, 'dataStart' | 'end'>): AsyncGenerator<Box> {
  const limit = Math.min(parent.end, source.sizeBytes);
  let offset = parent.dataStart;
  for (let i = 0; i < mostBoxes; i++) {
    const box = await readBoxAt(source, offset, limit);
    if (!box) return;
    yield box;
    offset = box.end;
  }
}

/** The first box on a path of types below `parent`; null where there is none. */
export async function findBox(source: ByteSource, parent: Box, path: readonly string[]): Promise<Box | null> {
  const [type, ...rest] = path;
  if (type === undefined) return parent;
  for await (const box of boxesIn(source, parent)) if (box.type === type) return findBox(source, box, rest);
  return null;
}
