import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { resampledIndexes } from './resample';

const weightsArb = fc
  .array(fc.double({ min: 0, max: 10, noNaN: true }), { minLength: 1, maxLength: 40 })
  .filter((weights) => weights.some((weight) => weight > 0.01));

describe('resampledIndexes', () => {
  it('takes each as often as its weight says, to less than one, in rising order', () => {
    fc.assert(
      fc.property(
        weightsArb,
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 0, max: 0.999, noNaN: true }),
        (weights, count, luck) => {
          const indexes = [...resampledIndexes(Float64Array.from(weights), count, luck)];
          expect(indexes).toHaveLength(count);
          expect(indexes).toEqual([...indexes].sort((a, b) => a - b));
          const total = weights.reduce((sum, weight) => sum + weight, 0);
          for (const [i, weight] of weights.entries()) {
            const times = indexes.filter((index) => index === i).length;
            expect(Math.abs(times - (count * weight) / total)).toBeLessThan(1 + 1e-6);
          }
        },
      ),
      propertyRuns,
    );
  });
});
