import { gapUnder, inferPosterior } from '@/core/belief';
import type { JobCard } from '@/core/card';
import { type Candidate, excludeEachOther, listCandidates } from '@/core/diagnose/moves/candidates';
import { findPlans, planCost, planProbability } from '@/core/diagnose/plan/plan';
import { applyFixes } from '@/core/fixes';

export const planOptions = { sampleCount: 400 };

/** All sets of at most three of the candidates that may stand together. */
function listSets(candidates: readonly Candidate[]): readonly (readonly Candidate[])[] {
  const grow = (sets: readonly (readonly Candidate[])[]): readonly (readonly Candidate[])[] =>
    sets.flatMap((set) =>
      candidates
        .filter((next) => set.length === 0 || candidates.indexOf(next) > candidates.indexOf(set.at(-1) as Candidate))
        .filter((next) => set.every((held) => !excludeEachOther(held.fix, next.fix)))
        .map((next) => [...set, next]),
    );
  const ones = grow([[]]);
  const twos = grow(ones);
  return [...ones, ...twos, ...grow(twos)];
}

/** What the quickest plan costs that is found on a card, and what the cheapest of all sets costs; infinite where there is none. */
export function compareWithAllSets(card: JobCard): { readonly found: number; readonly best: number } {
  const belief = inferPosterior(card, planOptions);
  const state = applyFixes(belief.base, []);
  const before = gapUnder(belief, []).gap;
  const small = listCandidates(card, belief, [])
    .map((candidate) => ({ candidate, gain: before - gapUnder(belief, [candidate]).gap }))
    .sort((a, b) => b.gain - a.gain)
    .slice(0, 6)
    .map(({ candidate }) => candidate);
  const [plan] = findPlans(belief, [], small, { mostFixes: 3 });
  const best = listSets(small)
    .filter((set) => gapUnder(belief, set).usableProbability >= planProbability)
    .map((set) => planCost('quickest', state, set))
    .reduce((least, cost) => Math.min(least, cost), Number.POSITIVE_INFINITY);
  const found = plan?.id === 'quickest' ? planCost('quickest', state, plan.fixes) : Number.POSITIVE_INFINITY;
  return { found, best };
}
