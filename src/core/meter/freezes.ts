/** An interval is a freeze over so many deadlines, and over so many milliseconds; times of frames are off by a little. */
const freeze = { deadlines: 2.5, ms: 100, slackMs: 0.5 } as const;

/** Whether an interval between new pictures is a freeze: over 100 ms and over two and a half deadlines. */
export const isFreeze = (intervalMs: number, deadlineMs: number): boolean =>
  intervalMs - freeze.slackMs > Math.max(freeze.ms, freeze.deadlines * deadlineMs);

/** How many intervals between new pictures are freezes. */
export const countFreezes = (intervalsMs: readonly number[], deadlineMs: number): number =>
  intervalsMs.filter((ms) => isFreeze(ms, deadlineMs)).length;
