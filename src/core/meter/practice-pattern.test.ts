import { describe, expect, it } from 'vitest';
import { nextShownMs, type PracticePattern } from './practice-pattern';

/** Intervals of a minute. */
function intervalsOf(pattern: PracticePattern, fps: number): readonly number[] {
  const intervals: number[] = [];
  for (let atMs = 0; atMs < 60_000; ) {
    const next = nextShownMs(pattern, fps, atMs);
    intervals.push(next - atMs);
    atMs = next;
  }
  return intervals;
}

describe('nextShownMs', () => {
  it('shows evenly what it is told to', () => {
    for (const ms of intervalsOf('even', 24)) expect(ms).toBeCloseTo(1000 / 24, 9);
  });

  it('shows fewer by turns, and none for a while now and then', () => {
    expect(intervalsOf('by-turns', 24).length).toBeLessThan(0.8 * intervalsOf('even', 24).length);
    const stops = intervalsOf('freezes', 24).filter((ms) => ms > 600);
    expect(stops.length).toBeGreaterThanOrEqual(12);
    expect(Math.max(...stops)).toBeLessThan(800);
  });
});
