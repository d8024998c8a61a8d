import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { type SummaryOptions, summariseChanges } from './summarise';

const frameMs = 1000 / 60;

/** A recording at 60 frames a second in which a new picture comes after each of these numbers of frames. */
function recordedAs(steps: readonly number[], leadFrames = 5) {
  const newAt = [leadFrames];
  for (const step of steps) newAt.push((newAt.at(-1) ?? 0) + step);
  const count = (newAt.at(-1) ?? 0) + 20;
  const isNew = new Set(newAt);
  return {
    changes: Array.from({ length: count }, (_, i) => (isNew.has(i) ? 14 + (i % 5) : 0)),
    timesMs: Array.from({ length: count }, (_, i) => i * frameMs),
  };
}

/** What such a recording comes to. */
function summarised(steps: readonly number[], options: SummaryOptions) {
  const { changes, timesMs } = recordedAs(steps);
  const result = summariseChanges(changes, timesMs, options);
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
}

/** Pictures that come after 2 to 9 frames, for some seconds. */
const steps = fc.array(fc.integer({ min: 2, max: 9 }), { minLength: 30, maxLength: 200 });

describe('summariseChanges', () => {
  it('gives every interval back as it was, and the rate that follows from them', () => {
    fc.assert(
      fc.property(steps, (frames) => {
        const value = summarised(frames, { ceilingFps: 60 });
        const { intervalsMs, shownFps, longestFreezeMs, startDelayMs } = value;
        expect(intervalsMs.map((ms) => Math.round(ms / frameMs))).toEqual(frames);
        const total = frames.reduce((sum, step) => sum + step, 0);
        expect(shownFps).toBeCloseTo((60 * frames.length) / total, 6);
        expect(longestFreezeMs).toBeCloseTo(Math.max(...frames) * frameMs, 6);
        expect(startDelayMs).toBeCloseTo(5 * frameMs, 6);
      }),
      propertyRuns,
    );
  });

  it('keeps its figures in order: no second is slower than the slowest, no hundredth quicker than the whole', () => {
    fc.assert(
      fc.property(steps, (frames) => {
        const value = summarised(frames, { ceilingFps: 60 });
        const { slowestSecondFps, worstOnePercentFps, shownFps, settledAfterMs, freezesPerMinute } = value;
        expect(slowestSecondFps).toBeLessThanOrEqual(shownFps + 1e-9);
        expect(worstOnePercentFps).toBeLessThanOrEqual(shownFps + 1e-9);
        expect(settledAfterMs).toBeGreaterThanOrEqual(0);
        expect(freezesPerMinute).toBeGreaterThanOrEqual(0);
      }),
      propertyRuns,
    );
  });

  it('never throws and never gives a figure that is not finite, whatever changes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 255, noNaN: true }), { maxLength: 300 }),
        fc.boolean(),
        fc.boolean(),
        (changes, isExact, isReordered) => {
          const timesMs = changes.map((_, i) => i * frameMs);
          const result = summariseChanges(changes, timesMs, { isExact, isReordered });
          if (!result.ok) return;
          const { confidence, reason, isAtLeast, intervalsMs, ...figures } = result.value;
          for (const figure of [...Object.values(figures), ...intervalsMs]) expect(Number.isFinite(figure)).toBe(true);
          expect([typeof confidence, typeof reason, typeof isAtLeast]).toEqual(['string', 'string', 'boolean']);
        },
      ),
      propertyRuns,
    );
  });

  it.each([
    ['24 on 60', 24],
    ['25 on 60', 25],
    ['30 on 60', 30],
  ])('takes the ordinary cadence of %s for no freeze', (_, clipFps) => {
    const shownAt = Array.from({ length: 15 * clipFps }, (__, k) => Math.ceil((k * 60) / clipFps));
    const cadence = shownAt.slice(1).map((frame, k) => frame - (shownAt[k] as number));
    const { changes, timesMs } = recordedAs(cadence);
    const result = summariseChanges(changes, timesMs, { clipFps, ceilingFps: 60 });
    expect(result).toMatchObject({ ok: true, value: { freezesPerMinute: 0, confidence: 'high' } });
    if (result.ok) expect(Math.abs(result.value.shownFps / clipFps - 1)).toBeLessThan(0.01);
  });

  it('counts what is clearly longer than the cadence as freezes, each once', () => {
    const frames = Array.from({ length: 240 }, (_, k) => (k % 60 === 59 ? 20 : 2));
    const value = summarised(frames, { clipFps: 30, ceilingFps: 60 });
    const minutes = frames.reduce((sum, step) => sum + step, 0) / 3600;
    expect(value.freezesPerMinute * minutes).toBeCloseTo(4, 6);
    expect(value.longestFreezeMs).toBeCloseTo(20 * frameMs, 6);
  });

  it('says when the rate settles where it begins slowly', () => {
    const frames = [...Array.from({ length: 20 }, () => 12), ...Array.from({ length: 400 }, () => 2)];
    const value = summarised(frames, { clipFps: 30, ceilingFps: 60 });
    const slowMs = 20 * 12 * frameMs;
    expect(value.settledFps).toBeCloseTo(30, 6);
    expect(Math.abs(value.settledAfterMs - slowMs)).toBeLessThan(600);
  });
});
