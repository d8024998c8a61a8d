import {
  deriveBaseState,
  fixesInForce,
  isCardUsable,
  type JobCard,
  latestReading,
  listSteps,
  openTrial,
  type Reading,
  readingInForce,
  type StepId,
  targetFpsOf,
} from '../card';
import type { CauseId } from '../causes';
import { findRoughly } from '../causes/rough-cause';

/** What the wall of cards tells of each: no fix is worked out for it, so that the first page stays light. */
export interface CardGlance {
  readonly targetFps: number;
  /** The reading that stands for now, or null. */
  readonly reading: Reading | null;
  readonly isUsable: boolean;
  /** By the middle of the estimate, for the set-up before any fix; null where fixes are in force. */
  readonly expectedFps: number | null;
  readonly roughCause: CauseId | null;
  readonly fixCount: number;
  readonly next:
    | { readonly kind: 'step'; readonly stepId: StepId }
    | { readonly kind: 'trial' }
    | { readonly kind: 'export' };
}

function nextOf(card: JobCard): CardGlance['next'] {
  if (openTrial(card)) return { kind: 'trial' };
  const step = listSteps(card).find(({ isNext }) => isNext);
  return step ? { kind: 'step', stepId: step.id } : { kind: 'export' };
}

/** A card's state at a glance. O(clips log clips). */
export function glanceAtCard(card: JobCard): CardGlance {
  const fixCount = fixesInForce(card).length;
  const rough = fixCount === 0 ? findRoughly(deriveBaseState(card)) : null;
  return {
    targetFps: targetFpsOf(card),
    reading: readingInForce(card) ?? latestReading(card),
    isUsable: isCardUsable(card),
    expectedFps: rough?.shownFps ?? null,
    roughCause: rough?.causeId ?? null,
    fixCount,
    next: nextOf(card),
  };
}
