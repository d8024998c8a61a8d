import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { believe, gapUnder } from '../belief';
import { applyFixes, findFix } from '../fixes';
import { createCase } from '../simulate/cases';
import { type Candidate, excludeEachOther, listCandidates } from './candidates';
import { findPlans, type Plan, planCost, planProbability } from './plan';

const options = { sampleCount: 400 };
const cardsOf = (first: number, count: number) => Array.from({ length: count }, (_, i) => createCase(first + i).card);

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

describe('findPlans', () => {
  it('finds the cheapest set there is in at least 95 of 100 small cases', { timeout: 240_000 }, () => {
    let equal = 0;
    for (const card of cardsOf(1, 100)) {
      const belief = believe(card, options);
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
      const found = plan && plan.id === 'quickest' ? planCost('quickest', state, plan.fixes) : Number.POSITIVE_INFINITY;
      if (found === best || Math.abs(found - best) < 1e-9) equal++;
    }
    expect(equal).toBeGreaterThanOrEqual(95);
  });

  it('finds nothing dearer where there is one more to choose from', { timeout: 60_000 }, async () => {
    for (const card of await loadDemoCards()) {
      const belief = believe(card);
      const state = applyFixes(belief.base, []);
      const costOf = ([plan]: readonly Plan[]): number =>
        plan?.id === 'quickest' ? planCost('quickest', state, plan.fixes) : Number.POSITIVE_INFINITY;
      const all = listCandidates(card, belief, []).filter(({ id }) => id !== 'bake-section');
      const bake = findFix('bake-section');
      if (!bake) throw new Error('no fix bake-section');
      // It closes much for many minutes.
      const baking: Candidate = { fix: bake, id: bake.id, level: null, minutes: bake.effortMinutes(state, null) };
      expect(costOf(findPlans(belief, [], [...all, baking])), card.id).toBeLessThanOrEqual(
        costOf(findPlans(belief, [], all)) + 1e-9,
      );
    }
  });

  it('plans only with fixes that are needed, and that may stand together', () => {
    for (const card of cardsOf(201, 12)) {
      const belief = believe(card, options);
      for (const plan of findPlans(belief, [], listCandidates(card, belief, []))) {
        expect(plan.probability).toBeGreaterThanOrEqual(planProbability - 0.05);
        expect(plan.fixes.length).toBeLessThanOrEqual(5);
        for (const fix of plan.fixes) {
          const others = plan.fixes.filter((other) => other !== fix);
          expect(gapUnder(belief, others).usableProbability).toBeLessThan(plan.probability);
          for (const other of others) {
            const [a, b] = [findFix(fix.id), findFix(other.id)];
            expect(a && b && excludeEachOther(a, b)).toBe(false);
          }
        }
      }
    }
  });

  it('never plans to buy anything', async () => {
    for (const card of await loadDemoCards()) {
      const belief = believe(card, options);
      for (const { fixes } of findPlans(belief, [], listCandidates(card, belief, [])))
        for (const { id } of fixes) expect(findFix(id)?.group).not.toBe('upgrades');
    }
  });
});
