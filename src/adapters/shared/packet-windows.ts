import { type EncodedPacket, EncodedPacketSink, type InputTrack } from 'mediabunny';
import type { PacketStamp } from '@/core/footage';
import { type CountingByteSource, ReadBudgetExceededError, readBudgetBytes } from './byte-source';

/** Packets kept for one file: a two-hour film at 25 frames a second fits; longer ones are told from windows. */
const mostPackets = 200_000;
/** Files up to this size are walked whole, also where walking packets reads media data. */
const wholeFileBytes = 16 * 1024 * 1024;
/** Larger ones without an index of packets: this much from the start, then windows spread over the rest. */
const firstWindowBytes = 6 * 1024 * 1024;
const laterWindowBytes = 1.5 * 1024 * 1024;
const laterWindowPackets = 2000;
/** Where the later windows begin, as shares of the length. */
const windowPlaces = [0.2, 0.4, 0.6, 0.8, 0.95] as const;
/** However few bytes: a window this long is enough to learn a rate from. */
const leastPackets = 24;

/** Packets of one track: all of them, or windows of them. */
export interface PacketWalk {
  readonly windows: readonly (readonly PacketStamp[])[];
  readonly isWhole: boolean;
}

interface Limits {
  readonly maxBytes: number;
  readonly maxPackets: number;
  readonly untilMs?: number;
}

const toStamp = (packet: EncodedPacket): PacketStamp => ({
  presentationMs: packet.timestamp * 1000,
  durationMs: packet.duration * 1000,
  sizeBytes: packet.byteLength,
  isKey: packet.type === 'key',
});

const metadataOnly = { metadataOnly: true } as const;

/** One run of packets from `start` on, until the end or a limit. */
async function walkFrom(
  sink: EncodedPacketSink,
  source: CountingByteSource,
  start: EncodedPacket | undefined,
  limits: Limits,
): Promise<{ readonly packets: readonly PacketStamp[]; readonly isAtEnd: boolean }> {
  const startBytes = source.bytesRead();
  const packets: PacketStamp[] = [];
  for await (const packet of sink.packets(start, undefined, metadataOnly)) {
    packets.push(toStamp(packet));
    const isOverBytes = source.bytesRead() - startBytes > limits.maxBytes && packets.length >= leastPackets;
    const isOverTime = limits.untilMs !== undefined && packet.timestamp * 1000 > limits.untilMs;
    if (packets.length >= limits.maxPackets || isOverBytes || isOverTime) return { packets, isAtEnd: false };
  }
  return { packets, isAtEnd: true };
}

/** Windows spread over the file, as many as the read budget allows. */
async function walkLaterWindows(
  sink: EncodedPacketSink,
  source: CountingByteSource,
  range: { readonly firstMs: number; readonly durationMs: number },
): Promise<readonly (readonly PacketStamp[])[]> {
  const windows: (readonly PacketStamp[])[] = [];
  const limits = { maxBytes: laterWindowBytes, maxPackets: laterWindowPackets };
  try {
    for (const place of windowPlaces) {
      const start = await sink.getPacket((range.firstMs + place * range.durationMs) / 1000, metadataOnly);
      if (start) windows.push((await walkFrom(sink, source, start, limits)).packets);
    }
  } catch (error) {
    // Seeking can be dear where a file has no index; what was read until then is the sample.
    if (!isBudgetError(error)) throw error;
  }
  return windows;
}

/** Whether the reader gave up because the byte source did. */
export const isBudgetError = (error: unknown): boolean =>
  error instanceof ReadBudgetExceededError ||
  (error instanceof Error && error.cause instanceof ReadBudgetExceededError);

/** End of the last packet after `firstMs`, for containers that state no length. */
async function findEndMs(sink: EncodedPacketSink): Promise<number> {
  const last = await sink.getPacket(Number.POSITIVE_INFINITY, metadataOnly);
  return last ? (last.timestamp + last.duration) * 1000 : 0;
}

/**
 * Lists a picture track's packets: all of them where an index has them or the file is small, else windows spread
 * over the file, and where the track ends.
 */
export async function walkVideoPackets(
  track: InputTrack,
  source: CountingByteSource,
  file: { readonly hasPacketIndex: boolean; readonly statedDurationMs: number },
): Promise<PacketWalk & { readonly durationMs: number }> {
  const sink = new EncodedPacketSink(track);
  const isRead = file.hasPacketIndex || source.sizeBytes <= wholeFileBytes;
  const first = await walkFrom(sink, source, undefined, {
    maxBytes: isRead ? readBudgetBytes : firstWindowBytes,
    maxPackets: mostPackets,
  });
  if (first.isAtEnd) return { windows: [first.packets], isWhole: true, durationMs: file.statedDurationMs };
  const firstMs = first.packets[0]?.presentationMs ?? 0;
  const durationMs = file.statedDurationMs > 0 ? file.statedDurationMs : (await findEndMs(sink)) - firstMs;
  const later = await walkLaterWindows(sink, source, { firstMs, durationMs });
  return { windows: [first.packets, ...later], isWhole: false, durationMs };
}

/** Bits a second of the sound beside the first window of the picture; its packets lie in what was just read. */
export async function sampleAudioBitRate(
  track: InputTrack | null,
  source: CountingByteSource,
  video: PacketWalk,
): Promise<number> {
  const untilMs = video.windows[0]?.at(-1)?.presentationMs ?? 0;
  if (!track || video.isWhole || untilMs <= 0) return 0;
  const limits = { maxBytes: firstWindowBytes / 2, maxPackets: mostPackets, untilMs };
  const { packets } = await walkFrom(new EncodedPacketSink(track), source, undefined, limits);
  const lastMs = packets.at(-1)?.presentationMs ?? 0;
  return lastMs > 0 ? (packets.reduce((sum, packet) => sum + packet.sizeBytes, 0) * 8000) / lastMs : 0;
}
