import { describe, expect, it } from 'vitest';
import { summariseChanges } from '.';
import { comesInPairs, withoutBlends } from './filmed';

/** Twelve seconds at 60 frames a second: pictures every so many frames, each of which shows in so many frames in a row. */
const filmed = (every: number, inARow: number, noise: number) => {
  const changes = Array.from({ length: 720 }, (_, i) =>
    i > 0 && i % every < inARow ? 6 + (i % 4) : noise * (1 + (i % 3) / 10),
  );
  return { changes, timesMs: changes.map((_, i) => (i * 1000) / 60) };
};
const summarised = (every: number, inARow: number, noise: number, isFilmed: boolean) => {
  const { changes, timesMs } = filmed(every, inARow, noise);
  return summariseChanges(changes, timesMs, { ceilingFps: 60, isFilmed });
};

describe('withoutBlends', () => {
  it('takes two frames in a row for one picture, and three for two', () => {
    expect(withoutBlends([4, 5, 9, 14, 15, 20])).toEqual([4, 9, 14, 20]);
    expect(withoutBlends([4, 5, 6, 10])).toEqual([4, 6, 10]);
    expect(withoutBlends([])).toEqual([]);
  });
});

describe('comesInPairs', () => {
  const every = (frames: number, inARow: number) =>
    Array.from({ length: 20 }, (_, k) => Array.from({ length: inARow }, (_, j) => k * frames + j)).flat();

  it('knows pairs that are frames apart, and not pictures that come as often', () => {
    expect(comesInPairs(every(5, 2))).toBe(true);
    expect(comesInPairs(every(5, 1))).toBe(false);
    // Two of three frames are new where 20 a second are recorded at 30.
    expect(comesInPairs(every(3, 2))).toBe(false);
    expect(comesInPairs(every(5, 3))).toBe(false);
    expect(comesInPairs(every(5, 2).slice(0, 10))).toBe(false);
  });

  it('lets a picture that is late now and then be followed at once', () => {
    const late = every(5, 1).flatMap((at, k) => (k % 5 === 0 ? [at, at + 1] : [at]));
    expect(comesInPairs(late)).toBe(false);
  });
});

describe('a filmed screen', () => {
  it('shows its own rate where it is said to be filmed, and is doubted where it is not', () => {
    const told = summarised(6, 2, 0.6, true);
    expect(told).toMatchObject({ ok: true, value: { confidence: 'medium', reason: 'filmed', isAtLeast: false } });
    expect(told.ok && told.value.shownFps).toBeCloseTo(10, 1);
    expect(summarised(6, 2, 0.6, false)).toMatchObject({
      ok: true,
      value: { confidence: 'low', reason: 'looks-filmed' },
    });
  });

  it('is at least what is told above a third of the filmed rate', () => {
    expect(summarised(2, 1, 0.6, true)).toMatchObject({ ok: true, value: { isAtLeast: true, confidence: 'low' } });
  });

  it('gives no number where every frame differs', () => {
    expect(summarised(1, 1, 0.6, true)).toEqual({ ok: false, failure: { code: 'filmed-unclear' } });
  });

  it('is not sure where its noise comes near the pictures', () => {
    expect(summarised(6, 2, 2.2, true)).toMatchObject({ ok: true, value: { confidence: 'low', reason: 'filmed' } });
  });
});
