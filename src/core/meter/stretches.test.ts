import { describe, expect, it } from 'vitest';
import { createRandom } from '../numbers/random';
import { type ChangeCourse, compareStretches, cutStretches, mergeStretches, type WatchedRun } from './stretches';

/** A window that shows new pictures at a rate for so long, one after the other; 0 stands still. */
function play(parts: readonly { readonly fps: number; readonly sec: number }[], seed = 1): ChangeCourse {
  const random = createRandom(seed);
  const timesMs = [0];
  let fromMs = 0;
  for (const { fps, sec } of parts) {
    const toMs = fromMs + 1000 * sec;
    for (let atMs = fromMs; fps > 0 && atMs < toMs; ) {
      atMs += (1000 / fps) * random.between(0.8, 1.2);
      if (atMs < toMs) timesMs.push(atMs);
    }
    fromMs = toMs;
  }
  return { changes: timesMs.map((_, i) => (i === 0 ? 0 : 5)), timesMs };
}

/** Rates by turns, each for so long, with a press `lateMs` after each change. */
function watch(rates: readonly number[], sec: number, { lateMs = 300, seed = 1 } = {}): WatchedRun {
  const lengthMs = 1000 * sec * rates.length;
  return {
    course: play(
      rates.map((fps) => ({ fps, sec })),
      seed,
    ),
    startMs: 0,
    endMs: lengthMs,
    first: 'as-before',
    presses: rates.slice(1).map((_, i) => ({
      atMs: 1000 * sec * (i + 1) + lateMs,
      to: i % 2 === 0 ? ('changed' as const) : ('as-before' as const),
    })),
    clipFps: 60,
    ceilingFps: null,
  };
}

const verdictsOf = (run: WatchedRun): readonly string[] =>
  compareStretches(cutStretches(run).stretches)
    .steps.slice(1)
    .map((step) => (step?.ok ? step.value.verdict : 'none'));

describe('cutStretches', () => {
  it('cuts at the presses and leaves out the beginning and what is around them', () => {
    const { stretches, leftOutCount } = cutStretches(watch([12, 24], 10));
    expect(leftOutCount).toBe(0);
    expect(stretches.map(({ setup, fromMs, toMs }) => [setup, fromMs, toMs])).toEqual([
      ['as-before', 2000, 8800],
      ['changed', 12_300, 20_000],
    ]);
    expect(stretches[0]?.result.shownFps).toBeCloseTo(12, 0);
    expect(stretches[1]?.result.shownFps).toBeCloseTo(24, 0);
  });

  it('leaves out all of a stop around a press, and leaves a stop elsewhere in', () => {
    const stopped: WatchedRun = {
      ...watch([12, 24], 10),
      course: play([
        { fps: 12, sec: 4 },
        { fps: 0, sec: 1.2 },
        { fps: 12, sec: 3.8 },
        { fps: 0, sec: 5 },
        { fps: 24, sec: 6 },
      ]),
    };
    const { stretches } = cutStretches(stopped);
    expect(stretches[0]?.toMs).toBeGreaterThan(8700);
    expect(stretches[0]?.toMs).toBeLessThan(9000);
    expect(stretches[0]?.result.longestFreezeMs).toBeGreaterThan(1150);
    expect(stretches[1]?.fromMs).toBeGreaterThan(14_400);
    expect(stretches[1]?.result.longestFreezeMs).toBeLessThan(100);
  });

  it('leaves out all of a stop at the beginning', () => {
    const run = watch([12, 24], 10);
    const course = play([
      { fps: 12, sec: 0.5 },
      { fps: 0, sec: 3 },
      { fps: 12, sec: 6.5 },
      { fps: 24, sec: 10 },
    ]);
    const [first] = cutStretches({ ...run, course }).stretches;
    expect(first?.fromMs).toBeGreaterThan(3900);
    expect(first?.fromMs).toBeLessThan(4300);
    expect(first?.result.longestFreezeMs).toBeLessThan(150);
  });

  it('does not take a slow preview for one that stands still', () => {
    const { stretches } = cutStretches(watch([1.2, 1.2], 20));
    expect(stretches[1]?.fromMs).toBe(22_300);
    const slower = cutStretches(watch([24, 0.8], 20));
    expect(slower.stretches[1]?.fromMs).toBeLessThan(23_500);
  });

  it('counts what is too short or shows too little, and keeps the rest', () => {
    const run = watch([12, 24, 12], 10);
    const [first] = run.presses;
    if (!first) throw new Error('no press');
    const twice = { ...run, presses: [first, { atMs: first.atMs + 1000, to: 'as-before' as const }] };
    expect(cutStretches(twice)).toMatchObject({
      leftOutCount: 1,
      stretches: [{ setup: 'as-before' }, { setup: 'as-before' }],
    });
    expect(cutStretches({ ...run, course: { changes: [], timesMs: [] } })).toEqual({ stretches: [], leftOutCount: 3 });
    expect(cutStretches(watch([0.7, 24], 10))).toMatchObject({ leftOutCount: 1, stretches: [{ setup: 'changed' }] });
  });
});

