import { isCardUsable, type JobCard, openTrial } from '../card';
import { findFix } from '../fixes';
import type { Diagnosis } from './diagnose';
import { keptState } from './findings';
import type { NextMove } from './next-move';

/** Between two things that were done this far apart, somebody did something else. */
const longestPauseMinutes = 45;

/** How long somebody has worked on a card, in minutes: between readings, answers and trials, pauses left out. */
export function minutesSpent(card: JobCard): number {
  const atMs = [
    ...card.readings.map(({ takenAtMs }) => takenAtMs),
    ...card.answers.map(({ takenAtMs }) => takenAtMs),
    ...card.trials.flatMap(({ startedAtMs, madeAtMs, endedAtMs }) => [startedAtMs, madeAtMs, endedAtMs]),
  ]
    .filter((ms) => ms !== null)
    .sort((a, b) => a - b);
  const gaps = atMs.slice(1).map((ms, i) => (ms - (atMs[i] as number)) / 60_000);
  return gaps.filter((minutes) => minutes <= longestPauseMinutes).reduce((sum, minutes) => sum + minutes, 0);
}

/** What is likely left to do, in minutes; null where no way to a usable preview is known. */
export function minutesLeft(
  card: JobCard,
  diagnosis: Diagnosis,
  move: NextMove,
): { readonly low: number; readonly high: number } | null {
  const trial = openTrial(card);
  if (trial) {
    const making = findFix(trial.fix.id)?.effortMinutes(keptState(card), trial.fix.level) ?? 0;
    const left = trial.afterReadingId !== null ? 1 : trial.madeAtMs !== null ? 2 : making + 2;
    return { low: left, high: left };
  }
  if (isCardUsable(card)) return { low: 0, high: 0 };
  const asking = move.kind === 'ask' ? move.test.minutes : 0;
  if (diagnosis.plans.length === 0) return null;
  const low = Math.min(...diagnosis.plans.map(({ minutes, fixes }) => minutes + fixes.length));
  // A way that is right four times in five takes a quarter longer on average.
  const high = Math.min(
    ...diagnosis.plans.map(({ minutes, fixes, probability }) => (minutes + fixes.length) / probability),
  );
  return { low: low + asking, high: Math.max(1.25 * low, high) + asking };
}
