import {
  type FixUse,
  isReadyToExport,
  type JobCard,
  listSteps,
  openTrial,
  readingInForce,
  type StepId,
  withoutWorkingSet,
} from '../../card';

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

/** Steps at which the belief has a say; before them something has to be told or read first. */
const beliefSteps: readonly NextStep['kind'][] = ['choose-fix', 'put-back', 'export'];

/** Whether what is believed says which step it is. */
export const isBelieversStep = ({ kind }: NextStep): boolean => beliefSteps.includes(kind);

/** The next step by how far the card has come. A working set that is switched to changes what is seen, not that. */
export function findNextStep(open: JobCard): NextStep {
  const card = withoutWorkingSet(open);
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
