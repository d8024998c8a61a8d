import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { scaleIntervals } from './interval-scale';

describe('scaleIntervals', () => {
  it('is not stretched by one long stop, and says how long that was', () => {
    const intervals = [...Array.from({ length: 200 }, () => 40), 4000];
    const scale = scaleIntervals(intervals, 40);
    expect(scale).toMatchObject({ usualMs: 40, overCount: 1, longestMs: 4000 });
    expect(scale.topMs).toBeLessThan(200);
  });

  it('shows all where nothing stands out, and three deadlines at least', () => {
    expect(scaleIntervals([80, 90, 120, 100], 40)).toMatchObject({ overCount: 0, topMs: 120 });
    expect(scaleIntervals([], 40).topMs).toBe(120);
  });

  it('counts what is over the edge, and leaves at most one in twenty out', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 5000, noNaN: true }), { minLength: 1, maxLength: 60 }),
        fc.double({ min: 4, max: 100, noNaN: true }),
        (intervals, deadlineMs) => {
          const { topMs, overCount } = scaleIntervals(intervals, deadlineMs);
          expect(intervals.filter((ms) => ms > topMs)).toHaveLength(overCount);
          expect(overCount).toBeLessThanOrEqual(Math.ceil(intervals.length / 20));
        },
      ),
      propertyRuns,
    );
  });
});
