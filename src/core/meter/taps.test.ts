import { describe, expect, it } from 'vitest';
import { summarisePresses } from './taps';

describe('summarisePresses', () => {
  it('counts taps as stutters and held presses as freezes of their length', () => {
    const presses = [
      { fromMs: 1000, toMs: 1090 },
      { fromMs: 2000, toMs: 2900.4 },
      { fromMs: 4000, toMs: 4120 },
    ];
    expect(summarisePresses(presses)).toEqual({ stutterCount: 2, freezesMs: [900] });
  });

  it('says nothing of nothing', () => {
    expect(summarisePresses([])).toEqual({ stutterCount: 0, freezesMs: [] });
  });
});
