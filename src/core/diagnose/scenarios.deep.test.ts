import { describe, expect, it } from 'vitest';
import { faultsOf } from '../../../tests/scenarios/faults-of';
import { scenarios } from '../../../tests/scenarios/scenarios';

/** More of the same, all of which must pass; of how many of any it is right, `bench:scenarios` says. */
const variants = [3, 4, 6, 7, 8, 10, 11, 13, 14, 15];

describe('what people trip over, in more variants', () => {
  for (const scenario of scenarios)
    it(`${scenario.name}: named, cured by the first plan, and nothing expected of what cannot help`, () => {
      for (const variant of variants) expect(faultsOf(scenario, variant), `variant ${variant}`).toEqual([]);
    });
});
