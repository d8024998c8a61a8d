import type { JobCard, StepId } from '@/core/card';
import type { NextStep } from '@/core/diagnose';
import { stepTexts } from '@/messages/card';
import { fixTitle } from '@/messages/fix-titles';

export interface NextStepText {
  readonly title: string;
  readonly why: string;
  readonly button: string;
  readonly stepId: StepId;
}

const stepVerbs: Readonly<Record<StepId, string>> = {
  'first-things': 'Answer the first things',
  machine: 'Describe the machine',
  footage: 'Add your footage',
  timeline: 'Describe the timeline',
  symptoms: 'Say when it lags',
  findings: 'Read the findings',
  fixes: 'Try a fix',
  'export-check': 'Put things back',
};

/** The one next step of a card, in words, with where it leads. */
export function describeNextStep(next: NextStep, card: JobCard): NextStepText {
  switch (next.kind) {
    case 'do-step':
      return {
        title: stepVerbs[next.stepId],
        why: stepTexts[next.stepId].lead,
        button: `Go to ${stepTexts[next.stepId].label}`,
        stepId: next.stepId,
      };
    case 'take-reading':
      return {
        title: 'Take a reading',
        why: 'The set-up has changed since the last one, so there is nothing yet to compare a fix with.',
        button: 'Type a reading',
        stepId: 'symptoms',
      };
    case 'finish-trial':
      return {
        title: next.hasReading ? 'Keep it or undo it' : 'Measure the change',
        why: next.hasReading
          ? 'The second reading is there.'
          : 'Make the change, play the same stretch, type what you see.',
        button: 'Go on with the trial',
        stepId: 'fixes',
      };
    case 'try-fix':
      return {
        title: fixTitle(next.ranked.id, next.ranked.level),
        why: 'First, because by the estimate it brings most for what it costs.',
        button: 'Show me how',
        stepId: 'fixes',
      };
    case 'no-fix-left':
      return {
        title: 'Nothing left that should help',
        why: 'By the estimate none of the fixes here closes the rest of the gap. Check what is assumed about the machine and the timeline.',
        button: 'Look at the fixes',
        stepId: 'fixes',
      };
    case 'put-back':
      return {
        title: 'Edit; put back before export',
        why: 'The preview is usable. Some things were given up for it, and must not end up in the film.',
        button: 'See what to put back',
        stepId: 'export-check',
      };
    case 'export':
      return {
        title: 'Ready to export',
        why: card.trials.length > 0 ? 'Everything is put back.' : 'Nothing was changed, so nothing needs putting back.',
        button: 'Look at the export check',
        stepId: 'export-check',
      };
  }
}
