import type { FixUse } from '../card/types';
import type { Outcomes } from '../load/evaluate';
import { type Complaint, gapOf } from './complaint';
import { logOfBounds, logOfValue } from './likelihood';
import type { SampleView } from './questions';

/** One thing that is known of a preview under some fixes; `logLikelihood` weighs a sample by it. */
export interface Evidence {
  /** The same for the same thing, so that the order in which it was written down does not matter. */
  readonly key: string;
  readonly fixes: readonly FixUse[];
  readonly logLikelihood: (view: SampleView) => number;
}

/** The name of an outcome that evidence looks at. */
export type OutcomeName = keyof Outcomes;

/** The same for the same fixes in the same order. */
export const keyOfFixes = (fixes: readonly FixUse[]): string =>
  fixes.map(({ id, level }) => `${id}=${level}`).join('+');

/** Weighs an outcome by a figure that was read of it. */
export const weighValue = (name: OutcomeName, read: number, spread: number) => (view: SampleView) =>
  logOfValue(view.out[name][view.index] as number, read, spread);

/** Weighs an outcome by the bounds that it was said to lie between. */
export const weighBounds = (name: OutcomeName, low: number, high: number, spread: number) => (view: SampleView) =>
  logOfBounds(view.out[name][view.index] as number, low, high, spread);

/** A gap of this much, in logarithms, is half felt. */
const feltGap = 0.1;
/** How likely a gap is felt at all, 0 to 1. */
export const feltAt = (gap: number): number => 1 / (1 + Math.exp(-(gap - feltGap) / 0.04));

/** How often people call good what is not, or the other way round. Assumption. */
const judgedWrong = 0.06;

/** Weighs what somebody said of whether they could edit like this. */
export const weighJudgement =
  (isGood: boolean, complaint: Complaint) =>
  ({ state, out, index }: SampleView): number => {
    const ill = judgedWrong + (1 - 2 * judgedWrong) * feltAt(gapOf(complaint, state, out, index));
    return Math.log(isGood ? 1 - ill : ill);
  };
