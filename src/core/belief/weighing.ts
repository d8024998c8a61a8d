import type { FixUse, Reading } from '../card/types';
import type { Extent, Outcomes } from '../load/evaluate';
import type { ParameterSamples, Parameters, SetupState, TroubleId } from '../load/types';
import { type Complaint, feltAt, fillAllGaps } from '../usable';
import { createBoundsWeigher, createValueWeigher, ownRateSpread, type Weigher } from './likelihood';
import type { LookAt, SampleView } from './questions';

/** The samples of one hypothesis; `index` is for the weigher to move. */
export type WeighedSamples = SampleView & { readonly samples: ParameterSamples; index: number };

/** Where something that is known comes from, for telling a person. */
export type EvidenceSource =
  | { readonly kind: 'readings'; readonly fixes: readonly FixUse[]; readonly moment: Reading['moment'] }
  | { readonly kind: 'answer'; readonly questionId: string; readonly answer: string }
  | { readonly kind: 'test-play'; readonly testId: string }
  | { readonly kind: 'complaint' }
  | { readonly kind: 'contrast'; readonly without: 'effects' | 'layers' }
  | { readonly kind: 'lessons' };

/** Whether two sources are one: readings of one set-up are taken together. */
export const isSameSource = (a: EvidenceSource, b: EvidenceSource): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The samples of one hypothesis under some fixes, to be weighed. */
export function viewSamples(state: SetupState, samples: ParameterSamples, out: Outcomes): WeighedSamples {
  const view: WeighedSamples = {
    state,
    samples,
    out,
    index: 0,
    severityOf: (id) => (state.hidden.troubles[id] > 0 ? (samples[severityName(id)][view.index] as number) : 0),
    parameterOf: (name) => samples[name][view.index] as number,
  };
  return view;
}

/** The parameter that says how bad a trouble is. */
export const severityName = (id: TroubleId): keyof Parameters => `${id}Severity`;

/** One thing that is known of a preview under some fixes. */
export interface Evidence {
  /** The same for the same thing, so that the order in which it was written down does not matter. */
  readonly key: string;
  readonly fixes: readonly FixUse[];
  /** What is looked at, where it is not the preview under `fixes` as it stands. */
  readonly lookAt?: LookAt | undefined;
  readonly source: EvidenceSource;
  /** How much of the preview it looks at: the less, the quicker it is worked out. */
  readonly extent: Extent;
  /** Adds the logarithm of how likely it is for each of the first `count` samples. */
  readonly addTo: (logLikelihoods: Float64Array, samples: WeighedSamples, count: number) => void;
}

/** The name of an outcome that evidence looks at. */
export type OutcomeName = keyof Outcomes;

/** Weighs samples one by one. */
export const weighEach =
  (logLikelihood: (view: SampleView) => number): Evidence['addTo'] =>
  (into, samples, count) => {
    for (samples.index = 0; samples.index < count; samples.index++)
      into[samples.index] = (into[samples.index] as number) + logLikelihood(samples);
  };

/** Weighs samples by one outcome alone. */
const weighBy =
  (name: OutcomeName, weigh: Weigher): Evidence['addTo'] =>
  (into, { out }, count) => {
    const values = out[name];
    for (let i = 0; i < count; i++) into[i] = (into[i] as number) + weigh(values[i] as number);
  };

/** What the model is off by for one set-up alone, where that is less than usual. */
const ofModelOf = (name: OutcomeName): number | undefined =>
  name === 'shownFps' || name === 'laterFps' ? ownRateSpread : undefined;

/** Weighs an outcome by a figure that was read of it. */
export const weighValue = (name: OutcomeName, read: number, spread: number) =>
  weighBy(name, createValueWeigher(read, spread, ofModelOf(name)));

/** Weighs an outcome by the bounds that it was said to lie between. */
export const weighBounds = (name: OutcomeName, low: number, high: number, spread: number) =>
  weighBy(name, createBoundsWeigher(low, high, spread, ofModelOf(name)));

/** How often people call good what is not, or the other way round. Assumption. */
const judgedWrong = 0.06;

/** A gap that nobody overlooks: what is felt of it differs from certainty by less than a billionth. */
const surelyFelt = 1;

/**
 * What a gap says, in logarithms, where that depends on nothing but how likely it is felt. Most samples have no gap or a
 * large one, and for those it is known beforehand.
 */
export function createGapWeigher(logOf: (felt: number) => number): (gap: number) => number {
  const [ofNone, ofLarge] = [logOf(feltAt(0)), logOf(feltAt(surelyFelt))];
  return (gap) => (gap <= 0 ? ofNone : gap >= surelyFelt ? ofLarge : logOf(feltAt(gap)));
}

/** Weighs what somebody said of whether they could edit like this. */
export function weighJudgement(isGood: boolean, complaint: Complaint): Evidence['addTo'] {
  const weigh = createGapWeigher((felt) => {
    const ill = judgedWrong + (1 - 2 * judgedWrong) * felt;
    return Math.log(isGood ? 1 - ill : ill);
  });
  let gaps = new Float64Array(0);
  return (into, { state, out }, count) => {
    if (gaps.length < count) gaps = new Float64Array(count);
    fillAllGaps(complaint, state, out, count, gaps);
    for (let i = 0; i < count; i++) into[i] = (into[i] as number) + weigh(gaps[i] as number);
  };
}
