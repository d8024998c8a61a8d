import type { ByteSource } from './byte-source';

/** What the outermost boxes of an MP4 or MOV file say about whether all of it is there. */
export interface Mp4Outline {
  readonly hasIndex: boolean;
  /** Where the last box should end; more than the file's size where the file is cut off. */
  readonly expectedBytes: number;
}

/** Outer boxes that a film cannot do without; only these make a file cut off. Bytes after the last box are a camera's own. */
const neededBoxes = new Set(['moov', 'mdat', 'moof']);

const boxHeaderBytes = 16;
/** Real files have a handful of outer boxes; fragmented ones a few a second. */
const mostBoxes = 10_000;

/** Walks the outermost boxes (ISO/IEC 14496-12, 4.2) without reading what is in them. */
export async function readMp4Outline(source: ByteSource): Promise<Mp4Outline> {
  let offset = 0;
  let hasIndex = false;
  for (let i = 0; i < mostBoxes && offset + 8 <= source.sizeBytes; i++) {
    const bytes = await source.read(offset, offset + boxHeaderBytes);
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    const shortSize = view.getUint32(0);
    const type = String.fromCharCode(...bytes.subarray(4, 8));
    if (type === 'moov') hasIndex = true;
    if (shortSize === 0) return { hasIndex, expectedBytes: source.sizeBytes };
    const size = shortSize === 1 && bytes.length === boxHeaderBytes ? Number(view.getBigUint64(8)) : shortSize;
    if (size < 8) return { hasIndex, expectedBytes: offset };
    if (offset + size > source.sizeBytes && !neededBoxes.has(type)) return { hasIndex, expectedBytes: offset };
    offset += size;
  }
  return { hasIndex, expectedBytes: offset };
}
