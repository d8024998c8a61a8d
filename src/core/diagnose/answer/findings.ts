import { priorBelief, rangesUnder } from '../../belief';
import { deriveBaseState, fixesInForce, type JobCard, keptFixes } from '../../card';
import { type CauseId, findBindingCause } from '../../causes';
import { applyFixes } from '../../fixes';
import type { FrameForecast, SetupState } from '../../load';
import { averageStages } from './average-stages';
import { beliefOfFrame } from './belief-of-frame';

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

/** The frame budget and expectations for the set-up as it is now, before any reading speaks. O(clips log clips). */
export function computeFindings(card: JobCard): Findings {
  const prior = priorBelief(card);
  const inForce = fixesInForce(card);
  const state = applyFixes(prior.base, inForce);
  const { targetFps } = state.setup;
  const { shownFps, scrubMs } = rangesUnder(prior, inForce, ['shownFps', 'scrubMs']);
  const { stages, bindingLane } = averageStages(beliefOfFrame({ ...card, readings: [] }, prior), inForce);
  const bindingCause = findBindingCause(state);
  return { stages, bindingLane, shownFps, scrubMs, targetFps, budgetMs: 1000 / targetFps, bindingCause };
}
