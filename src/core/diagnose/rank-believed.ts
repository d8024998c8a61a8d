import { type Belief, forecastUnder, gapUnder } from '../belief';
import { type JobCard, keptFixes } from '../card';
import { applyFixes, type FixAtLevel, type RankedFix, rankFixesBy } from '../fixes';

/**
 * All fixes that can still be made on this card, in the order worth trying by what its readings and answers leave likely.
 * O(fixes × hypotheses × (clips + samples)).
 */
export function rankBelievedFixes(card: JobCard, belief: Belief): readonly RankedFix[] {
  const kept = keptFixes(card);
  const withFix = ({ id, level }: FixAtLevel): readonly FixAtLevel[] => [
    ...kept.filter((other) => other.id !== id),
    { id, level },
  ];
  return rankFixesBy(applyFixes(belief.base, kept), {
    gapNow: gapUnder(belief, kept).gap,
    gapWith: ({ id }, level) => gapUnder(belief, withFix({ id, level })).gap,
    expectOf: ({ id }, level) => forecastUnder(belief, withFix({ id, level })),
  });
}
