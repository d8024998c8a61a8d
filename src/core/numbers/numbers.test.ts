import { describe, expect, it } from 'vitest';
import { percentileOfSorted, rangeOf } from './percentile';
import { rationalToNumber, reduceRational } from './rational';

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
