import { describe, expect, it } from 'vitest';
import { summariseChanges } from '.';
import { comesInPairs, isLongestFreezeUneven, withoutBlends } from './filmed';

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

describe('isLongestFreezeUneven', () => {
  /** A picture every four frames, and a freeze of twenty in the middle. */
  const newAt = [4, 8, 12, 32, 36, 40];
  const changesWith = (inFreeze: (frame: number) => number) =>
    Array.from({ length: 44 }, (_, i) => (newAt.includes(i) ? 9 : i > 12 && i < 32 ? inFreeze(i) : 1));

  it('doubts a freeze in which something changed more than the camera’s noise does', () => {
    expect(
      isLongestFreezeUneven(
        newAt,
        changesWith((frame) => 1 + (frame % 3) / 10),
      ),
    ).toBe(false);
    expect(
      isLongestFreezeUneven(
        newAt,
        changesWith((frame) => (frame % 4 === 0 ? 2 : 1)),
      ),
    ).toBe(true);
  });

  it('takes the frame after a picture for the rest of it, and says nothing of short ones', () => {
    expect(
      isLongestFreezeUneven(
        newAt,
        changesWith((frame) => (frame === 13 ? 5 : 1)),
      ),
    ).toBe(false);
    expect(isLongestFreezeUneven([4, 8, 12], [1, 1, 1, 1, 9, 1, 1, 3, 9, 1, 1, 3, 9])).toBe(false);
    expect(isLongestFreezeUneven([], [1, 2, 3])).toBe(false);
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

  it('is doubted where nothing of the window is ever still, whatever its pictures come in', () => {
    const { changes, timesMs } = filmed(6, 1, 0.6);
    const options = { ceilingFps: 60 } as const;
    expect(summariseChanges(changes, timesMs, { ...options, isNeverStill: true })).toMatchObject({
      ok: true,
      value: { confidence: 'low', reason: 'looks-filmed' },
    });
    expect(summariseChanges(changes, timesMs, options)).toMatchObject({ ok: true, value: { confidence: 'high' } });
  });

  it('gives no number where every frame differs', () => {
    expect(summarised(1, 1, 0.6, true)).toEqual({ ok: false, failure: { code: 'filmed-unclear' } });
  });

  it('is not sure where its noise comes near the pictures', () => {
    expect(summarised(6, 2, 2.2, true)).toMatchObject({ ok: true, value: { confidence: 'low', reason: 'filmed' } });
  });
});
