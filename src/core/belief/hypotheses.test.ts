import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { isOpenEnd, type PriorFacts } from '../causes';
import { listHypotheses } from './hypotheses';

const known = fc.constantFrom('yes' as const, 'no' as const, 'unknown' as const);
const facts: fc.Arbitrary<PriorFacts> = fc.record({
  isPluggedIn: known,
  isUpToDate: known,
  wasRestarted: known,
  isBuilding: known,
  isSourcePanelOpen: known,
  isSystemDriveStated: fc.boolean(),
  isFootageDriveStated: fc.boolean(),
  isMemoryStated: fc.boolean(),
});

describe('listHypotheses', () => {
  it('gives each set of faults once, with odds that add up to one', () => {
    fc.assert(
      fc.property(arbitraryState, facts, (state, said) => {
        const hypotheses = listHypotheses(state, said);
        expect(new Set(hypotheses.map(({ key }) => key)).size).toBe(hypotheses.length);
        expect(hypotheses.reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1, 9);
        expect(hypotheses.every(({ prior }) => prior > 0)).toBe(true);
      }),
      propertyRuns,
    );
  });

  it('supposes nothing at first, and never two faults of one cause', () => {
    fc.assert(
      fc.property(arbitraryState, facts, (state, said) => {
        const hypotheses = listHypotheses(state, said);
        expect(hypotheses[0]).toMatchObject({ key: 'none', causeIds: [], state });
        expect(hypotheses.every(({ causeIds }) => new Set(causeIds).size === causeIds.length)).toBe(true);
        expect(Math.max(...hypotheses.map(({ causeIds }) => causeIds.length))).toBe(2);
      }),
      propertyRuns,
    );
  });

  it('leaves room for what nothing here explains, and takes two faults for rarer than either', () => {
    fc.assert(
      fc.property(arbitraryState, facts, (state, said) => {
        const hypotheses = listHypotheses(state, said);
        expect(hypotheses.some(({ causeIds }) => causeIds.some(isOpenEnd))).toBe(true);
        const single = new Map(hypotheses.filter(({ causeIds }) => causeIds.length === 1).map((h) => [h.key, h.prior]));
        const none = hypotheses[0]?.prior ?? 0;
        const isRarer = hypotheses
          .filter(({ causeIds }) => causeIds.length === 2)
          .every(({ key, prior }) => {
            const [a = 0, b = 0] = key.split('+').map((one) => (single.get(one) ?? 0) / none);
            return prior / none <= 0.5 * a * b * (1 + 1e-9);
          });
        expect(isRarer).toBe(true);
      }),
      propertyRuns,
    );
  });
});
