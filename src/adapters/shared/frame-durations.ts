import type { PacketStamp } from '@/core/footage';

/** Gives frames of one run the time until the next one that is shown; the last gets what they last on average. */
export function withDurations(frames: readonly PacketStamp[]): readonly PacketStamp[] {
  const shown = frames.map((frame) => frame.presentationMs).sort((a, b) => a - b);
  const nextOf = new Map(shown.map((ms, i) => [ms, shown[i + 1]]));
  const usualMs = shown.length > 1 ? ((shown.at(-1) ?? 0) - (shown[0] ?? 0)) / (shown.length - 1) : 0;
  return frames.map((frame) => ({
    ...frame,
    durationMs: (nextOf.get(frame.presentationMs) ?? frame.presentationMs + usualMs) - frame.presentationMs,
  }));
}
