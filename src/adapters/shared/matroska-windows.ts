import type { PacketStamp } from '@/core/footage';
import { type ByteSource, type ReadAheadSource, readAhead } from './byte-source';
import { type EbmlElement, ebmlChildren, parseEbmlHeader } from './ebml';
import { withDurations } from './frame-durations';
import { matroskaIds as ids, type MatroskaTrack } from './matroska-outline';

/** Block headers are read, what is in the blocks is skipped: a few bytes a frame, whatever the bit rate. */
const headerBytes = 32;
/** Many small frames lie in one longer read; large ones are skipped, and reading ahead would read them. */
const readAheadBytes = { ofSmallFrames: 64 * 1024, ofLargeFrames: 4096 } as const;
const smallFrameBytes = 16 * 1024;
const wholeReadAheadBytes = 512 * 1024;
/** Clusters hold some seconds; one must begin within this, or the place is left out. */
const searchBytes = 12 * 1024 * 1024;
const searchStepBytes = 512 * 1024;
/** A window at the end begins this far before it. */
const endBytes = 6 * 1024 * 1024;
/** Ten seconds of frames, which most distances between key frames are below. */
const windowFrames = 260;
/** Frames of a small file, and all blocks beside them. */
const wholeMost = { frames: 200_000, blocks: 300_000 } as const;
const usualFrameMs = 40;

const clusterMark = [0x1f, 0x43, 0xb6, 0x75] as const;
const firstInCluster: ReadonlySet<number> = new Set([ids.clusterTimestamp, ids.crc32, ids.padding]);

/** Whether a cluster begins here: its mark, a length, and an element that a cluster begins with. */
function isClusterAt(bytes: Uint8Array, at: number): boolean {
  if (!clusterMark.every((byte, i) => bytes[at + i] === byte)) return false;
  const cluster = parseEbmlHeader(bytes, at, 0);
  const first = cluster && parseEbmlHeader(bytes, cluster.dataStart, 0);
  return first !== null && firstInCluster.has(first.id);
}

/** Where the first cluster at or after `from` begins; null where none is near. */
async function findCluster(source: ByteSource, from: number): Promise<number | null> {
  for (let start = from; start < Math.min(from + searchBytes, source.sizeBytes); start += searchStepBytes) {
    const bytes = await source.read(start, start + searchStepBytes + headerBytes);
    for (let at = 0; at + headerBytes <= bytes.length; at++)
      if (bytes[at] === clusterMark[0] && isClusterAt(bytes, at)) return start + at;
  }
  return null;
}

interface BlockHeader {
  readonly trackNumber: number;
  readonly ticks: number;
  readonly isMarkedKey: boolean;
}

/** Track, time in its cluster and flags at the start of a block's data (RFC 9559, 10.1). */
function parseBlock(data: Uint8Array): BlockHeader | null {
  const first = data[0] ?? 0;
  const trackBytes = Math.clz32(first) - 23;
  if (first === 0 || data.length < trackBytes + 3) return null;
  let trackNumber = first & (0xff >> trackBytes);
  for (let i = 1; i < trackBytes; i++) trackNumber = trackNumber * 256 + (data[i] ?? 0);
  const view = new DataView(data.buffer, data.byteOffset + trackBytes, 3);
  return { trackNumber, ticks: view.getInt16(0), isMarkedKey: (view.getUint8(2) & 0x80) !== 0 };
}

/** A group's block, which is a key frame where it refers to no other. Groups are small but for their block. */
function parseGroup(data: Uint8Array): BlockHeader | null {
  for (const { id, data: child } of ebmlChildren(data)) if (id === ids.block) return parseBlock(child);
  return null;
}

interface FrameRun {
  readonly frames: readonly PacketStamp[];
  /** Bytes of all other tracks beside them. */
  readonly otherBytes: number;
}