describe('compareStretches', () => {
  it('is right in 20 of 20 steps to and fro, and sees nothing in 20 where nothing changed', () => {
    const turns = Array.from({ length: 21 }, (_, i) => (i % 2 === 0 ? 15 : 18));
    expect(verdictsOf(watch(turns, 10))).toEqual(
      Array.from({ length: 20 }, (_, i) => (i % 2 === 0 ? 'better' : 'worse')),
    );
    expect(new Set(verdictsOf(watch(Array(21).fill(15), 10)))).toEqual(new Set(['no-clear-change']));
  });

  it('tells of the whole run whether the setting changed anything, and by how much at least', () => {
    const { change, driftRatio } = compareStretches(cutStretches(watch([12, 24, 12, 24], 10)).stretches);
    if (!change.ok) throw new Error(change.failure.code);
    expect(change.value.verdict).toBe('better');
    expect(change.value.ratio.value).toBeCloseTo(2, 1);
    expect(change.value.atLeastRatio).toBeGreaterThan(0.8);
    expect(change.value.atLeastRatio).toBeLessThan(1);
    expect(driftRatio).toBeNull();
  });

  it('takes away what moved by itself meanwhile: a machine that slows down does not look like a setting that does', () => {
    const slowing = [20, 18, 16, 14, 12, 10, 8.5, 7.5];
    const { change, driftRatio } = compareStretches(cutStretches(watch(slowing, 10)).stretches);
    expect(change).toMatchObject({ ok: true, value: { verdict: 'no-clear-change' } });
    expect(driftRatio).toBeLessThan(-0.5);
    expect(driftRatio).toBeGreaterThan(-0.75);
    // One time each: nothing tells one from the other.
    const once = compareStretches(cutStretches(watch([20, 14], 10)).stretches);
    expect(once).toMatchObject({ driftRatio: null, change: { ok: true, value: { verdict: 'worse' } } });
  });

  it('says so where only one of the set-ups was played', () => {
    const { change, steps } = compareStretches(cutStretches(watch([12], 10)).stretches);
    expect([change, steps]).toEqual([{ ok: false, failure: { code: 'one-set-up' } }, [null]]);
  });
});

describe('mergeStretches', () => {
  it('is one measurement of all that was played', () => {
    const { stretches } = cutStretches(watch([12, 24, 12, 24], 10));
    const before = stretches.filter(({ setup }) => setup === 'as-before');
    const merged = mergeStretches(before);
    expect(merged.shownFps).toBeCloseTo(12, 0);
    expect(merged.intervalsMs).toHaveLength(before.reduce((sum, { result }) => sum + result.intervalsMs.length, 0));
    expect(merged.slowestSecondFps).toBe(Math.min(...before.map(({ result }) => result.slowestSecondFps)));
    expect(mergeStretches(before.slice(0, 1))).toBe(before[0]?.result);
    expect(() => mergeStretches([])).toThrow('no stretch');
  });

  it('is as sure as the least sure of them', () => {
    const [sure] = cutStretches(watch([12], 10)).stretches;
    if (!sure) throw new Error('no stretch');
    const unsure = { ...sure, result: { ...sure.result, confidence: 'low' as const, reason: 'few-pictures' as const } };
    expect(mergeStretches([sure, unsure, sure])).toMatchObject({ confidence: 'low', reason: 'few-pictures' });
  });
});
