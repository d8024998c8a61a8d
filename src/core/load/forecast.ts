import { rangeOf } from '../numbers/percentile';
import { compile } from './compile';
import { estimateCompiled } from './estimate';
import { createOutcomes, evaluate } from './evaluate';
import { drawParameterSamples } from './parameter-samples';
import { middleParameters } from './parameters';
import type { FrameForecast, PlayingMoment, SetupState } from './types';

/** Enough for percentiles that repeat to about a frame a second; 256 samples take well under a millisecond. */
export const forecastSampleCount = 256;

/**
 * What to expect of a set-up where the symptoms show: the heaviest quarter of the footage unless told otherwise.
 * The stages are those of the middle sample; the ranges are the 10th to 90th percentile over all samples.
 */
export function forecast(state: SetupState, moment: PlayingMoment = 'heaviest'): FrameForecast {
  const { machine } = state.setup;
  const coefficients = compile(state, moment);
  const outcomes = createOutcomes(forecastSampleCount);
  evaluate(coefficients, drawParameterSamples(forecastSampleCount, machine), outcomes);
  const { stages, bindingLane } = estimateCompiled(coefficients, middleParameters(machine));
  return { stages, bindingLane, shownFps: rangeOf(outcomes.shownFps), scrubMs: rangeOf(outcomes.scrubMs) };
}
