import type { Belief } from '../../belief';
import { type FixUse, isSameFix, type JobCard } from '../../card';
import { leastGain, type RankedFix, totalSacrifice } from '../../fixes';
import { createRefusal, isTooEarly } from './candidates';
import { rankCardFixes } from './rank-card-fixes';

/** A fix that by the same figures would do more than the one that is offered, and in what it is dearer. */
export interface Stronger {
  readonly fix: RankedFix;
  readonly moreMinutes: number;
  readonly isGivingUpMore: boolean;
}

/** Smaller differences than these are not read off the page. */
const leastMoreProbability = 0.1;
const leastMoreMinutes = 2;
const leastMoreSacrifice = 0.05;

/**
 * The fix in reach that is clearly likelier to make the preview usable than the one that is offered first, or null where none
 * is. O(fixes × hypotheses × (clips + samples)).
 */
export function findStronger(card: JobCard, belief: Belief, offered: FixUse): Stronger | null {
  const isRefused = createRefusal(card);
  const ranked = rankCardFixes(card, belief);
  const own = ranked.find((fix) => isSameFix(fix, offered)) ?? ranked.find(({ id }) => id === offered.id);
  const ownProbability = own?.after.usableProbability ?? null;
  if (!own || ownProbability === null) return null;
  const stronger = ranked
    .filter((fix) => fix.gain >= leastGain && !isRefused(fix) && !isTooEarly(card, fix.id) && fix.id !== own.id)
    .filter(({ after }) => (after.usableProbability ?? 0) >= ownProbability + leastMoreProbability)
    .sort((a, b) => (b.after.usableProbability ?? 0) - (a.after.usableProbability ?? 0))[0];
  if (!stronger) return null;
  return {
    fix: stronger,
    moreMinutes: Math.max(0, stronger.effortMinutes - own.effortMinutes),
    isGivingUpMore: totalSacrifice(stronger.sacrifice) > totalSacrifice(own.sacrifice) + leastMoreSacrifice,
  };
}

/** Whether a stronger fix takes clearly longer. */
export const takesLonger = ({ moreMinutes }: Stronger): boolean => moreMinutes >= leastMoreMinutes;
