import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { compareWithAllSets, planOptions as options } from '../../../../tests/scenarios/all-sets';
import { gapUnder, inferPosterior } from '../../belief';
import { applyFixes, findFix } from '../../fixes';
import { createCase } from '../../simulate/cases';
import { type Candidate, excludeEachOther, listCandidates } from '../moves/candidates';
import { findPlans, type Plan, planCost, planProbability } from './plan';

const cardsOf = (first: number, count: number) => Array.from({ length: count }, (_, i) => createCase(first + i).card);

describe('findPlans', () => {
  it('finds the cheapest set there is in small cases', () => {
    for (const card of cardsOf(1, 8)) {
      const { found, best } = compareWithAllSets(card);
      expect(found, card.id).toBeCloseTo(best, 9);
    }
  });

  it('finds nothing dearer where there is one more to choose from', async () => {
    for (const card of await loadDemoCards()) {
      const belief = inferPosterior(card);
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
    for (const card of cardsOf(201, 6)) {
      const belief = inferPosterior(card, options);
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
      const belief = inferPosterior(card, options);
      for (const { fixes } of findPlans(belief, [], listCandidates(card, belief, [])))
        for (const { id } of fixes) expect(findFix(id)?.group).not.toBe('upgrades');
    }
  });
});
