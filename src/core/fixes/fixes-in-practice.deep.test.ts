import { describe, expect, it } from 'vitest';
import { compareFixes } from '../../../bench/estimate/fixes-over-simulator';

describe('what fixes bring by the estimate', () => {
  // On the estimate's side and the simulator's a fix is written down twice; where the two mean another change, every
  // reading that is taken under it speaks against what is true.
  it('is in the middle what they bring on simulated machines, in rate and in jumps', () => {
    const misfits = compareFixes(24).filter(({ count }) => count >= 6);
    expect(misfits.length).toBeGreaterThan(30);
    for (const { id, rate, jump } of misfits) {
      expect(Math.abs(rate.mid), `${id}: rate`).toBeLessThan(0.06);
      expect(Math.abs(jump.mid), `${id}: jump`).toBeLessThan(0.12);
    }
  });
});
