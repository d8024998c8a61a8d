import type { ScanKind } from '@/core/footage';
import type { ByteSource } from './byte-source';
import { type EbmlElement, ebmlChildren, parseEbmlHeader, unsignedOf } from './ebml';

/** A picture track as its entry describes it. */
export interface MatroskaTrack {
  readonly number: number;
  readonly msPerTick: number;
  /** The declared time between frames, or null. */
  readonly declaredFrameDurationNs: number | null;
  /** What it says of fields. */
  readonly scan: ScanKind;
  /** The four-character code that it carries over from another container, or null. */
  readonly foreignCode: string | null;
  /** Times of the key frames that the index lists for it; empty without an index. */
  readonly indexedKeyFrameMs: readonly number[];
}

/** What a Matroska or WebM file's head and index say; media data is not read. */
export interface MatroskaOutline {
  /** Where the segment should end, or null where the file does not say. */
  readonly expectedBytes: number | null;
  readonly videoTracks: readonly MatroskaTrack[];
}

/** Element ids, RFC 9559. */
export const matroskaIds = {
  ebml: 0x1a45dfa3,
  segment: 0x18538067,
  seekHead: 0x114d9b74,
  seek: 0x4dbb,
  seekId: 0x53ab,
  seekPosition: 0x53ac,
  info: 0x1549a966,
  timestampScale: 0x2ad7b1,
  tracks: 0x1654ae6b,
  trackEntry: 0xae,
  trackNumber: 0xd7,
  trackType: 0x83,
  codecId: 0x86,
  codecPrivate: 0x63a2,
  video: 0xe0,
  flagInterlaced: 0x9a,
  defaultDuration: 0x23e383,
  cluster: 0x1f43b675,
  clusterTimestamp: 0xe7,
  simpleBlock: 0xa3,
  blockGroup: 0xa0,
  block: 0xa1,
  referenceBlock: 0xfb,
  crc32: 0xbf,
  padding: 0xec,
  cues: 0x1c53bb6b,
  cuePoint: 0xbb,
  cueTime: 0xb3,
  cueTrackPositions: 0xb7,
  cueTrack: 0xf7,
} as const;

/** What is read of the head; attached fonts and tags can be megabytes and tell nothing. */
const wantedElements: ReadonlySet<number> = new Set([
  matroskaIds.seekHead,
  matroskaIds.info,
  matroskaIds.tracks,
  matroskaIds.cues,
]);

const elementHeaderBytes = 12;
/** Heads and indexes are small; a longer one is broken or hostile. Two hours with a key frame twice a second: 0.5 MB. */
const mostElementBytes = 4 * 1024 * 1024;

const childData = (bytes: Uint8Array, id: number): Uint8Array | null => {
  for (const child of ebmlChildren(bytes)) if (child.id === id) return child.data;
  return null;
};
const childValue = (bytes: Uint8Array, id: number): number | null => {
  const data = childData(bytes, id);
  return data ? unsignedOf(data) : null;
};
const textOf = (bytes: Uint8Array | null): string => (bytes ? String.fromCharCode(...bytes) : '');

/** FlagInterlaced: 0 not said, 1 interlaced, 2 progressive (RFC 9559, 5.1.4.1.28.1). */
const scanByFlag: readonly ScanKind[] = ['unknown', 'interlaced', 'progressive'];

/** Pictures of other containers keep their code in the private data: of a bitmap header, or of a sample entry. */
function foreignCodeOf(track: Uint8Array): string | null {
  const at = { 'V_MS/VFW/FOURCC': 16, V_QUICKTIME: 4 }[textOf(childData(track, matroskaIds.codecId))];
  const code = at === undefined ? '' : textOf(childData(track, matroskaIds.codecPrivate)?.subarray(at, at + 4) ?? null);
  return code.length === 4 ? code : null;
}

