import { describe, expect, it } from 'vitest';
import type { CaptureProgress } from '@/core/meter';
import { noWatch, reduceWatch, setupNow, type WatchAction, type WatchState } from './watch-state';

const progress = (known: Partial<CaptureProgress> = {}): CaptureProgress => ({
  phase: 'measuring',
  leftMs: 1000,
  frameCount: 9,
  newBeforeMs: [100, 600, 1900, 2500],
  isRegionKnown: true,
  isQuiet: false,
  ...known,
});
const stateAfter = (...actions: readonly WatchAction[]): WatchState => actions.reduce(reduceWatch, noWatch);
const at = (atMs: number, known?: Partial<CaptureProgress>): WatchAction => ({
  type: 'progress',
  atMs,
  progress: progress(known),
});
const press = (atMs: number): WatchAction => ({ type: 'press', atMs });

describe('reduceWatch', () => {
  it('switches to and fro with each press, and takes the last one back', () => {
    const twice = stateAfter(at(0), press(1000), press(9000));
    expect(twice.presses).toEqual([
      { atMs: 1000, to: 'changed' },
      { atMs: 9000, to: 'as-before' },
    ]);
    expect([setupNow(noWatch), setupNow(twice)]).toEqual(['as-before', 'as-before']);
    expect(setupNow(reduceWatch(twice, { type: 'take-back' }))).toBe('changed');
    expect(stateAfter(at(0), { type: 'take-back' }).presses).toEqual([]);
  });

  it('takes no press before it measures, and two at once for one', () => {
    expect(stateAfter(press(0)).presses).toEqual([]);
    expect(stateAfter(at(0, { phase: 'counting-in' }), press(10)).presses).toEqual([]);
    expect(stateAfter(at(0), press(1000), press(1400)).presses).toHaveLength(1);
    expect(stateAfter(at(0), press(1000), press(1500)).presses).toHaveLength(2);
  });

  it('keeps the rate of the last two seconds, for a minute, once the region is known', () => {
    expect(stateAfter(at(0), at(250)).rates).toEqual([
      { atMs: 0, fps: 1.5 },
      { atMs: 250, fps: 1.5 },
    ]);
    expect(stateAfter(at(0, { isRegionKnown: false }), at(250, { phase: 'counting-in' })).rates).toEqual([]);
    expect(stateAfter(at(0), at(60_000), at(60_001)).rates.map(({ atMs }) => atMs)).toEqual([60_000, 60_001]);
  });

  it('begins anew', () => {
    expect(stateAfter(at(0), press(1000), { type: 'begin' })).toEqual(noWatch);
  });
});
