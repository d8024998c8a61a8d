import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { sizeEvennessOf } from './size-evenness';

describe('sizeEvennessOf', () => {
  it('is 1 where all are alike, and less the more lies in a few', () => {
    expect(sizeEvennessOf([500, 500, 500])).toBeCloseTo(1, 12);
    expect(sizeEvennessOf([900, 0, 0])).toBeCloseTo(1 / Math.sqrt(3), 12);
    expect(sizeEvennessOf([900, 100, 100])).toBeCloseTo(50 / Math.sqrt(3 * 1100), 12);
  });

  it('is between 0 and 1 for any sizes, the same for all twice as large, and nothing where there are none', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 1e8 }), { minLength: 1, maxLength: 50 }), (sizes) => {
        fc.pre(sizes.some((size) => size > 0));
        const evenness = sizeEvennessOf(sizes);
        expect(evenness).toBeGreaterThan(0);
        expect(evenness).toBeLessThanOrEqual(1);
        expect(sizeEvennessOf(sizes.map((size) => 2 * size))).toBeCloseTo(evenness ?? 0, 9);
      }),
      propertyRuns,
    );
    expect(sizeEvennessOf([])).toBeNull();
    expect(sizeEvennessOf([0])).toBeNull();
    expect(sizeEvennessOf([0, 0, 0])).toBeNull();
  });
});
