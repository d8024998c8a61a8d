import { describe, expect, it } from 'vitest';
import { compareWithAllSets } from '../../../../tests/scenarios/all-sets';
import { createCase } from '../../simulate/cases';

describe('findPlans, against all sets', () => {
  it('finds the cheapest set there is in at least 95 of 100 small cases', () => {
    const equal = Array.from({ length: 100 }, (_, i) => compareWithAllSets(createCase(1 + i).card)).filter(
      ({ found, best }) => found === best || Math.abs(found - best) < 1e-9,
    );
    expect(equal.length).toBeGreaterThanOrEqual(95);
  });
});
