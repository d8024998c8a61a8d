import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { binomialTail } from './binomial';

describe('binomialTail', () => {
  it('is what counting all outcomes gives', () => {
    // Of three even throws: all eight, seven, four and one of eight outcomes.
    for (const [hits, share] of [1, 0.875, 0.5, 0.125].entries())
      expect(binomialTail(3, hits, 0.5)).toBeCloseTo(share, 12);
    expect(binomialTail(5, 4, 0.1)).toBeCloseTo(5 * 0.1 ** 4 * 0.9 + 0.1 ** 5, 12);
    expect(binomialTail(4, 2, 0)).toBe(0);
    expect(binomialTail(4, 2, 1)).toBe(1);
  });

  it('is a chance, falls with the hits and rises with the chance of each', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.nat(400),
        fc.double({ min: 0, max: 0.99, noNaN: true }),
        (count, of, chance) => {
          const hits = Math.min(count, of);
          const tail = binomialTail(count, hits, chance);
          expect(tail).toBeGreaterThanOrEqual(0);
          expect(tail).toBeLessThanOrEqual(1);
          if (hits < count) expect(binomialTail(count, hits + 1, chance)).toBeLessThanOrEqual(tail + 1e-12);
          expect(binomialTail(count, hits, chance + 0.01)).toBeGreaterThanOrEqual(tail - 1e-9);
        },
      ),
      propertyRuns,
    );
  });
});
