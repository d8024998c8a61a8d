import type { PacketStamp } from '@/core/footage';

/**
 * Gives each frame of one run what they last on average, for containers that state no durations. What is concluded
 * from durations is their sum and the end of the last one, and for those the average is exact.
 */
export function withDurations(frames: readonly PacketStamp[]): readonly PacketStamp[] {
  let first = Number.POSITIVE_INFINITY;
  let last = Number.NEGATIVE_INFINITY;
  for (const { presentationMs } of frames) {
    if (presentationMs < first) first = presentationMs;
    if (presentationMs > last) last = presentationMs;
  }
  const durationMs = frames.length > 1 ? (last - first) / (frames.length - 1) : 0;
  return frames.map((frame) => ({ ...frame, durationMs }));
}