/** Frames of one track from a cluster on, over cluster boundaries, until there are enough of them. */
async function readFrames(
  source: ReadAheadSource,
  clusterStart: number,
  track: Pick<MatroskaTrack, 'number' | 'msPerTick'>,
  most: { readonly frames: number; readonly blocks: number },
): Promise<FrameRun> {
  const frames: PacketStamp[] = [];
  let otherBytes = 0;
  let clusterTicks = 0;
  let offset = clusterStart;
  for (let i = 0; i < most.blocks && frames.length < most.frames && offset < source.sizeBytes; i++) {
    const bytes = source.peek(offset, offset + headerBytes) ?? (await source.read(offset, offset + headerBytes));
    const element: EbmlElement | null = parseEbmlHeader(bytes, 0, offset);
    if (!element) break;
    const data = bytes.subarray(element.dataStart - offset);
    if (element.id === ids.cluster) {
      offset = element.dataStart;
      continue;
    }
    if (element.dataBytes === null) break;
    if (element.id === ids.clusterTimestamp)
      clusterTicks = data.subarray(0, element.dataBytes).reduce((value, byte) => value * 256 + byte, 0);
    const isGroup = element.id === ids.blockGroup;
    const block = element.id === ids.simpleBlock ? parseBlock(data) : isGroup ? parseGroup(data) : null;
    if (block && block.trackNumber !== track.number) otherBytes += element.dataBytes;
    if (block && block.trackNumber === track.number) {
      const tail = isGroup ? await readGroupTail(source, element) : null;
      frames.push({
        presentationMs: (clusterTicks + block.ticks) * track.msPerTick,
        durationMs: 0,
        sizeBytes: element.dataBytes,
        isKey: tail ? !tail.hasReference : block.isMarkedKey,
      });
    }
    offset = element.dataStart + element.dataBytes;
  }
  return { frames, otherBytes };
}

/** Whether a group refers to another block: such elements stand after the block. */
async function readGroupTail(source: ByteSource, group: EbmlElement): Promise<{ readonly hasReference: boolean }> {
  const end = group.dataStart + (group.dataBytes ?? 0);
  const block = parseEbmlHeader(await source.read(group.dataStart, group.dataStart + headerBytes), 0, group.dataStart);
  if (!block || block.id !== ids.block || block.dataBytes === null) return { hasReference: false };
  const tail = await source.read(
    block.dataStart + block.dataBytes,
    Math.min(end, block.dataStart + block.dataBytes + 64),
  );
  for (const { id } of ebmlChildren(tail)) if (id === ids.referenceBlock) return { hasReference: true };
  return { hasReference: false };
}

/** Windows of frames, and what the other tracks add a second. */
export interface MatroskaWindows {
  readonly windows: readonly (readonly PacketStamp[])[];
  readonly otherBitPerSec: number;
}

/** Windows of frames at places (shares of the file's size); places at which no cluster is near are left out. */
export async function readMatroskaWindows(
  source: ByteSource,
  track: MatroskaTrack,
  places: readonly number[],
  statedDurationMs: number,
): Promise<MatroskaWindows> {
  const usualFrameBytes = (source.sizeBytes / Math.max(1, statedDurationMs)) * usualFrameMs;
  const isSmall = usualFrameBytes < smallFrameBytes;
  const headers = readAhead(source, isSmall ? readAheadBytes.ofSmallFrames : readAheadBytes.ofLargeFrames);
  const windows: (readonly PacketStamp[])[] = [];
  let otherBytes = 0;
  for (const place of places) {
    const from = Math.max(0, Math.min(place * source.sizeBytes, source.sizeBytes - endBytes));
    const clusterStart = await findCluster(source, Math.floor(from));
    if (clusterStart === null) continue;
    const run = await readFrames(headers, clusterStart, track, { frames: windowFrames, blocks: windowFrames * 30 });
    if (run.frames.length < 2) continue;
    windows.push(withDurations(run.frames));
    otherBytes += run.otherBytes;
  }
  const coveredMs = windows.flat().reduce((sum, frame) => sum + frame.durationMs, 0);
  return { windows, otherBitPerSec: coveredMs > 0 ? (otherBytes * 8000) / coveredMs : 0 };
}

/** Every frame of a small file, from its first cluster on. Null where it has none, or too many. */
export async function readWholeMatroska(
  source: ByteSource,
  track: MatroskaTrack,
): Promise<readonly PacketStamp[] | null> {
  const clusterStart = await findCluster(source, 0);
  if (clusterStart === null) return null;
  const { frames } = await readFrames(readAhead(source, wholeReadAheadBytes), clusterStart, track, wholeMost);
  return frames.length > 0 && frames.length < wholeMost.frames ? withDurations(frames) : null;
}
