import { describe, expect, it } from 'vitest';
import { countFreezes, rateBetweenFreezes } from './freezes';

/** Twenty seconds of a clip at 25 a second, shown at about 10, and one stop of a second and a half in it. */
const slow = [...Array.from({ length: 180 }, (_, i) => (i % 2 === 0 ? 80 : 120)), 1500];

describe('countFreezes', () => {
  it('counts the one stop of a slow recording, not that all of it is slow', () => {
    expect(countFreezes(slow)).toBe(1);
    expect(rateBetweenFreezes(slow)).toBeCloseTo(10, 5);
  });

  it('counts nothing up to 250 ms, nor up to two and a half of the usual interval', () => {
    expect(countFreezes([40, 40, 40, 250, 40])).toBe(0);
    expect(countFreezes([40, 40, 40, 251, 40])).toBe(1);
    expect(countFreezes([200, 200, 200, 490, 200])).toBe(0);
    expect(countFreezes([200, 200, 200, 510, 200])).toBe(1);
    expect(countFreezes([])).toBe(0);
  });
});
