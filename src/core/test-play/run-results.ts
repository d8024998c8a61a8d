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
/**
 * A piece that takes less than so many times what it takes out of memory may have lain in it. Browsers read and pass on
 * by turns: a drive of 720 megabytes a second came at 285, memory at 390 (Chromium, measured 2026-11-28).
 */
const leastDriveTimes = 1.5;
/** Of a file that lies partly in memory, so many pieces must have come off the drive. */
const leastDriveRatio = 0.25;
const leastDrivePieces = 3;

/** A piece of a file, and how long it took. */
export interface ReadPiece {
  readonly bytes: number;
  readonly elapsedMs: number;
}

const msOfMegabyte = ({ bytes, elapsedMs }: ReadPiece): number => (Math.max(elapsedMs, 0.1) * 1e6) / bytes;

/** Small pieces that waited less than so many times what they wait out of memory may have lain in it. */
const leastSmallTimes = 2;
/** What a browser's clocks and the way through it make of a wait that is none, in milliseconds. */
const leastSmallMs = 0.3;

/**
 * How long a small piece from anywhere in a file waits for its drive: the middle of the waits, less what the same takes out of
 * memory. Null where it is not told from memory. This is what a jump of the playhead waits before anything is decoded.
 *
 * @param again the same pieces once more, out of memory
 */
export function computeSmallPieceMs(pieces: readonly ReadPiece[], again: readonly ReadPiece[]): number | null {
  if (pieces.length === 0 || again.length === 0) return null;
  const [waitMs, memoryMs] = [pieces, again].map((list) => medianOf(list.map(({ elapsedMs }) => elapsedMs)));
  if (waitMs === undefined || memoryMs === undefined) return null;
  return waitMs > Math.max(leastSmallTimes * memoryMs, memoryMs + leastSmallMs) ? waitMs - memoryMs : null;
}

/**
 * How quickly a file came off its drive, from its single pieces. Those that came as quickly as out of memory may have
 * lain in it: where enough others did not, those alone count, else it is a lower bound. Null without any.
 *
 * @param again pieces that were read a second time, out of memory
 */
export function computeFileRead(
  pieces: readonly ReadPiece[],
  again: readonly ReadPiece[],
): Omit<FileRead, 'smallPieceMs'> | null {
  if (pieces.length === 0 || again.length === 0) return null;
  const memoryMs = medianOf(again.map(msOfMegabyte));
  // What is slower than memory by so little is not told from it.
  const leastMs = Math.max(1000 / mostToldMegabytePerSec, (leastDriveTimes - 1) * memoryMs);
  const driveMs = pieces.map((piece) => msOfMegabyte(piece) - memoryMs).filter((ms) => ms > leastMs);
  // Of a drive so slow that few pieces were waited for, all must have come off it.
  const neededCount = Math.max(Math.min(leastDrivePieces, pieces.length), leastDriveRatio * pieces.length);
  const isAtLeast = driveMs.length < neededCount;
  return { megabytePerSec: 1000 / (isAtLeast ? leastMs : medianOf(driveMs)), isAtLeast };
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
