import { groups } from 'd3-array';
import { leastGain, type RankedFix } from './rank-fixes';

/** Fixes that come to the very same, as one entry: the best of them, and the other ways to it. */
export interface FixGroupOfEffect {
  readonly first: RankedFix;
  readonly others: readonly RankedFix[];
}

/** Fixes in their order, those with one effect together; what brings nothing stands by itself, because nothing is no effect to share. */
export function groupByEffect(ranked: readonly RankedFix[]): readonly FixGroupOfEffect[] {
  const ofOneEffect = groups(ranked, (fix) => (fix.gain >= leastGain ? fix.effectKey : fix.id));
  return ofOneEffect.flatMap(([, [first, ...others]]) => (first ? [{ first, others }] : []));
}
