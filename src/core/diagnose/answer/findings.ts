import { deriveBaseState, fixesInForce, type JobCard, keptFixes } from '../../card';
import { type CauseId, findBindingCause } from '../../causes';
import { applyFixes, type RankedFix, rankFixes } from '../../fixes';
import { type FrameForecast, forecast, type SetupState } from '../../load';
import { complaintOf } from '../../usable/respects';

/** The set-up as it is now: the base with the kept fixes and the one on trial. */
export const currentState = (card: JobCard): SetupState => applyFixes(deriveBaseState(card), fixesInForce(card));

/** The set-up with the kept fixes alone, which further fixes are compared with. */
export const keptState = (card: JobCard): SetupState => applyFixes(deriveBaseState(card), keptFixes(card));

/** What the estimate says of a card as it is. */
export interface Findings extends FrameForecast {
  readonly targetFps: number;
  readonly budgetMs: number;
  readonly bindingCause: CauseId | null;
}

/** The frame budget and expectations for the set-up as it is now. O(clips log clips). */
export function computeFindings(card: JobCard): Findings {
  const state = currentState(card);
  const { targetFps } = state.setup;
  return { ...forecast(state), targetFps, budgetMs: 1000 / targetFps, bindingCause: findBindingCause(state) };
}

/** All fixes that can still be made on this card, in the order worth trying. */
export const rankCardFixes = (card: JobCard): readonly RankedFix[] => rankFixes(keptState(card), complaintOf(card));
