import { medianOf } from '../numbers/percentile';

/** An interval is a freeze over so many deadlines, and over so many milliseconds; times of frames are off by a little. */
const freeze = { deadlines: 2.5, ms: 100, slackMs: 0.5 } as const;

/** Whether an interval between new pictures is a freeze: over 100 ms and over two and a half deadlines. */
const isFreeze = (intervalMs: number, deadlineMs: number): boolean =>
  intervalMs - freeze.slackMs > Math.max(freeze.ms, freeze.deadlines * deadlineMs);

/** How many intervals between new pictures are freezes. */
export const countFreezes = (intervalsMs: readonly number[], deadlineMs: number): number =>
  intervalsMs.filter((ms) => isFreeze(ms, deadlineMs)).length;

/** What is shown between freezes, new pictures a second; the middle interval is what freezes are told by here. */
export function rateBetweenFreezes(intervalsMs: readonly number[]): number {
  const usualMs = medianOf(intervalsMs);
  const between = intervalsMs.filter((ms) => !isFreeze(ms, usualMs));
  return (1000 * between.length) / between.reduce((sum, ms) => sum + ms, 0);
}
