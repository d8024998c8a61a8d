import { describe, expect, it } from 'vitest';
import { notHeld, stepBusyHold } from '.';

const following = (...shares: readonly number[]) => shares.reduce(stepBusyHold, notHeld).isHeld;

describe('stepBusyHold', () => {
  it('holds when other programs begin to work, and goes on only after some quiet', () => {
    expect(following(0.05, 0.2)).toBe(false);
    expect(following(0.5)).toBe(true);
    expect(following(0.5, 0.1, 0.1)).toBe(true);
    expect(following(0.5, 0.1, 0.1, 0.1)).toBe(false);
    // A moment of work in between begins the wait anew.
    expect(following(0.5, 0.1, 0.1, 0.25, 0.1)).toBe(true);
  });
});
