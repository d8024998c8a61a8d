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

/** The packets of a transport stream's picture, by our own reader; null where it does not know it. */
export async function walkTransport(source: CountingByteSource): Promise<PacketWalk | null> {
  if (source.sizeBytes <= wholeFileBytes) {
    const packets = await readWholeTransport(source);
    return packets && { ...nothingCounted, windows: [packets], isWhole: true, durationMs: 0 };
  }
  const windows = await readTransportWindows(source, windowPlaces);
  if (!windows || windows.length === 0) return null;
  return { ...nothingCounted, windows, isWhole: false, durationMs: spannedMs(windows) };
}

/** The packets of a Matroska track, by our own reader; null where it finds none. */
async function walkMatroska(
  source: CountingByteSource,
  track: MatroskaTrack,
  readStatedMs: WalkedFile['readStatedMs'],
): Promise<PacketWalk | null> {
  if (source.sizeBytes <= wholeFileBytes) {
    const packets = await readWholeMatroska(source, track);
    return packets && { ...nothingCounted, windows: [packets], isWhole: true, durationMs: 0 };
  }
  const statedMs = await readStatedMs();
  const { windows, otherBitPerSec } = await readMatroskaWindows(source, track, windowPlaces, statedMs);
  if (windows.length === 0) return null;
  const durationMs = statedMs > 0 ? statedMs : spannedMs(windows);
  return { ...nothingCounted, windows, otherBitPerSec, isWhole: false, durationMs };
}

/** The packets of an MP4 track, from its tables; null where they do not hold them all. */
async function walkMp4(source: CountingByteSource, track: Mp4VideoTrack): Promise<PacketWalk | null> {
  const samples = await readMp4Samples(source, track, mostPackets);
  if (!samples) return null;
  const { packets, isWhole, decodingMs } = samples;
  return { ...nothingCounted, windows: [packets], isWhole, decodingMs, durationMs: decodingMs };
}

/** By our own readers; null where there is none for this container, or it does not know the file. */
async function walkByOurs(source: CountingByteSource, file: WalkedFile): Promise<PacketWalk | null> {
  if (file.mp4Track) return walkMp4(source, file.mp4Track);
  if (file.matroskaTrack) return walkMatroska(source, file.matroskaTrack, file.readStatedMs);
  return file.container === 'ts' ? walkTransport(source) : null;
}

/**
 * Lists a picture track's packets: from the tables of an index, or all of a small file, else windows spread over the
 * file. The readers for that are ours, because the container reader makes an object of each packet in turn: a hundred
 * times slower over ten minutes of film, and in files without an index it reads what lies between.
 */
export const walkVideoPackets = async (
  track: InputTrack,
  source: CountingByteSource,
  file: WalkedFile,
): Promise<PacketWalk> => (await walkByOurs(source, file)) ?? walkByReader(track, file);
