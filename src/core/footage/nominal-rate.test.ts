import { describe, expect, it } from 'vitest';
import { nominalRateOf } from './nominal-rate';

const uneven = (averageFps: number, usualMs: number | null) => ({
  frameRate: { num: Math.round(averageFps * 1000), den: 1000 },
  isVariableFrameRate: true,
  frameIntervals: usualMs === null ? null : { smallestMs: usualMs * 0.9, usualMs, largestMs: 200 },
});

describe('nominalRateOf', () => {
  it('takes 30 for a phone clip that usually comes every 33 ms and leaves out a tenth of its frames', () => {
    expect(nominalRateOf(uneven(27.1, 33.34))).toEqual({ num: 30, den: 1 });
  });
  it('takes the standard rate next to the average where no intervals are known', () => {
    expect(nominalRateOf(uneven(24.4, null))).toEqual({ num: 24, den: 1 });
  });
  it('keeps what is near no standard rate, and every even rate as it is', () => {
    expect(nominalRateOf(uneven(18.2, null))).toEqual({ num: 18_200, den: 1000 });
    const even = { frameRate: { num: 1799, den: 100 }, isVariableFrameRate: false, frameIntervals: null };
    expect(nominalRateOf(even)).toBe(even.frameRate);
  });
});
