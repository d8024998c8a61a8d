import { type Extent, extentOf, type Outcomes, widestOf } from '../load/evaluate';
import { leftOutRatioOf } from '../load/state-facts';
import type { SetupState } from '../load/types';
import {
  usableFreezeMs,
  usableLookMs,
  usableOpeningSec,
  usableRateRatio,
  usableScrubMs,
  usableScrubSlowMs,
} from './limits';
import type { Complaint, Respect } from './respects';

/** A gap of this much, in logarithms, is half felt. */
const feltGap = 0.1;
/** How likely a gap is felt at all, 0 to 1. */
export const feltAt = (gap: number): number => 1 / (1 + Math.exp(-(gap - feltGap) / 0.04));

/** A shown rate this far over the memory limit freezes now and then, whatever its average. */
const freezingMemoryRatio = 1.04;

/** How far one outcome is past its limit: the logarithm of the ratio, times a weight; 0 on the good side. */
interface GapTerm {
  readonly outcome: keyof Outcomes;
  readonly limitOf: (state: SetupState) => number;
  /** 1 where more is worse, such as a time; −1 where more is better, such as a rate. */
  readonly worse: 1 | -1;
  /** How much it counts in a state. */
  readonly weightOf: (state: SetupState) => number;
}

const over = (outcome: keyof Outcomes, limit: number, weight = 1): GapTerm => ({
  outcome,
  limitOf: () => limit,
  worse: 1,
  weightOf: () => weight,
});
const under = (
  outcome: keyof Outcomes,
  limitOf: GapTerm['limitOf'],
  weightOf: GapTerm['weightOf'] = () => 1,
): GapTerm => ({ outcome, limitOf, worse: -1, weightOf });
const wantedFps = ({ setup }: SetupState): number => usableRateRatio * setup.targetFps;

/** Fewer pictures than this share of the target tell nobody where to cut, and slower than that nobody waits. Assumptions. */
const leastShare = { inTime: 0.3, everyPicture: 0.2 } as const;
const shareOfTarget =
  (share: number) =>
  ({ setup }: SetupState): number =>
    share * setup.targetFps;

/** What makes each respect unusable; where there are several terms, they add up or the worst counts. */
const termsOf: Readonly<Record<Respect, { readonly terms: readonly GapTerm[]; readonly isWorstOnly: boolean }>> = {
  playing: { terms: [under('shownFps', wantedFps), over('memoryRatio', freezingMemoryRatio, 0.3)], isWorstOnly: false },
  // Where late pictures are left out, sound and picture stay together at any rate.
  'in-time': {
    terms: [
      under('shownFps', wantedFps, ({ setup }) => 1 - leftOutRatioOf(setup)),
      under('shownFps', shareOfTarget(leastShare.inTime)),
    ],
    isWorstOnly: true,
  },
  // Where all are played, each is seen at any rate.
  'every-picture': {
    terms: [
      under('shownFps', wantedFps, ({ setup }) => leftOutRatioOf(setup)),
      under('shownFps', shareOfTarget(leastShare.everyPicture)),
    ],
    isWorstOnly: true,
  },
  later: { terms: [under('laterFps', wantedFps)], isWorstOnly: false },
  scrubbing: { terms: [over('scrubMs', usableScrubMs), over('scrubSlowMs', usableScrubSlowMs)], isWorstOnly: true },
  opening: { terms: [over('openingSec', usableOpeningSec)], isWorstOnly: false },
  looking: { terms: [over('lookMs', usableLookMs)], isWorstOnly: false },
  cuts: { terms: [over('cutMs', usableFreezeMs)], isWorstOnly: false },
  waiting: { terms: [under('fitSec', ({ setup }) => setup.editor.spanSec)], isWorstOnly: false },
};

/** How much has to be worked out to tell whether such a complaint is met. */
export const extentOfComplaint = (complaint: Complaint): Extent =>
  widestOf(complaint.flatMap((respect) => termsOf[respect].terms.map(({ outcome }) => extentOf(outcome))));

/** The gap of one figure over its limit; 0 on the good side. */
const gapOver = (value: number, limit: number, worse: 1 | -1, weight: number): number =>
  worse * (value - limit) <= 0 ? 0 : weight * worse * Math.log(value / limit);

/** Adds one term for the first `count` samples, or keeps the larger of it and what is there. */
function addTerm(
  values: Float64Array,
  worse: GapTerm['worse'],
  weight: number,
  limit: number,
  isWorstOnly: boolean,
  count: number,
  into: Float64Array,
): void {
  for (let i = 0; i < count; i++) {
    const gap = gapOver(values[i] as number, limit, worse, weight);
    if (gap === 0) continue;
    const held = into[i] as number;
    into[i] = isWorstOnly ? Math.max(held, gap) : held + gap;
  }
}

/**
 * How far samples are from usable in one respect, in logarithms of rate or time, 0 where they are: of the first `count`,
 * written over what stands in `into`. Beliefs ask it a million times, so it goes over arrays and allocates nothing.
 */
export function fillGaps(
  respect: Respect,
  state: SetupState,
  out: Outcomes,
  count: number,
  into: Float64Array,
): Float64Array {
  // Not `fill`: a search asks for a few samples at a time, and a call takes longer than they do.
  for (let i = 0; i < count; i++) into[i] = 0;
  const { terms, isWorstOnly } = termsOf[respect];
  for (const { outcome, limitOf, worse, weightOf } of terms)
    addTerm(out[outcome], worse, weightOf(state), limitOf(state), isWorstOnly, count, into);
  return into;
}

/** How far one sample is from usable over all that is complained of. */
export const gapOfSample = (complaint: Complaint, state: SetupState, out: Outcomes, index: number): number =>
  complaint.reduce((sum, respect) => {
    const { terms, isWorstOnly } = termsOf[respect];
    const gaps = terms.map(({ outcome, limitOf, worse, weightOf }) =>
      gapOver(out[outcome][index] as number, limitOf(state), worse, weightOf(state)),
    );
    return sum + (isWorstOnly ? Math.max(...gaps) : gaps.reduce((own, gap) => own + gap, 0));
  }, 0);

let scratch = new Float64Array(0);

/** The same over all that is complained of. */
export function fillAllGaps(
  complaint: Complaint,
  state: SetupState,
  out: Outcomes,
  count: number,
  into: Float64Array,
): Float64Array {
  if (scratch.length < count) scratch = new Float64Array(count);
  const held = scratch;
  for (let i = 0; i < count; i++) into[i] = 0;
  for (const respect of complaint) {
    fillGaps(respect, state, out, count, held);
    for (let i = 0; i < count; i++) into[i] = (into[i] as number) + (held[i] as number);
  }
  return into;
}
