import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../../tests/arbitrary/setup';
import type { ComponentShares } from '../../belief';
import { entropyOf, ShareHistogram } from './share-histogram';

const sampleCount = 16;
const columnCount = 6;

/** Shares of two causes in one component that holds all the weight; only the figures that a histogram looks at. */
const componentOf = (shares: readonly number[]): ComponentShares => ({
  component: { weight: 1, count: sampleCount } as ComponentShares['component'],
  gaps: new Float64Array(sampleCount).fill(1),
  shares: new Map([
    ['decode-heavy', Float64Array.from(shares)],
    ['effects-heavy', Float64Array.from(shares, (share) => 1 - share)],
  ]),
});
const evenly = new Float64Array(sampleCount).fill(1);

const arbitraryShares = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), {
  minLength: sampleCount,
  maxLength: sampleCount,
});
const arbitraryColumns = fc
  .array(fc.integer({ min: 0, max: columnCount - 1 }), { minLength: sampleCount, maxLength: sampleCount })
  .map((columns) => Int32Array.from(columns));

function histogramOf(shares: readonly number[], columnOf: Int32Array): ShareHistogram {
  const histogram = new ShareHistogram(columnCount);
  histogram.add(componentOf(shares), evenly, columnOf);
  return histogram;
}

describe('a histogram of shares', () => {
  it('tells no more than there is to know, and less once it is blurred', () => {
    fc.assert(
      fc.property(arbitraryShares, arbitraryColumns, (shares, columnOf) => {
        const all = shares.reduce((sum, share) => sum + share, 0) / sampleCount;
        const { bits } = histogramOf(shares, columnOf).tell();
        expect(bits).toBeGreaterThanOrEqual(0);
        expect(bits).toBeLessThanOrEqual(entropyOf([all, 1 - all], 1) + 1e-9);
        expect(histogramOf(shares, columnOf).blurred().tell().bits).toBeLessThanOrEqual(bits + 1e-9);
      }),
      propertyRuns,
    );
  });

  it('tells nothing where all would be read alike, and then is certain', () => {
    fc.assert(
      fc.property(arbitraryShares, fc.integer({ min: 0, max: columnCount - 1 }), (shares, column) => {
        const { bits, certainty } = histogramOf(shares, new Int32Array(sampleCount).fill(column)).tell();
        expect(bits).toBeCloseTo(0, 9);
        expect(certainty).toBeCloseTo(1, 9);
      }),
      propertyRuns,
    );
  });

  it('tells which of two causes it is where each is read by itself', () => {
    const shares = Array.from({ length: sampleCount }, (_, i) => i % 2);
    const columnOf = Int32Array.from(shares, (share) => share * (columnCount - 1));
    expect(histogramOf(shares, columnOf).tell().bits).toBeCloseTo(1, 9);
    // An answer that is given either way at random tells nothing.
    const histogram = new ShareHistogram(2);
    for (const column of [0, 1])
      histogram.add(
        componentOf(shares),
        evenly.map(() => 0.5),
        new Int32Array(sampleCount).fill(column),
      );
    expect(histogram.tell().bits).toBeCloseTo(0, 9);
  });

  it('knows nothing, and is certain of it, where no cause has any share', () => {
    expect(new ShareHistogram(columnCount).tell()).toEqual({ bits: 0, certainty: 1 });
  });
});
