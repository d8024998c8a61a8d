import type { ScanKind } from '@/core/footage';
import { type ByteSource, readAhead } from './byte-source';

/** What the sample entry of the first picture track says beyond what the reader tells. */
export interface Mp4SampleEntry {
  readonly code: string;
  readonly scan: ScanKind;
  /** MPEG-4 object type (ISO/IEC 14496-1, table 5), or null. */
  readonly objectType: number | null;
  /** Sum of the samples' decoding times; 0 in fragmented files. */
  readonly mediaDurationMs: number;
}

/** What the outermost boxes of an MP4 or MOV file say about whether all of it is there, and the picture's sample entry. */
export interface Mp4Outline {
  readonly hasIndex: boolean;
  /** Where the last box should end; more than the file's size where the file is cut off. */
  readonly expectedBytes: number;
  readonly videoEntry: Mp4SampleEntry | null;
}

interface Box {
  readonly type: string;
  readonly dataStart: number;
  readonly end: number;
}

/** Outer boxes that a film cannot do without; only these make a file cut off. Bytes after the last box are a camera's own. */
const neededBoxes = new Set(['moov', 'mdat', 'moof']);

const boxHeaderBytes = 16;
/** Real files have a handful of outer boxes; fragmented ones a few a second. */
const mostBoxes = 10_000;
/** Sample entries are some hundred bytes. */
const mostEntryBytes = 4096;
/** Uneven clips have a run a frame: two hours at 30 frames a second fit. */
const mostTimeTableBytes = 2 * 1024 * 1024;
const readAheadBytes = 2048;
const visualEntryHeaderBytes = 86;

const textOf = (bytes: Uint8Array): string => String.fromCharCode(...bytes);

/** Reads one box header (ISO/IEC 14496-12, 4.2) from bytes; null where it is none. A size of 0 reaches to `limit`. */
function parseBox(bytes: Uint8Array, offset: number, limit: number): Box | null {
  if (bytes.length < 8) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const shortSize = view.getUint32(0);
  const isLong = shortSize === 1 && bytes.length >= boxHeaderBytes;
  const size = shortSize === 0 ? limit - offset : isLong ? Number(view.getBigUint64(8)) : shortSize;
  return size < 8
    ? null
    : { type: textOf(bytes.subarray(4, 8)), dataStart: offset + (isLong ? 16 : 8), end: offset + size };
}

const readBoxAt = async (source: ByteSource, offset: number, limit: number): Promise<Box | null> =>
  offset + 8 <= limit ? parseBox(await source.read(offset, offset + boxHeaderBytes), offset, limit) : null;

/** The boxes inside one, in order. */
async function* boxesIn(source: ByteSource, parent: Pick<Box, 'dataStart' | 'end'>): AsyncGenerator<Box> {
  const limit = Math.min(parent.end, source.sizeBytes);
  let offset = parent.dataStart;
  for (let i = 0; i < mostBoxes; i++) {
    const box = await readBoxAt(source, offset, limit);
    if (!box) return;
    yield box;
    offset = box.end;
  }
}

async function findBox(source: ByteSource, parent: Box, path: readonly string[]): Promise<Box | null> {
  const [type, ...rest] = path;
  if (type === undefined) return parent;
  for await (const box of boxesIn(source, parent)) if (box.type === type) return findBox(source, box, rest);
  return null;
}

/** Field order of a "fiel" box (QuickTime file format): its first byte counts the fields. */
const scanOfFields = (fieldCount: number | undefined): ScanKind =>
  fieldCount === 1 ? 'progressive' : fieldCount === 2 ? 'interlaced' : 'unknown';

/** The object type in an "esds" box: descriptor 4 of ISO/IEC 14496-1, 7.2.6.6, behind lengths of one to four bytes. */
function parseObjectType(data: Uint8Array): number | null {
  let at = 4;
  const skipLength = (): void => {
    for (let i = 0; i < 4 && ((data[at] ?? 0) & 0x80) !== 0; i++) at += 1;
    at += 1;
  };
  if (data[at] !== 3) return null;
  at += 1;
  skipLength();
  const flags = data[at + 2] ?? 0;
  at += 3 + ((flags & 0x80) !== 0 ? 2 : 0) + ((flags & 0x20) !== 0 ? 2 : 0);
  if ((flags & 0x40) !== 0) at += 1 + (data[at] ?? 0);
  if (data[at] !== 4) return null;
  at += 1;
  skipLength();
  return data[at] ?? null;
}

