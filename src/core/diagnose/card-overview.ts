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
  | { readonly kind: 'try-fix'; readonly ranked: RankedFix }
  | { readonly kind: 'no-fix-left' }
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
  const isRefused = createRefusal(card);
  const ranked = rankCardFixes(card).find((fix) => fix.gain >= leastGain && !isRefused(fix));
  return ranked ? { kind: 'try-fix', ranked } : { kind: 'no-fix-left' };
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
