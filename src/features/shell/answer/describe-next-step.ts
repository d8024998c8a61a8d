import type { JobCard, StepId } from '@/core/card';
import { firstByEstimate, type NextMove, type NextStep, type TrialStage } from '@/core/diagnose';
import { findFix } from '@/core/fixes';
import { stepTexts } from '@/messages/card';
import { formatChance } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { describeEffort, fixTexts } from '@/messages/fixes';
import { formatMinutes } from '@/messages/format';
import { describeMoveReason } from '@/messages/loop';
import { titleOfMove } from '@/messages/move-title';
import { questionTexts } from '@/messages/questions';
import { stepVerbs } from '../rail/step-verbs';
import { describeFixFacts, type FixFact } from './fix-facts';

export interface NextStepText {
  readonly title: string;
  readonly why: string;
  readonly button: string;
  readonly stepId: StepId;
  /** Whether it is the step itself that is to be done, so that it can be called done where it stands. */
  readonly isStep?: boolean;
  /** What stands beside it. */
  readonly facts?: readonly FixFact[];
}

/** While the causes are weighed for the first time, no step is proposed yet. */
export const waitingStep: NextStepText = {
  title: 'Working out what helps most…',
  why: 'Every cause is weighed against all that is on the card. It takes a second or two.',
  button: '',
  stepId: 'fixes',
};

/** While a trial's second reading says something else than all that is known. */
export const doubtStep: NextStepText = {
  title: 'Measure once more',
  why: 'The second reading is not what was to be expected, and may be far off.',
  button: 'Go on with the trial',
  stepId: 'fixes',
};

/** A step that the belief proposes, in words, with what stands beside it; null where it has nothing left. */
export function describeMove(move: NextMove): NextStepText | null {
  if (move.kind === 'nothing-left') return null;
  const why = describeMoveReason(move);
  if (move.kind === 'ask') {
    const { id, kind, minutes } = move.test;
    if (kind !== 'test-play' && !(id in questionTexts)) return null;
    return {
      title: titleOfMove(move) ?? '',
      why,
      button: kind === 'test-play' ? 'Show me' : 'Answer it',
      stepId: 'findings',
      facts: [{ name: 'takes', value: formatMinutes(minutes) }],
    };
  }
  const how = { why, button: 'Show me how', stepId: 'fixes' } as const;
  if (move.kind === 'give-back') return { title: titleOfMove(move) ?? '', ...how };
  const title = fixTitle(move.fix.id, move.fix.level);
  if (move.kind === 'ease') return { title, ...how };
  const fix = findFix(move.fix.id);
  if (!fix) return null;
  const plan = move.kind === 'try' ? move.plan : null;
  const withOthers = plan !== null && plan.fixes.length > 1 ? ', with the others' : '';
  return {
    title,
    ...how,
    facts: [
      ...(plan ? [{ name: 'usable', value: `${formatChance(plan.probability)}${withOthers}` }] : []),
      { name: 'takes', value: describeEffort(move.minutes, fix.requires) },
      { name: 'costs', value: fixTexts[fix.id].cost },
    ],
  };
}

const stageSteps: Readonly<Record<TrialStage, Pick<NextStepText, 'title' | 'why'>>> = {
  make: { title: 'Make the change', why: 'Three short lines say how. Then say that it is made.' },
  measure: { title: 'Measure the change', why: 'Play the same stretch as before, and take a reading.' },
  decide: { title: 'Keep it or undo it', why: 'The second reading is there.' },
};

/** The step that the estimate alone proposes. */
function describeByEstimate(card: JobCard): NextStepText {
  const ranked = firstByEstimate(card);
  if (!ranked)
    return {
      title: 'Nothing left that should help',
      why: 'By the estimate none of the fixes here closes the rest of the gap. Check what is assumed about the machine and the timeline.',
      button: 'Look at the fixes',
      stepId: 'fixes',
    };
  return {
    title: fixTitle(ranked.id, ranked.level),
    why: 'First, because by the estimate it brings most for what it costs.',
    button: 'Show me how',
    stepId: 'fixes',
    facts: describeFixFacts(ranked),
  };
}

/** The one next step of a card, in words, with where it leads. With fixes to rank it takes milliseconds: not for every frame. */
export function describeNextStep(next: NextStep, card: JobCard): NextStepText {
  switch (next.kind) {
    case 'do-step':
      return {
        title: stepVerbs[next.stepId],
        why: stepTexts[next.stepId].lead,
        button: `Go to ${stepTexts[next.stepId].label}`,
        stepId: next.stepId,
        isStep: true,
      };
    case 'take-reading':
      return {
        title: 'Take a reading',
        why: 'The set-up has changed since the last one, so there is nothing yet to compare a fix with.',
        button: 'Take it now',
        stepId: 'fixes',
      };
    case 'finish-trial':
      return { ...stageSteps[next.stage], button: 'Go on with the trial', stepId: 'fixes' };
    case 'choose-fix':
      return describeByEstimate(card);
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
