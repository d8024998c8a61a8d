import { type EncodedPacket, EncodedPacketSink, type InputTrack } from 'mediabunny';
import type { PacketStamp, SoundFormat } from '@/core/footage';
import { type CountingByteSource, ReadBudgetExceededError } from './byte-source';
import type { MatroskaOutline } from './matroska-outline';
import { readMatroskaWindows } from './matroska-windows';
import { readTransportWindows } from './transport-windows';

/** Packets kept for one file: a two-hour film at 25 frames a second fits; longer ones are told from their beginning. */
const mostPackets = 200_000;
/** Files up to this size are walked whole, also where walking packets reads media data. */
const wholeFileBytes = 16 * 1024 * 1024;
/** Where windows of larger ones begin, as shares of the file's size. */
const windowPlaces = [0, 0.25, 0.5, 0.75, 1] as const;
/** Of Matroska only block headers are read: ten seconds of frames, which most distances between key frames are below. */
const matroskaWindowFrames = 260;

/** Packets of one track: all of them, or windows of them. */
export interface PacketWalk {
  readonly windows: readonly (readonly PacketStamp[])[];
  readonly isWhole: boolean;
  /** The track's length as stated, or as the windows show it. */
  readonly durationMs: number;
  /** Bits a second of everything else in the file, where that was counted; else 0. */
  readonly otherBitPerSec: number;
}

/** What is known of the file before its packets are listed. */
export interface WalkedFile {
  readonly container: SoundFormat;
  readonly matroska: MatroskaOutline | null;
  readonly statedDurationMs: number;
}

const toStamp = (packet: EncodedPacket): PacketStamp => ({
  presentationMs: packet.timestamp * 1000,
  durationMs: packet.duration * 1000,
  sizeBytes: packet.byteLength,
  isKey: packet.type === 'key',
});

/** Whether the reader gave up because the byte source did. */
export const isBudgetError = (error: unknown): boolean =>
  error instanceof ReadBudgetExceededError ||
  (error instanceof Error && error.cause instanceof ReadBudgetExceededError);

/** Every packet, by the reader. */
async function walkWhole(track: InputTrack, statedDurationMs: number): Promise<PacketWalk> {
  const packets: PacketStamp[] = [];
  for await (const packet of new EncodedPacketSink(track).packets(undefined, undefined, { metadataOnly: true })) {
    packets.push(toStamp(packet));
    if (packets.length >= mostPackets)
      return { windows: [packets], isWhole: false, durationMs: statedDurationMs, otherBitPerSec: 0 };
  }
  return { windows: [packets], isWhole: true, durationMs: statedDurationMs, otherBitPerSec: 0 };
}

/** From the first frame of the first window to the end of the last one. */
function spannedMs(windows: PacketWalk['windows']): number {
  const frames = windows.flat();
  const startMs = frames.reduce((least, frame) => Math.min(least, frame.presentationMs), Number.POSITIVE_INFINITY);
  const endMs = frames.reduce((most, frame) => Math.max(most, frame.presentationMs + frame.durationMs), 0);
  return frames.length > 0 ? endMs - startMs : 0;
}

/**
 * Lists a picture track's packets: all of them where an index has them or the file is small, else windows spread
 * over the file, by readers of our own that need a bounded number of bytes wherever the file is cut into.
 */
export async function walkVideoPackets(
  track: InputTrack,
  source: CountingByteSource,
  { container, matroska, statedDurationMs }: WalkedFile,
): Promise<PacketWalk> {
  const isLarge = source.sizeBytes > wholeFileBytes;
  if (isLarge && container === 'ts') {
    const windows = await readTransportWindows(source, windowPlaces);
    if (windows && windows.length > 0)
      return { windows, isWhole: false, durationMs: spannedMs(windows), otherBitPerSec: 0 };
  }
  if (isLarge && matroska) {
    const { windows, otherBitPerSec } = await readMatroskaWindows(source, matroska, windowPlaces, matroskaWindowFrames);
    const durationMs = statedDurationMs > 0 ? statedDurationMs : spannedMs(windows);
    if (windows.length > 0) return { windows, isWhole: false, durationMs, otherBitPerSec };
  }
  return walkWhole(track, statedDurationMs);
}
