import { describe, expect, it } from 'vitest';
import { believe, gapUnder } from '../belief';
import { createCase } from '../simulate/cases';
import { listCandidates } from './candidates';
import { findRelief } from './relief';

describe('findRelief', () => {
  it('names the share of the gap that its fix closes, and nothing where there is nothing to try', () => {
    for (const seed of [2, 7, 12]) {
      const { card } = createCase(seed);
      const belief = believe(card, { sampleCount: 400 });
      const candidates = listCandidates(card, belief, []);
      const relief = findRelief(belief, [], candidates);
      if (!relief) throw new Error(`no relief in case ${seed}`);
      const after = gapUnder(belief, [relief.fix]).gap / gapUnder(belief, []).gap;
      expect(relief.closedRatio).toBeCloseTo(1 - after, 9);
      expect(relief.closedRatio).toBeGreaterThan(0.05);
      expect(findRelief(belief, [], [])).toBeNull();
    }
  });
});
