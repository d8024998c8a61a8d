import type { Reading, ScrubFeel } from './types';

/** What a trial's two readings speak for. */
export type TrialAdvice = 'keep' | 'undo' | 'no-clear-change';

const feelRank: Readonly<Record<ScrubFeel, number>> = { unusable: 0, jumpy: 1, fine: 2 };

/** Typed rates repeat to about this share (MODEL.md, section 2: typed 0.15 in logarithms, two readings of one person less). */
export const leastClearRatio = 1.1;

/**
 * Better in one respect and worse in none: keep. Worse in any: undo. Otherwise no clear change, and undoing is
 * the default, because every kept change costs something.
 */
export function adviseTrial(before: Reading, after: Reading): TrialAdvice {
  const rateRatio =
    before.shownFps !== null && after.shownFps !== null
      ? Math.max(after.shownFps, 0.1) / Math.max(before.shownFps, 0.1)
      : 1;
  const feelChange =
    before.scrubFeel !== null && after.scrubFeel !== null ? feelRank[after.scrubFeel] - feelRank[before.scrubFeel] : 0;
  if (rateRatio <= 1 / leastClearRatio || feelChange < 0) return 'undo';
  if (rateRatio >= leastClearRatio || feelChange > 0) return 'keep';
  return 'no-clear-change';
}
