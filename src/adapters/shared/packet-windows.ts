import { EncodedPacketSink, type InputTrack } from 'mediabunny';
import type { PacketStamp, SoundFormat } from '@/core/footage';
import { type CountingByteSource, ReadBudgetExceededError } from './byte-source';
import type { MatroskaTrack } from './matroska-outline';
import { readMatroskaWindows, readWholeMatroska } from './matroska-windows';
import type { Mp4VideoTrack } from './mp4-outline';
import { readMp4Samples } from './mp4-samples';
import { readTransportWindows, readWholeTransport } from './transport-windows';

/** Packets kept for one file: a two-hour film at 25 frames a second fits; longer ones are told from their beginning. */
const mostPackets = 200_000;
/** Files up to this size are listed whole, also where that reads all of them. */
const wholeFileBytes = 16 * 1024 * 1024;
/** Where windows of larger ones begin, as shares of the file's size. */
const windowPlaces = [0, 0.25, 0.5, 0.75, 1] as const;

/** Packets of one track: all of them, or windows of them. */
export interface PacketWalk {
  readonly windows: readonly (readonly PacketStamp[])[];
  readonly isWhole: boolean;
  /** The track's length as stated, or as the windows show it; not used where they hold every packet. */
  readonly durationMs: number;
  /** Sum of all decoding times, where the container states them; else 0. */
  readonly decodingMs: number;
  /** Bits a second of everything else in the file, where that was counted; else 0. */
  readonly otherBitPerSec: number;
}

/** What is known of the file before its packets are listed. */
export interface WalkedFile {
  readonly container: SoundFormat;
  readonly mp4Track: Mp4VideoTrack | null;
  readonly matroskaTrack: MatroskaTrack | null;
  /** The track's stated length, or 0. Asked only where it is needed: the reader goes through all tables for it. */
  readonly readStatedMs: () => Promise<number>;
}

/** Whether the reader gave up because the byte source did. */
export const isBudgetError = (error: unknown): boolean =>
  error instanceof ReadBudgetExceededError ||
  (error instanceof Error && error.cause instanceof ReadBudgetExceededError);

const nothingCounted = { decodingMs: 0, otherBitPerSec: 0 } as const;

/** From the first frame of the first window to the end of the last one. */
function spannedMs(windows: PacketWalk['windows']): number {
  const frames = windows.flat();
  const startMs = frames.reduce((least, frame) => Math.min(least, frame.presentationMs), Number.POSITIVE_INFINITY);
  const endMs = frames.reduce((most, frame) => Math.max(most, frame.presentationMs + frame.durationMs), 0);
  return frames.length > 0 ? endMs - startMs : 0;
}

/** Every packet, by the container reader: for what has no reader of ours, as fragmented files. */
async function walkByReader(track: InputTrack, file: WalkedFile): Promise<PacketWalk> {
  const packets: PacketStamp[] = [];
  for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true })) {
    packets.push({
      presentationMs: packet.timestamp * 1000,
      durationMs: packet.duration * 1000,
      sizeBytes: packet.byteLength,
      isKey: packet.type === 'key',
    });
    if (packets.length >= mostPackets)
      return { ...nothingCounted, windows: [packets], isWhole: false, durationMs: await file.readStatedMs() };
  }
  return { ...nothingCounted, windows: [packets], isWhole: true, durationMs: 0 };
}

/** A small file's frames, by our own readers; null where they do not know it. */
async function listSmallFile(source: CountingByteSource, file: WalkedFile): Promise<readonly PacketStamp[] | null> {
  if (file.container === 'ts') return readWholeTransport(source);
  return file.matroskaTrack ? readWholeMatroska(source, file.matroskaTrack) : null;
}

/** Windows of a large file without an index of packets; null where it is no such file. */
async function sampleLargeFile(
  source: CountingByteSource,
  file: WalkedFile,
  statedMs: number,
): Promise<Pick<PacketWalk, 'windows' | 'otherBitPerSec'> | null> {
  if (file.container === 'ts') {
    const windows = await readTransportWindows(source, windowPlaces);
    return windows && windows.length > 0 ? { windows, otherBitPerSec: 0 } : null;
  }
  if (!file.matroskaTrack) return null;
  const sampled = await readMatroskaWindows(source, file.matroskaTrack, windowPlaces, statedMs);
  return sampled.windows.length > 0 ? sampled : null;
}

/** The same for a transport stream whose picture the container reader does not take; null where ours does not either. */
export async function walkTransportPackets(source: CountingByteSource): Promise<PacketWalk | null> {
  const isLarge = source.sizeBytes > wholeFileBytes;
  const windows = isLarge ? await readTransportWindows(source, windowPlaces) : [await readWholeTransport(source)];
  const known = windows?.filter((window) => window !== null) ?? [];
  return known.length > 0
    ? { ...nothingCounted, windows: known, isWhole: !isLarge, durationMs: isLarge ? spannedMs(known) : 0 }
    : null;
}

/**
 * Lists a picture track's packets: from the tables of an index, or all of a small file, else windows spread over the
 * file. The readers for that are ours, because the container reader makes an object of each packet in turn: a hundred
 * times slower over ten minutes of film, and in files without an index it reads what lies between.
 */
export async function walkVideoPackets(
  track: InputTrack,
  source: CountingByteSource,
  file: WalkedFile,
): Promise<PacketWalk> {
  if (file.mp4Track) {
    const samples = await readMp4Samples(source, file.mp4Track, mostPackets);
    if (!samples) return walkByReader(track, file);
    const { packets, isWhole, decodingMs } = samples;
    return { ...nothingCounted, windows: [packets], isWhole, decodingMs, durationMs: decodingMs };
  }
  if (source.sizeBytes <= wholeFileBytes) {
    const packets = await listSmallFile(source, file);
    return packets
      ? { ...nothingCounted, windows: [packets], isWhole: true, durationMs: 0 }
      : walkByReader(track, file);
  }
  const statedMs = await file.readStatedMs();
  const sampled = await sampleLargeFile(source, file, statedMs);
  if (!sampled) return walkByReader(track, file);
  const durationMs = statedMs > 0 ? statedMs : spannedMs(sampled.windows);
  return { ...nothingCounted, ...sampled, isWhole: false, durationMs };
}
