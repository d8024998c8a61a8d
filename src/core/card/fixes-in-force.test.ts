import { describe, expect, it } from 'vitest';
import { createJobCard, createReading, type FixUse, type JobCard, type Reading, type Trial } from '.';
import {
  areSameFixes,
  findReading,
  fixesInForce,
  fixesOfSet,
  isSameFix,
  keptFixes,
  keyOfFixes,
  latestReading,
  openTrial,
  rateUnder,
  readingInForce,
  withoutWorkingSet,
  workingSetInUse,
} from './fixes-in-force';

const empty = createJobCard({ id: 'c', title: 'c', nowMs: 0 });
const half: FixUse = { id: 'lower-preview-quality', level: '1/2' };
const quarter: FixUse = { id: 'lower-preview-quality', level: '1/4' };
const close: FixUse = { id: 'close-programs', level: null };
const trial = (fix: FixUse, status: Trial['status'], direction: Trial['direction'] = 'make'): Trial => ({
  id: `${fix.id}-${status}-${direction}`,
  fix,
  direction,
  status,
  beforeReadingId: 'before',
  afterReadingId: null,
  startedAtMs: 0,
  madeAtMs: null,
  endedAtMs: null,
});
const withTrials = (...trials: readonly Trial[]): JobCard => ({ ...empty, trials });
const reading = (
  id: string,
  shownFps: number | null,
  fixes: readonly FixUse[],
  more: Partial<Reading> = {},
): Reading => ({
  ...createReading({ id, takenAtMs: 0, shownFps }),
  fixes,
  ...more,
});

describe('the fixes in force', () => {
  it('are those that were kept, each at its newest level, until it is given back', () => {
    expect(keptFixes(withTrials(trial(half, 'kept'), trial(close, 'kept'), trial(quarter, 'kept')))).toEqual([
      close,
      quarter,
    ]);
    expect(keptFixes(withTrials(trial(half, 'undone'), trial(close, 'abandoned'), trial(quarter, 'open')))).toEqual([]);
    expect(keptFixes(withTrials(trial(half, 'kept'), trial(close, 'kept'), trial(half, 'kept', 'give-back')))).toEqual([
      close,
    ]);
  });

  it('have the one on trial last, in place of its own older level, and lack the one whose giving back is tried', () => {
    const kept = [trial(half, 'kept'), trial(close, 'kept')];
    expect(fixesInForce(withTrials(...kept))).toEqual([half, close]);
    expect(fixesInForce(withTrials(...kept, trial(quarter, 'open')))).toEqual([close, quarter]);
    expect(fixesInForce(withTrials(...kept, trial(half, 'open', 'give-back')))).toEqual([close]);
    expect(openTrial(withTrials(...kept))).toBeNull();
    expect(openTrial(withTrials(...kept, trial(quarter, 'open')))?.fix).toBe(quarter);
  });

  it('go by the working set in what people switch to and fro, and stay in the rest', () => {
    const set = { id: 's', name: 'Colours', fixes: [quarter] };
    const card = { ...withTrials(trial(half, 'kept'), trial(close, 'kept')), workingSets: [set] };
    expect(workingSetInUse(card)).toBeNull();
    expect(fixesOfSet(card, null)).toEqual([half, close]);
    const switched = { ...card, workingSetId: 's' };
    expect(workingSetInUse(switched)).toBe(set);
    expect(fixesInForce(switched)).toEqual([close, quarter]);
    expect(fixesInForce(withoutWorkingSet(switched))).toEqual([half, close]);
    expect(withoutWorkingSet(card)).toBe(card);
  });
});

describe('fixes held against each other', () => {
  it('are the same by fix and level, in a list in any order', () => {
    expect([
      isSameFix(half, { ...half }),
      isSameFix(half, quarter),
      isSameFix(close, { ...half, level: null }),
    ]).toEqual([true, false, false]);
    expect(areSameFixes([half, close], [close, half])).toBe(true);
    expect(areSameFixes([half], [half, close])).toBe(false);
    expect(areSameFixes([half, close], [quarter, close])).toBe(false);
    expect(areSameFixes([], [])).toBe(true);
  });

  it('have one word in which their order stands', () => {
    expect(keyOfFixes([half, close])).toBe('lower-preview-quality=1/2+close-programs=null');
    expect(keyOfFixes([close, half])).not.toBe(keyOfFixes([half, close]));
  });
});

describe('readings', () => {
  it('in force are the newest of the set-up as it is now', () => {
    const card = {
      ...withTrials(trial(half, 'kept')),
      readings: [reading('a', 10, []), reading('b', 20, [half]), reading('c', 22, [half]), reading('d', 9, [quarter])],
    };
    expect(readingInForce(card)?.id).toBe('c');
    expect(latestReading(card)?.id).toBe('d');
    expect([readingInForce({ ...card, readings: [] }), latestReading(empty)]).toEqual([null, null]);
    expect(readingInForce({ ...card, readings: card.readings.slice(0, 1) })).toBeNull();
    expect([findReading(card, 'b')?.shownFps, findReading(card, 'z'), findReading(card, null)]).toEqual([
      20,
      null,
      null,
    ]);
  });

  it('have a middle rate by set-up and moment; one without a rate does not count', () => {
    const readings = [
      reading('a', 10, [half]),
      reading('b', 14, [half]),
      reading('c', 30, [half]),
      reading('d', null, [half]),
      reading('e', 3, []),
      reading('f', 5, [half], { moment: 'later' }),
      reading('g', null, [close]),
    ];
    expect(rateUnder(readings, [half], 'start')).toBe(14);
    expect(rateUnder(readings, [half], 'later')).toBe(5);
    expect(rateUnder(readings, [], 'start')).toBe(3);
    expect(rateUnder(readings, [close], 'start')).toBeNull();
  });
});
