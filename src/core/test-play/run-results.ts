import { percentileOfSorted } from '../numbers/percentile';
import type { DecodeRun, ScrubRun } from './types';

/**
 * Rate and dropped frames of a run, from the times at which decoded frames came out. The rate is from the first frame
 * to the last, so that the decoder's start does not count. Dropped is the largest backlog against a viewer who shows
 * the clip at its own rate from the first frame on.
 *
 * @param source.frameAtMs times in order; two at least, else the rate is 0
 * @param source.clipFps the clip's own rate
 */
export function computeDecodeRate(source: {
  readonly frameAtMs: readonly number[];
  readonly clipFps: number;
}): Pick<DecodeRun, 'frameCount' | 'elapsedMs' | 'decodedFps' | 'droppedCount'> {
  const { frameAtMs, clipFps } = source;
  const firstMs = frameAtMs[0] ?? 0;
  const elapsedMs = Math.max(0, (frameAtMs.at(-1) ?? 0) - firstMs);
  let droppedCount = 0;
  frameAtMs.forEach((atMs, i) => {
    const dueCount = Math.floor(((atMs - firstMs) * clipFps) / 1000);
    droppedCount = Math.max(droppedCount, dueCount - i);
  });
  const frameCount = frameAtMs.length;
  return {
    frameCount,
    elapsedMs,
    decodedFps: frameCount > 1 && elapsedMs > 0 ? ((frameCount - 1) * 1000) / elapsedMs : 0,
    droppedCount,
  };
}

/** Middle and slowest tenth of the waits of single jumps; null without any. */
export function computeScrubRun(waitsMs: readonly number[]): ScrubRun | null {
  if (waitsMs.length === 0) return null;
  const sorted = [...waitsMs].sort((a, b) => a - b);
  return {
    jumpCount: sorted.length,
    medianMs: percentileOfSorted(sorted, 0.5),
    slowestTenthMs: percentileOfSorted(sorted, 0.9),
  };
}
