import { areSameFixes, type FixUse, isSameFix, type JobCard, keptFixes, openTrial } from '../../card';
import { createRefusal } from '../moves/candidates';

/** What is left of the plan that was chosen: not kept yet, not on trial, and neither refused nor undone. */
export function remainingPlan(card: JobCard): readonly FixUse[] {
  const kept = keptFixes(card);
  const trial = openTrial(card);
  const isRefused = createRefusal(card);
  const isMade = (fix: FixUse): boolean => kept.some((other) => isSameFix(other, fix)) || trial?.fix.id === fix.id;
  return card.chosenPlan.filter((fix) => !isMade(fix) && !isRefused(fix));
}

/** Whether this is the plan that was chosen. */
export const isChosenPlan = (card: JobCard, fixes: readonly FixUse[]): boolean =>
  card.chosenPlan.length > 0 && areSameFixes(card.chosenPlan, fixes);
