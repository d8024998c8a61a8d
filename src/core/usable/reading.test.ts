import { describe, expect, it } from 'vitest';
import {
  createJobCard,
  createReading,
  type JobCard,
  type LagMoment,
  type MeasuredReading,
  playFeels,
  type Reading,
  scrubFeels,
} from '../card';
import { complaintOf, isOfPlaying, isUsable } from '.';

const empty = createJobCard({ id: 'c', title: 'c', nowMs: 0 });
const complaining = (...moments: readonly LagMoment[]): JobCard => ({
  ...empty,
  symptoms: { moments, kinds: [], enough: 'smooth' as const },
});
const reading = (known: Partial<Reading>): Reading => ({
  ...createReading({ id: 'r', takenAtMs: 0, ...known }),
  fixes: [],
});
const smooth = { shownFps: 25 } as const;
const measured = (longestFreezeMs: number): MeasuredReading => ({
  source: 'window',
  intervalsMs: [],
  deadlineMs: 40,
  isAtLeast: false,
  slowestSecondFps: 20,
  worstOnePercentFps: 15,
  longestFreezeMs,
  freezesPerMinute: 0,
  startDelayMs: 0,
  settledAfterMs: 0,
  settledFps: 25,
  pace: 'in-step',
  confidence: 'high',
  reason: 'clear',
  ownLoadRatio: null,
});

describe('complaintOf', () => {
  it('is plain playing where nothing was said, and otherwise what was said, each respect once', () => {
    expect(complaintOf(empty)).toEqual(['playing']);
    expect(complaintOf(complaining('at-cuts', 'with-layers', 'with-effects', 'scrubbing'))).toEqual([
      'playing',
      'scrubbing',
      'cuts',
    ]);
    expect([['later'], ['playing', 'cuts'], ['opening']].map((complaint) => isOfPlaying(complaint as never))).toEqual([
      true,
      true,
      false,
    ]);
  });
});

describe('isUsable', () => {
  it('goes by the rate, to the very limit, and by what was felt where no rate was read', () => {
    const card = complaining('playing');
    expect([25, 23.75, 23.7].map((shownFps) => isUsable(card, reading({ shownFps })))).toEqual([true, true, false]);
    expect(playFeels.map((playFeel) => isUsable(card, reading({ playFeel })))).toEqual([
      ...playFeels.slice(1).map(() => false),
      true,
    ]);
    // A rate that was read says more than a feeling.
    expect(isUsable(card, reading({ shownFps: 25, playFeel: 'stumbles' }))).toBe(true);
    expect(isUsable(card, reading({ shownFps: 12, playFeel: 'smooth' }))).toBe(false);
  });

  it('goes by the time of a jump, to the very limit, and by what was felt where none was read', () => {
    const card = complaining('scrubbing');
    expect([100, 250, 251].map((scrubMs) => isUsable(card, reading({ scrubMs })))).toEqual([true, true, false]);
    expect(scrubFeels.map((scrubFeel) => isUsable(card, reading({ scrubFeel })))).toEqual([
      true,
      ...scrubFeels.slice(1).map(() => false),
    ]);
    expect(isUsable(card, reading({ scrubMs: 100, scrubFeel: 'unusable' }))).toBe(true);
    expect(isUsable(card, reading({ isGoodEnough: 'yes' }))).toBe(true);
  });

  it('asks how it plays after a while where that is complained of, and takes no early reading for it', () => {
    const card = complaining('after-a-while');
    expect(isUsable(card, reading({ ...smooth, moment: 'later' }))).toBe(true);
    expect(isUsable(card, reading(smooth))).toBe(false);
    expect(isUsable(card, reading({ ...smooth, isGoodEnough: 'yes' }))).toBe(true);
    // What is slow from the start is no better later.
    expect(isUsable(card, reading({ shownFps: 12, isGoodEnough: 'yes' }))).toBe(false);
    expect(isUsable(card, reading({ shownFps: 12, moment: 'later' }))).toBe(false);
  });

  it('goes by the longest stand where cuts are complained of, and by the person where nothing measured it', () => {
    const card = complaining('at-cuts');
    expect(isUsable(card, reading({ ...smooth, measured: measured(300) }))).toBe(true);
    expect(isUsable(card, reading({ ...smooth, measured: measured(700) }))).toBe(false);
    expect(isUsable(card, reading(smooth))).toBe(false);
    expect(isUsable(card, reading({ ...smooth, isGoodEnough: 'yes' }))).toBe(true);
  });

  it('goes by what plays in one go where the picture is waited for', () => {
    const card = complaining('waiting-for-the-picture');
    expect([4, 10, 30].map((fitSec) => isUsable(card, reading({ fitSec })))).toEqual([false, true, true]);
  });

  it('wants all of what is complained of, and lets nobody’s figures overrule a no', () => {
    const card = complaining('playing', 'at-opening');
    expect(isUsable(card, reading({ ...smooth, openingSec: 20 }))).toBe(true);
    expect(isUsable(card, reading({ ...smooth, openingSec: 60 }))).toBe(false);
    expect(isUsable(card, reading(smooth))).toBe(true);
    expect(isUsable(card, reading({ openingSec: 20 }))).toBe(false);
    expect(isUsable(card, reading({ ...smooth, isGoodEnough: 'no' }))).toBe(false);
  });
});
