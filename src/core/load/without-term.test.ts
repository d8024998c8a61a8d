import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryState, propertyRuns } from '../../../tests/arbitrary/setup';
import { withOneLayer, withPreview } from './change-state';
import { type Coefficients, compile } from './compile';
import { createOutcomes, evaluate, type Outcomes } from './evaluate';
import { drawParameterSamples } from './parameter-samples';
import type { LoadTerm, SetupState } from './types';
import { compileWithoutTerm } from './without-term';

const sampleCount = 12;
const terms: readonly LoadTerm[] = ['decode', 'effects', 'layers', 'size'];

function outcomesOf(state: SetupState, coefficients: Coefficients): Outcomes {
  const out = createOutcomes(sampleCount);
  evaluate(coefficients, drawParameterSamples(sampleCount, state.setup.machine), out);
  return out;
}

const isNeverLess = (a: Float64Array, b: Float64Array): boolean =>
  a.every((value, i) => value >= (b[i] as number) * (1 - 1e-12));

describe('a load without one of its terms', () => {
  it('never plays slower, and nobody waits longer for a jump, a look or a cut', () => {
    fc.assert(
      fc.property(arbitraryState, fc.constantFrom(...terms), (state, term) => {
        const whole = outcomesOf(state, compile(state, 'heaviest'));
        const without = outcomesOf(state, compileWithoutTerm(state, term, 'heaviest'));
        expect(isNeverLess(without.shownFps, whole.shownFps), term).toBe(true);
        for (const name of ['scrubMs', 'scrubSlowMs', 'lookMs', 'cutMs', 'openingSec'] as const)
          expect(isNeverLess(whole[name], without[name]), `${term} ${name}`).toBe(true);
      }),
      propertyRuns,
    );
  });

  it('leaves no work to the decoder, and nothing else untouched by it', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const without = compileWithoutTerm(state, 'decode', 'heaviest');
        const whole = compile(state, 'heaviest');
        for (const name of ['playing', 'scrub', 'slowScrub', 'cut', 'look', 'thumbnail'] as const) {
          const { softwareOnlyRefMs, hardwareAbleRefMs, hardwareMs, readMs } = without[name];
          expect([softwareOnlyRefMs, hardwareAbleRefMs, hardwareMs], name).toEqual([0, 0, 0]);
          expect(readMs, name).toBe(whole[name].readMs);
        }
      }),
      propertyRuns,
    );
  });

  it('is the set-up with its effects bypassed, or with one layer that is not blended', () => {
    fc.assert(
      fc.property(arbitraryState, (state) => {
        const bypassed = withPreview(state, { areEffectsBypassed: true });
        expect(outcomesOf(state, compileWithoutTerm(state, 'effects', 'heaviest')).shownFps).toEqual(
          outcomesOf(bypassed, compile(bypassed, 'heaviest')).shownFps,
        );
        // Some editors blend even that with nothing.
        const one = withPreview(withOneLayer(state), { isBlending: false });
        expect(outcomesOf(state, compileWithoutTerm(state, 'layers', 'heaviest')).shownFps).toEqual(
          outcomesOf(one, compile(one, 'heaviest')).shownFps,
        );
      }),
      propertyRuns,
    );
  });
});
