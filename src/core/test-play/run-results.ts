import { medianOf, percentileOfSorted } from '../numbers/percentile';
import type { DecodeRun, FileRead, ScrubRun } from './types';

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

/**
 * At this rate a file comes off a solid-state drive, or out of memory: nothing here tells the two apart, and no preview
 * waits for either. Megabytes a second.
 */
export const mostToldMegabytePerSec = 350;

/** Of a file that lies partly in memory, so many pieces must have come off the drive. */
const leastDriveRatio = 0.25;
const leastDrivePieces = 3;

/**
 * How quickly a file came, from its single pieces. Pieces that came quicker than drives can be told apart may have lain
 * in memory: where enough others did not, those alone count. Null without any.
 */
export function computeFileRead(
  pieces: readonly { readonly bytes: number; readonly elapsedMs: number }[],
): FileRead | null {
  if (pieces.length === 0) return null;
  const rates = pieces.map(({ bytes, elapsedMs }) => bytes / 1000 / Math.max(elapsedMs, 0.1));
  const offDrive = rates.filter((rate) => rate < mostToldMegabytePerSec);
  const isOffDrive = offDrive.length >= Math.max(leastDrivePieces, leastDriveRatio * rates.length);
  return {
    pieceCount: pieces.length,
    megabyteCount: pieces.reduce((sum, { bytes }) => sum + bytes, 0) / 1e6,
    megabytePerSec: medianOf(isOffDrive ? offDrive : rates),
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