/** The picture tracks of a track list; times of an index are added once it is found. */
function listVideoTracks(tracks: Uint8Array): readonly Omit<MatroskaTrack, 'msPerTick' | 'indexedKeyFrameMs'>[] {
  const list: Omit<MatroskaTrack, 'msPerTick' | 'indexedKeyFrameMs'>[] = [];
  for (const { id, data } of ebmlChildren(tracks)) {
    if (id !== matroskaIds.trackEntry || childValue(data, matroskaIds.trackType) !== 1) continue;
    const picture = childData(data, matroskaIds.video);
    list.push({
      number: childValue(data, matroskaIds.trackNumber) ?? 0,
      declaredFrameDurationNs: childValue(data, matroskaIds.defaultDuration),
      scan: scanByFlag[(picture && childValue(picture, matroskaIds.flagInterlaced)) ?? 0] ?? 'unknown',
      foreignCode: foreignCodeOf(data),
    });
  }
  return list;
}

function findCuesOffset(seekHead: Uint8Array): number | null {
  for (const { id, data } of ebmlChildren(seekHead)) {
    if (id === matroskaIds.seek && childValue(data, matroskaIds.seekId) === matroskaIds.cues)
      return childValue(data, matroskaIds.seekPosition);
  }
  return null;
}

function listCueTimes(cues: Uint8Array, trackNumber: number): readonly number[] {
  const times: number[] = [];
  for (const { id, data } of ebmlChildren(cues)) {
    if (id !== matroskaIds.cuePoint) continue;
    const time = childValue(data, matroskaIds.cueTime);
    for (const child of ebmlChildren(data)) {
      if (child.id !== matroskaIds.cueTrackPositions || childValue(child.data, matroskaIds.cueTrack) !== trackNumber)
        continue;
      if (time !== null) times.push(time);
      break;
    }
  }
  return times;
}

const readElementAt = async (source: ByteSource, offset: number): Promise<EbmlElement | null> =>
  offset < source.sizeBytes ? parseEbmlHeader(await source.read(offset, offset + elementHeaderBytes), 0, offset) : null;

const readData = async (source: ByteSource, element: EbmlElement): Promise<Uint8Array> =>
  element.dataBytes === null || element.dataBytes > mostElementBytes
    ? new Uint8Array()
    : source.read(element.dataStart, element.dataStart + element.dataBytes);

/** Reads the elements before the first cluster, and the index wherever it stands. */
export async function readMatroskaOutline(source: ByteSource): Promise<MatroskaOutline> {
  const nothing: MatroskaOutline = { expectedBytes: null, videoTracks: [] };
  const head = await readElementAt(source, 0);
  if (!head || head.id !== matroskaIds.ebml || head.dataBytes === null) return nothing;
  const segment = await readElementAt(source, head.dataStart + head.dataBytes);
  if (!segment || segment.id !== matroskaIds.segment) return nothing;

  let msPerTick = 1;
  let tracks: ReturnType<typeof listVideoTracks> = [];
  let cuesOffset: number | null = null;
  let cues: Uint8Array | null = null;
  let offset = segment.dataStart;
  for (let i = 0; i < 100; i++) {
    const element = await readElementAt(source, offset);
    if (!element || element.id === matroskaIds.cluster || element.dataBytes === null) break;
    const data = wantedElements.has(element.id) ? await readData(source, element) : new Uint8Array();
    if (element.id === matroskaIds.seekHead) cuesOffset = findCuesOffset(data) ?? cuesOffset;
    if (element.id === matroskaIds.info) msPerTick = (childValue(data, matroskaIds.timestampScale) ?? 1_000_000) / 1e6;
    if (element.id === matroskaIds.tracks) tracks = listVideoTracks(data);
    if (element.id === matroskaIds.cues) cues = data;
    offset = element.dataStart + element.dataBytes;
  }
  if (!cues && cuesOffset !== null) {
    const element = await readElementAt(source, segment.dataStart + cuesOffset);
    if (element?.id === matroskaIds.cues) cues = await readData(source, element);
  }
  return {
    expectedBytes: segment.dataBytes === null ? null : segment.dataStart + segment.dataBytes,
    videoTracks: tracks.map((track) => ({
      ...track,
      msPerTick,
      indexedKeyFrameMs: cues ? listCueTimes(cues, track.number).map((ticks) => ticks * msPerTick) : [],
    })),
  };
}
