import type { ScanKind } from '@/core/footage';
import { type Box, boxesIn, findBox, mostBoxes, parseBox, readBoxAt, textOf } from './boxes';
import { type ByteSource, readAhead } from './byte-source';

/** What the sample entry of a picture track says beyond what the reader tells. */
interface Mp4SampleEntry {
  readonly scan: ScanKind;
  /** MPEG-4 object type (ISO/IEC 14496-1, table 5), or null. */
  readonly objectType: number | null;
}

/** A picture track: what its sample entry says, and where its tables of samples lie. */
export interface Mp4VideoTrack extends Mp4SampleEntry {
  readonly trackId: number;
  readonly ticksPerSec: number;
  /** Media time at which the film begins, less what an empty edit puts before it, in ticks. */
  readonly startTicks: number;
  readonly sampleTable: Box;
  /** Whether samples lie in fragments too, beyond those of the tables. */
  readonly hasFragments: boolean;
}

/** What an MP4 or MOV file says about whether all of it is there, and its picture tracks. */
export interface Mp4Outline {
  readonly hasIndex: boolean;
  /** Where the last box should end; more than the file's size where the file is cut off. */
  readonly expectedBytes: number;
  readonly videoTracks: readonly Mp4VideoTrack[];
}

/** Outer boxes that a film cannot do without; only these make a file cut off. Bytes after the last box are a camera's own. */
const neededBoxes = new Set(['moov', 'mdat', 'moof']);

/** Sample entries are some hundred bytes. */
const mostEntryBytes = 4096;
const readAheadBytes = 2048;

const viewOf = (bytes: Uint8Array): DataView => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

const visualEntryHeaderBytes = 86;

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
function parseSampleEntry(bytes: Uint8Array): Mp4SampleEntry {
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
  return { scan, objectType };
}

/** A movie or media header's clock (ISO/IEC 14496-12, 8.2.2 and 8.4.2): version 1 has times of eight bytes. */
async function readTicksPerSec(source: ByteSource, parent: Box, headerType: 'mvhd' | 'mdhd'): Promise<number> {
  const header = await findBox(source, parent, [headerType]);
  const bytes = header ? await source.read(header.dataStart, header.dataStart + 24) : new Uint8Array();
  if (bytes.length < 24) return 0;
  return viewOf(bytes).getUint32(bytes[0] === 1 ? 20 : 12);
}

/** A track header's id (8.3.2): version 1 has times of eight bytes before it. */
async function readTrackId(source: ByteSource, track: Box): Promise<number> {
  const header = await findBox(source, track, ['tkhd']);
  const bytes = header ? await source.read(header.dataStart, header.dataStart + 24) : new Uint8Array();
  return bytes.length < 24 ? 0 : viewOf(bytes).getUint32(bytes[0] === 1 ? 20 : 12);
}

const mostEdits = 16;

/**
 * Where an edit list (8.6.6) begins the film in media time: the first edit that is not empty, less the empty ones
 * before it, which are in the movie's clock. 0 without one.
 */
async function readStartTicks(
  source: ByteSource,
  track: Box,
  clocks: { readonly ticksPerSec: number; readonly movieTicksPerSec: number },
): Promise<number> {
  const list = await findBox(source, track, ['edts', 'elst']);
  if (!list) return 0;
  const bytes = await source.read(list.dataStart, Math.min(list.end, list.dataStart + 8 + 20 * mostEdits));
  if (bytes.length < 8) return 0;
  const view = viewOf(bytes);
  const isLong = bytes[0] === 1;
  const entryBytes = isLong ? 20 : 12;
  let emptyTicks = 0;
  for (let at = 8; at + entryBytes <= bytes.length; at += entryBytes) {
    const duration = isLong ? Number(view.getBigUint64(at)) : view.getUint32(at);
    const mediaTicks = isLong ? Number(view.getBigInt64(at + 8)) : view.getInt32(at + 4);
    if (mediaTicks >= 0) return mediaTicks - emptyTicks;
    emptyTicks += Math.round((duration * clocks.ticksPerSec) / Math.max(1, clocks.movieTicksPerSec));
  }
  return 0;
}

async function readVideoTrack(
  source: ByteSource,
  track: Box,
  movieTicksPerSec: number,
): Promise<Omit<Mp4VideoTrack, 'hasFragments'> | null> {
  const media = await findBox(source, track, ['mdia']);
  const handler = media && (await findBox(source, media, ['hdlr']));
  if (!handler) return null;
  if (textOf((await source.read(handler.dataStart, handler.dataStart + 12)).subarray(8)) !== 'vide') return null;
  const sampleTable = await findBox(source, media, ['minf', 'stbl']);
  const entries = sampleTable && (await findBox(source, sampleTable, ['stsd']));
  if (!entries) return null;
  const start = entries.dataStart + 8;
  const entry = await readBoxAt(source, start, entries.end);
  if (!entry) return null;
  const bytes = await source.read(start, Math.min(entry.end, entries.end, start + mostEntryBytes));
  const ticksPerSec = await readTicksPerSec(source, media, 'mdhd');
  return {
    ...parseSampleEntry(bytes),
    trackId: await readTrackId(source, track),
    ticksPerSec,
    startTicks: await readStartTicks(source, track, { ticksPerSec, movieTicksPerSec }),
    sampleTable,
  };
}

/** A movie that is extended by fragments may hold its first samples in its tables; these are not all of them. */
const isFragmented = async (source: ByteSource, movie: Box): Promise<boolean> =>
  (await findBox(source, movie, ['mvex'])) !== null;

async function readVideoTracks(source: ByteSource, movie: Box): Promise<readonly Mp4VideoTrack[]> {
  const hasFragments = await isFragmented(source, movie);
  const movieTicksPerSec = await readTicksPerSec(source, movie, 'mvhd');
  const tracks: Mp4VideoTrack[] = [];
  for await (const box of boxesIn(source, movie)) {
    const track = box.type === 'trak' ? await readVideoTrack(source, box, movieTicksPerSec) : null;
    if (track) tracks.push({ ...track, hasFragments });
  }
  return tracks;
}

/** Walks the outermost boxes without reading what is in them, then down to the picture tracks. */
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
    videoTracks: isThere && movie ? await readVideoTracks(source, movie) : [],
  };
}
