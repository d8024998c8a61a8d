import { describe, expect, it } from 'vitest';
import { rationalToNumber } from '../numbers/rational';
import { computeFrameRate, standardFrameRates } from './frame-rate';

const stampsOf = (fps: number, count: number, roundMs = (ms: number) => ms): number[] =>
  Array.from({ length: count }, (_, i) => roundMs((i * 1000) / fps));

describe('computeFrameRate', () => {
  it('gives 24000/1001 from whole milliseconds, where the average would be 23.9778', () => {
    const stampsMs = stampsOf(24000 / 1001, 96, Math.round);
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 1000,
      coveredMs: 4004,
      declaredFrameDurationNs: null,
    });
    expect(facts).toMatchObject({ frameRate: { num: 24000, den: 1001 }, isVariableFrameRate: false });
  });

  it('tells every standard rate from its neighbours after four seconds of whole milliseconds', () => {
    for (const rate of standardFrameRates) {
      const fps = rationalToNumber(rate);
      const stampsMs = stampsOf(fps, Math.ceil(fps * 4), Math.round);
      const facts = computeFrameRate({
        runsMs: [stampsMs],
        ticksPerSec: 1000,
        coveredMs: 4000,
        declaredFrameDurationNs: null,
      });
      expect(facts, String(fps)).toMatchObject({ frameRate: rate, isVariableFrameRate: false });
    }
  });

  it('uses the declared duration of 41708333 ns as 24000/1001', () => {
    const stampsMs = stampsOf(24000 / 1001, 10, Math.round);
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 1000,
      coveredMs: 417,
      declaredFrameDurationNs: 41_708_333,
    });
    expect(facts.frameRate).toEqual({ num: 24000, den: 1001 });
  });

  it('does not believe a declared duration that the stamps contradict', () => {
    const stampsMs = stampsOf(30, 90, Math.round);
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 1000,
      coveredMs: 3000,
      declaredFrameDurationNs: 40_000_000,
    });
    expect(facts.frameRate).toEqual({ num: 30, den: 1 });
  });

  it('calls a rate variable where frames are missing, and gives frames over duration', () => {
    const stampsMs = stampsOf(30, 90).filter((_, i) => i % 7 !== 3);
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 15_360,
      coveredMs: 3000,
      declaredFrameDurationNs: null,
    });
    expect(facts.isVariableFrameRate).toBe(true);
    expect(rationalToNumber(facts.frameRate)).toBeCloseTo(stampsMs.length / 3, 3);
  });

  it('takes frames in the order of decoding', () => {
    const stampsMs = [0, 160, 80, 40, 120, 320, 240, 200, 280];
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 12_800,
      coveredMs: 360,
      declaredFrameDurationNs: null,
    });
    expect(facts).toMatchObject({ frameRate: { num: 25, den: 1 }, isVariableFrameRate: false });
  });

  it('keeps an odd constant rate as it is', () => {
    const stampsMs = stampsOf(20, 40);
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 10_240,
      coveredMs: 2000,
      declaredFrameDurationNs: null,
    });
    expect(facts).toMatchObject({ frameRate: { num: 20, den: 1 }, isVariableFrameRate: false });
  });

  it('tells the smallest, usual and largest time between frames', () => {
    const stampsMs = [0, 40, 80, 100, 140, 300, 340];
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 1000,
      coveredMs: 380,
      declaredFrameDurationNs: null,
    });
    expect(facts.frameIntervals).toEqual({ smallestMs: 20, usualMs: 40, largestMs: 160 });
    expect(facts.isVariableFrameRate).toBe(true);
  });

  it('keeps the declared rate where frames are missing from its grid, and calls it uneven all the same', () => {
    const stampsMs = stampsOf(30, 90, Math.round).filter((_, i) => i % 7 !== 3);
    const facts = computeFrameRate({
      runsMs: [stampsMs],
      ticksPerSec: 1000,
      coveredMs: 3000,
      declaredFrameDurationNs: 33_333_333,
    });
    expect(facts).toMatchObject({ frameRate: { num: 30, den: 1 }, isVariableFrameRate: true });
  });

  it('averages the intervals of runs that are cut out of a longer film', () => {
    const run = [0, 40, 80, 160, 200, 240];
    const facts = computeFrameRate({
      runsMs: [run, run.map((ms) => ms + 60_000)],
      ticksPerSec: 90_000,
      coveredMs: null,
      declaredFrameDurationNs: null,
    });
    expect(facts.isVariableFrameRate).toBe(true);
    expect(rationalToNumber(facts.frameRate)).toBeCloseTo(5 / 0.24, 6);
  });

  it('does not take the gap between two windows for an interval', () => {
    const later = stampsOf(25, 50).map((ms) => ms + 90_013);
    const facts = computeFrameRate({
      runsMs: [stampsOf(25, 50), later],
      ticksPerSec: 90_000,
      coveredMs: 4000,
      declaredFrameDurationNs: null,
    });
    expect(facts).toMatchObject({ frameRate: { num: 25, den: 1 }, isVariableFrameRate: false });
  });
});
