import { describe, expect, it } from 'vitest';
import { percentileOfSorted, rangeOf } from './percentile';
import { createRandom } from './random';
import { rationalToNumber, reduceRational } from './rational';
import { weightedRangeOf } from './weighted';

describe('reduceRational', () => {
  it('gives 25/1 for 1280000/51200', () => {
    expect(reduceRational({ num: 1_280_000, den: 51_200 })).toEqual({ num: 25, den: 1 });
  });
  it('leaves 30000/1001 as it is', () => {
    expect(reduceRational({ num: 30_000, den: 1001 })).toEqual({ num: 30_000, den: 1001 });
    expect(rationalToNumber({ num: 30_000, den: 1001 })).toBeCloseTo(29.97003, 5);
  });
});

describe('percentileOfSorted', () => {
  it('lies between neighbours in proportion', () => {
    expect(percentileOfSorted([10, 20], 0.25)).toBe(12.5);
    expect(percentileOfSorted([7], 0.9)).toBe(7);
  });
  it('throws for no values', () => {
    expect(() => percentileOfSorted([], 0.5)).toThrow('percentileOfSorted: no values');
  });
});

describe('rangeOf', () => {
  it('gives the 10th, 50th and 90th percentile whatever the order, and leaves the input alone', () => {
    const values = Float64Array.from([10, 0, 5, 3, 8, 1, 9, 2, 7, 4, 6]);
    expect(rangeOf(values)).toEqual({ low: 1, mid: 5, high: 9 });
    expect(values[0]).toBe(10);
  });
});

describe('weightedRangeOf', () => {
  it('counts a value of weight 3 as three values of weight 1', () => {
    const many = weightedRangeOf([{ values: [1, 2, 3, 3, 3, 9, 9, 9, 9, 9], weight: 1 }]);
    const few = weightedRangeOf([
      { values: [2, 1], weight: 1 },
      { values: [3], weight: 3 },
      { values: [9], weight: 5 },
    ]);
    expect(few).toEqual(many);
    expect(few).toEqual({ low: 1, mid: 3, high: 9 });
  });
  it('throws for no values', () => {
    expect(() => weightedRangeOf([{ values: [], weight: 1 }])).toThrow('no values');
  });
});

describe('createRandom', () => {
  it('repeats itself for a seed, begins differently for the next, and has the spread that it says', () => {
    const draw = (seed: number) => {
      const random = createRandom(seed);
      return Array.from({ length: 2000 }, () => random.normal());
    };
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)[0]).not.toBe(draw(8)[0]);
    const values = draw(7);
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length;
    expect(Math.abs(mean)).toBeLessThan(0.06);
    expect(Math.abs(variance - 1)).toBeLessThan(0.1);
    const random = createRandom(3);
    for (let i = 0; i < 500; i++) {
      expect(random.whole(2, 5)).toSatisfy((value: number) => [2, 3, 4, 5].includes(value));
      expect(random.next()).toBeLessThan(1);
    }
    expect(() => random.pick([])).toThrow('no items');
  });
});
