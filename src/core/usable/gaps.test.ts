import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { createGapWeigher } from '../belief/weighing';
import { compile, createOutcomes, drawParameterSamples, evaluate, type Outcomes, type SetupState } from '../load';
import {
  type Complaint,
  extentOfComplaint,
  feltAt,
  fillAllGaps,
  fillGaps,
  type Respect,
  respects,
  usableFreezeMs,
  usableLookMs,
  usableOpeningSec,
  usableRateRatio,
  usableScrubMs,
  usableScrubSlowMs,
} from '.';

const sampleCount = 16;

const outcomesOf = (state: SetupState): Outcomes => {
  const out = createOutcomes(sampleCount);
  evaluate(compile(state, 'heaviest'), drawParameterSamples(sampleCount, state.setup.machine), out);
  return out;
};
const gapsOf = (respect: Respect, state: SetupState, out: Outcomes): Float64Array =>
  fillGaps(respect, state, out, sampleCount, new Float64Array(sampleCount).fill(7));

/** By the words of the definition of a usable preview, one sample at a time. */
function isUsableIn(respect: Respect, { setup }: SetupState, out: Outcomes, i: number): boolean {
  const at = (name: keyof Outcomes): number => out[name][i] as number;
  switch (respect) {
    case 'playing':
      return at('shownFps') >= usableRateRatio * setup.targetFps && at('memoryRatio') <= 1.04;
    case 'in-time':
      return (
        (setup.editor.lateFrames === 'skipped' || at('shownFps') >= usableRateRatio * setup.targetFps) &&
        at('shownFps') >= 0.3 * setup.targetFps
      );
    case 'every-picture':
      return (
        (setup.editor.lateFrames === 'all-played' || at('shownFps') >= usableRateRatio * setup.targetFps) &&
        at('shownFps') >= 0.2 * setup.targetFps
      );
    case 'later':
      return at('laterFps') >= usableRateRatio * setup.targetFps;
    case 'scrubbing':
      return at('scrubMs') <= usableScrubMs && at('scrubSlowMs') <= usableScrubSlowMs;
    case 'opening':
      return at('openingSec') <= usableOpeningSec;
    case 'looking':
      return at('lookMs') <= usableLookMs;
    case 'cuts':
      return at('cutMs') <= usableFreezeMs;
    case 'waiting':
      return at('fitSec') >= setup.editor.spanSec;
    default:
      return respect satisfies never;
  }
}

describe('gaps', () => {
  it('are zero exactly where the preview is usable in that respect, and finite everywhere', () => {
    fc.assert(
      fc.property(arbitraryState, fc.constantFrom(...respects), (state, respect) => {
        const out = outcomesOf(state);
        for (const [i, gap] of gapsOf(respect, state, out).entries()) {
          expect(Number.isFinite(gap)).toBe(true);
          expect(gap === 0, `${respect} ${gap}`).toBe(isUsableIn(respect, state, out, i));
          expect(gap).toBeGreaterThanOrEqual(0);
        }
      }),
      propertyRuns,
    );
  });

  it('add up over what is complained of, and over nothing else', () => {
    fc.assert(
      fc.property(arbitraryState, fc.subarray([...respects]), (state, complaint: Complaint) => {
        const out = outcomesOf(state);
        const all = fillAllGaps(complaint, state, out, sampleCount, new Float64Array(sampleCount).fill(3));
        for (let i = 0; i < sampleCount; i++) {
          const sum = complaint.reduce((total, respect) => total + (gapsOf(respect, state, out)[i] as number), 0);
          expect(all[i]).toBeCloseTo(sum, 9);
        }
      }),
      propertyRuns,
    );
  });

  it('leave alone what lies behind the samples that are asked for', () => {
    const into = new Float64Array(4).fill(9);
    const [state] = fc.sample(arbitraryState, { numRuns: 1, seed: 5 });
    if (!state) throw new Error('no state');
    fillAllGaps(['playing', 'scrubbing'], state, outcomesOf(state), 2, into);
    expect([...into.slice(2)]).toEqual([9, 9]);
  });

  it('need no more worked out than is complained of', () => {
    expect(extentOfComplaint(['playing', 'later', 'waiting'])).toBe('playing');
    expect(extentOfComplaint(['playing', 'scrubbing'])).toBe('jumping');
    expect(extentOfComplaint(['opening', 'playing'])).toBe('all');
  });
});

describe('what is felt of a gap', () => {
  it('rises with the gap, and its shortcut at both ends leaves no step', () => {
    const weigh = createGapWeigher((felt) => Math.log(0.1 + 0.8 * felt));
    const gaps = Array.from({ length: 400 }, (_, i) => i / 200);
    for (const [k, gap] of gaps.entries()) {
      if (k > 0) expect(weigh(gap)).toBeGreaterThanOrEqual(weigh(gaps[k - 1] ?? 0) - 1e-12);
      expect(weigh(gap)).toBeCloseTo(Math.log(0.1 + 0.8 * feltAt(gap)), 8);
    }
    expect(weigh(-1)).toBe(weigh(0));
  });
});
