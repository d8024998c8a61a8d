import {
  type FixUse,
  isCardUsable,
  isReadyToExport,
  type JobCard,
  latestReading,
  listSteps,
  openTrial,
  type Reading,
  readingInForce,
  type StepId,
  targetFpsOf,
  withoutWorkingSet,
} from '../card';
import { leastGain, type RankedFix } from '../fixes';
import { createRefusal } from './candidates';
import { computeFindings, type Findings, rankCardFixes } from './findings';

/** How far a trial has come. */
export type TrialStage = 'make' | 'measure' | 'decide';

/** The one thing to do next on a card. */
export type NextStep =
  | { readonly kind: 'do-step'; readonly stepId: StepId }
  | { readonly kind: 'take-reading' }
  | { readonly kind: 'finish-trial'; readonly fix: FixUse; readonly stage: TrialStage }
  /** Which one, the belief says; until it has, or where it cannot be asked, `firstByEstimate` does. */
  | { readonly kind: 'choose-fix' }
  | { readonly kind: 'put-back' }
  | { readonly kind: 'export' };

/** A card's state at a glance: the gauge and the list of cards show the same. */
export interface CardOverview {
  readonly targetFps: number;
  readonly findings: Findings;
  /** The reading that stands for now: under the set-up in force, else the newest. */
  readonly reading: Reading | null;
  readonly isReadingInForce: boolean;
  readonly isUsable: boolean;
  readonly next: NextStep;
}

function findNextStep(card: JobCard): NextStep {
  const trial = openTrial(card);
  if (trial)
    return {
      kind: 'finish-trial',
      fix: trial.fix,
      stage: trial.afterReadingId !== null ? 'decide' : trial.madeAtMs === null ? 'make' : 'measure',
    };
  const next = listSteps(card).find((step) => step.isNext)?.id;
  if (next === undefined) return { kind: 'export' };
  if (next === 'export-check') return isReadyToExport(card) ? { kind: 'export' } : { kind: 'put-back' };
  if (next !== 'fixes') return { kind: 'do-step', stepId: next };
  if (!readingInForce(card)) return { kind: 'take-reading' };
  return { kind: 'choose-fix' };
}

/** The fix that by the estimate alone brings most for what it costs, of those not given up; null where none is left. */
export function firstByEstimate(card: JobCard): RankedFix | null {
  const isRefused = createRefusal(card);
  return rankCardFixes(card).find((fix) => fix.gain >= leastGain && !isRefused(fix)) ?? null;
}

/** Everything that is shown of a card at a glance. O(clips log clips). */
export function summariseCard(card: JobCard): CardOverview {
  // A working set that is switched to changes what is seen, not how far the card has come.
  const settled = withoutWorkingSet(card);
  const inForce = readingInForce(card);
  return {
    targetFps: targetFpsOf(card),
    findings: computeFindings(card),
    reading: inForce ?? latestReading(card),
    isReadingInForce: inForce !== null,
    isUsable: isCardUsable(card),
    next: findNextStep(settled),
  };
}
