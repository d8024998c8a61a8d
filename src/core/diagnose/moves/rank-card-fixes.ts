import { type Belief, forecastUnder, gapUnder } from '../../belief';
import { type JobCard, keptFixes } from '../../card';
import { applyFixes, effectKeyOf, type FixAtLevel, type RankedFix, rankFixes } from '../../fixes';
import { statesToTellBy } from './states-to-tell-by';

/**
 * All fixes that can still be made on this card, in the order worth trying by what is believed of it.
 * O(fixes × hypotheses × (clips + samples)).
 */
export function rankCardFixes(card: JobCard, belief: Belief): readonly RankedFix[] {
  const kept = keptFixes(card);
  const withFix = ({ id, level }: FixAtLevel): readonly FixAtLevel[] => [
    ...kept.filter((other) => other.id !== id),
    { id, level },
  ];
  const states = statesToTellBy(belief, kept);
  return rankFixes(applyFixes(belief.base, kept), {
    gapNow: gapUnder(belief, kept).gap,
    gapWith: ({ id }, level) => gapUnder(belief, withFix({ id, level })),
    effectKeyOf: (fix, level) => effectKeyOf(states, fix, level),
    expectOf: ({ id }, level) => {
      const { shownFps, usableProbability } = forecastUnder(belief, withFix({ id, level }));
      return { shownFps, usableProbability: belief.isPrior ? null : usableProbability };
    },
  });
}