/** A visual sample entry, its own header included (ISO/IEC 14496-12, 12.1.3). */
function parseSampleEntry(bytes: Uint8Array): Omit<Mp4SampleEntry, 'mediaDurationMs'> {
  let scan: ScanKind = 'unknown';
  let objectType: number | null = null;
  let offset = visualEntryHeaderBytes;
  while (offset + 8 <= bytes.length) {
    const box = parseBox(bytes.subarray(offset), offset, bytes.length);
    if (!box) break;
    const data = bytes.subarray(box.dataStart, box.end);
    if (box.type === 'fiel') scan = scanOfFields(data[0]);
    if (box.type === 'esds') objectType = parseObjectType(data);
    offset = box.end;
  }
  return { code: textOf(bytes.subarray(4, 8)), scan, objectType };
}

/** A media header's clock (ISO/IEC 14496-12, 8.4.2): version 1 has times of eight bytes. */
async function readTicksPerSec(source: ByteSource, media: Box): Promise<number> {
  const header = await findBox(source, media, ['mdhd']);
  const bytes = header ? await source.read(header.dataStart, header.dataStart + 24) : new Uint8Array();
  if (bytes.length < 24) return 0;
  return new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).getUint32(bytes[0] === 1 ? 20 : 12);
}

/** The sum of an stts table (8.6.1.2): runs of a count and a duration. 0 where there is none, or too long a one. */
async function readMediaDurationMs(source: ByteSource, media: Box): Promise<number> {
  const table = await findBox(source, media, ['minf', 'stbl', 'stts']);
  const ticksPerSec = await readTicksPerSec(source, media);
  if (!table || ticksPerSec === 0 || table.end - table.dataStart > mostTimeTableBytes) return 0;
  const bytes = await source.read(table.dataStart + 8, table.end);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let ticks = 0;
  for (let at = 0; at + 8 <= bytes.length; at += 8) ticks += view.getUint32(at) * view.getUint32(at + 4);
  return (ticks / ticksPerSec) * 1000;
}

async function readVideoEntry(source: ByteSource, movie: Box): Promise<Mp4SampleEntry | null> {
  for await (const track of boxesIn(source, movie)) {
    if (track.type !== 'trak') continue;
    const media = await findBox(source, track, ['mdia']);
    const handler = media && (await findBox(source, media, ['hdlr']));
    if (!handler) continue;
    if (textOf((await source.read(handler.dataStart, handler.dataStart + 12)).subarray(8)) !== 'vide') continue;
    const table = await findBox(source, media, ['minf', 'stbl', 'stsd']);
    if (!table) return null;
    const start = table.dataStart + 8;
    const entry = await readBoxAt(source, start, table.end);
    if (!entry) return null;
    const bytes = await source.read(start, Math.min(entry.end, table.end, start + mostEntryBytes));
    return { ...parseSampleEntry(bytes), mediaDurationMs: await readMediaDurationMs(source, media) };
  }
  return null;
}

/** Walks the outermost boxes without reading what is in them, then down to the first picture track's sample entry. */
export async function readMp4Outline(file: ByteSource): Promise<Mp4Outline> {
  const source = readAhead(file, readAheadBytes);
  let offset = 0;
  let movie: Box | null = null;
  for (let i = 0; i < mostBoxes; i++) {
    const box = await readBoxAt(file, offset, file.sizeBytes);
    if (!box) break;
    if (box.end > file.sizeBytes && !neededBoxes.has(box.type)) break;
    if (box.type === 'moov') movie = box;
    offset = box.end;
  }
  const isThere = movie !== null && movie.end <= file.sizeBytes;
  return {
    hasIndex: movie !== null,
    expectedBytes: offset,
    videoEntry: isThere && movie ? await readVideoEntry(source, movie) : null,
  };
}
