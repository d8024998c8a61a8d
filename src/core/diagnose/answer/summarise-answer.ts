import { type JobCard, openTrial, withoutWorkingSet } from '../../card';
import { findBindingCause } from '../../causes';
import { chooseStep, type NextMove } from '../moves/next-move';
import { findNextStep, isBelieversStep } from '../moves/next-step';
import { type AnswerSummary, answerEdition } from './answer-summary';
import type { Diagnosis } from './diagnose';
import { currentState } from './findings';
import { nameCause } from './named-cause';

/** The step that the belief would take on a card now; null while a trial is open, and where it has no say. */
export const moveOf = (card: JobCard, diagnosis: Diagnosis): NextMove | null =>
  openTrial(card) || !isBelieversStep(findNextStep(card)) ? null : chooseStep(withoutWorkingSet(card), diagnosis);

/** What is kept of an answer beside its card. O(clips log clips). */
export const summariseAnswer = (card: JobCard, diagnosis: Diagnosis): AnswerSummary => ({
  edition: answerEdition,
  cause: nameCause(card, diagnosis, findBindingCause(currentState(card))),
  move: moveOf(card, diagnosis),
  lessons: diagnosis.lessons,
});
