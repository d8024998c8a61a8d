import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../tests/arbitrary/setup';
import {
  formatAgo,
  formatBytes,
  formatDuration,
  formatFpsRange,
  formatMemory,
  formatMinutes,
  formatMinutesRange,
  formatMs,
  formatWait,
  formatWaitRange,
  joinLabels,
} from './format';

describe('formatFpsRange', () => {
  it('rounds to whole frames and writes one figure where both ends agree', () => {
    expect(formatFpsRange({ low: 5.15, mid: 10, high: 13.2 })).toBe('5 to 13');
    expect(formatFpsRange({ low: 25, mid: 25, high: 25 })).toBe('25');
    expect(formatFpsRange({ low: 8, mid: 20, high: 29.97 })).toBe('8 to 29.97');
  });
});

describe('formatWait and formatWaitRange', () => {
  it('changes to seconds from about one on, and states a common unit once', () => {
    expect([formatWait(83), formatWait(257), formatWait(2505)]).toEqual(['83 ms', '260 ms', '2.5 s']);
    expect(formatWaitRange({ low: 172, mid: 200, high: 318 })).toBe('170 to 320 ms');
    expect(formatWaitRange({ low: 469, mid: 800, high: 1985 })).toBe('470 ms to 2 s');
    expect(formatWaitRange({ low: 80, mid: 80, high: 80 })).toBe('80 ms');
  });
});

describe('figures with units', () => {
  it('are written as people say them', () => {
    expect([formatBytes(2120), formatBytes(395_487), formatBytes(20_000_395_487)]).toEqual(['2 kB', '395 kB', '20 GB']);
    expect([formatDuration(42_400), formatDuration(3_729_000)]).toEqual(['0:42', '1:02:09']);
    expect([formatMinutes(0.25), formatMinutes(1.2), formatMinutes(3), formatMinutes(38)]).toEqual([
      'under a minute',
      '1 minute',
      '3 minutes',
      'about 40 minutes',
    ]);
    expect([
      formatMinutes(85),
      formatMinutes(88),
      formatMinutes(200),
      formatMinutes(2530),
      formatMinutes(2900),
    ]).toEqual(['about 85 minutes', 'about 1.5 hours', 'about 3 hours', 'about 42 hours', 'about 2 days']);
    expect([formatMemory(8192), formatMemory(512)]).toEqual(['8 GB', '512 MB']);
    expect([formatMs(0.74), formatMs(95.9)]).toEqual(['0.7', '96']);
    expect([formatAgo(0, 20_000), formatAgo(0, 240_000), formatAgo(0, 4 * 86_400_000)]).toEqual([
      'just now',
      '4 minutes ago',
      '4 days ago',
    ]);
  });

  it('never show a figure that is not one, for any value in range', () => {
    const value = fc.double({ min: 0, max: 1e10, noNaN: true });
    fc.assert(
      fc.property(value, (x) => {
        for (const text of [
          formatBytes(x),
          formatDuration(x),
          formatMinutes(x),
          formatMemory(x),
          formatMs(x),
          formatWait(x),
        ])
          expect(text).not.toMatch(/NaN|undefined|Infinity|-/);
      }),
      propertyRuns,
    );
  });

  it('keeps the capital of the first label in a row alone', () => {
    expect(joinLabels(['Lower it', 'Draw it', 'H.264'], '; ')).toBe('Lower it; draw it; H.264');
    expect(joinLabels([], ', ')).toBe('');
  });

  it('writes ranges of minutes by how long they are', () => {
    expect([formatMinutesRange(0.41, 1.72), formatMinutesRange(12.2, 55), formatMinutesRange(90, 360)]).toEqual([
      '0.4 to 1.7 minutes',
      '12 to 55 minutes',
      '1.5 to 6 hours',
    ]);
    expect(formatMinutesRange(34, 34)).toBe('34 minutes');
  });
});
