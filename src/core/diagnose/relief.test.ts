import { describe, expect, it } from 'vitest';
import { believe, gapUnder } from '../belief';
import { isGeneralRemedy } from '../fixes';
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

  it('ends with what helps now and then, the quickest first, where nothing is expected to help', () => {
    const { card } = createCase(2);
    const belief = believe(card, { sampleCount: 400 });
    const before = gapUnder(belief, []).gap;
    const idle = listCandidates(card, belief, []).filter(
      ({ id, level }) => gapUnder(belief, [{ id, level }]).gap > 0.95 * before,
    );
    const relief = findRelief(belief, [], idle);
    const general = idle.filter(({ id }) => isGeneralRemedy(id));
    expect(general.length).toBeGreaterThan(1);
    expect(relief?.closedRatio).toBeNull();
    expect(relief?.minutes).toBe(Math.min(...general.map(({ minutes }) => minutes)));
  });
});
