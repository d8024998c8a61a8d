import { medianOf } from '../numbers/percentile';

/** A freeze lasts over so many of the reading's own usual intervals, and over so many milliseconds; times of frames are off by a little. */
const freeze = { usualIntervals: 2.5, ms: 250, slackMs: 0.5 } as const;

const isFreeze = (intervalMs: number, usualMs: number): boolean =>
  intervalMs - freeze.slackMs > Math.max(freeze.ms, freeze.usualIntervals * usualMs);

/**
 * How many intervals between new pictures are freezes: over 250 ms, and over two and a half of the usual one. A preview that
 * is slow all the time does not freeze. No intervals, no freezes.
 */
export function countFreezes(intervalsMs: readonly number[]): number {
  if (intervalsMs.length === 0) return 0;
  const usualMs = medianOf(intervalsMs);
  return intervalsMs.filter((ms) => isFreeze(ms, usualMs)).length;
}

/** What is shown between freezes, new pictures a second. */
export function rateBetweenFreezes(intervalsMs: readonly number[]): number {
  const usualMs = medianOf(intervalsMs);
  const between = intervalsMs.filter((ms) => !isFreeze(ms, usualMs));
  return (1000 * between.length) / between.reduce((sum, ms) => sum + ms, 0);
}
