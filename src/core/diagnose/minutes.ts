import { isCardUsable, type JobCard, openTrial } from '../card';
import { findFix } from '../fixes';
import type { Diagnosis } from './diagnose';
import { keptState } from './findings';
import type { NextMove } from './next-move';

/** A longer pause than this between two things that were done is no work on the card. */
const longestPauseMinutes = 10;

/** How long somebody has worked on a card, in minutes: between readings, answers and trials, pauses left out. */
export function minutesSpent(card: JobCard): number {
  const atMs = [
    ...card.readings.map(({ takenAtMs }) => takenAtMs),
    ...card.answers.map(({ takenAtMs }) => takenAtMs),
    ...card.trials.flatMap(({ startedAtMs, madeAtMs, endedAtMs }) => [startedAtMs, madeAtMs, endedAtMs]),
  ]
    .filter((ms) => ms !== null)
    .sort((a, b) => a - b);
  return atMs
    .slice(1)
    .reduce((sum, ms, i) => sum + Math.min(longestPauseMinutes, (ms - (atMs[i] as number)) / 60_000), 0);
}

/** What is likely left to do, in minutes; null where no way to a usable preview is known. */
export function minutesLeft(
  card: JobCard,
  diagnosis: Diagnosis,
  move: NextMove,
): { readonly low: number; readonly high: number } | null {
  const trial = openTrial(card);
  const open = trial ? (findFix(trial.fix.id)?.effortMinutes(keptState(card), trial.fix.level) ?? 0) + 1 : 0;
  if (isCardUsable(card)) return { low: open, high: open };
  const asking = move.kind === 'ask' ? move.test.minutes : 0;
  if (diagnosis.plans.length === 0) return null;
  const low = Math.min(...diagnosis.plans.map(({ minutes, fixes }) => minutes + fixes.length));
  // A way that is right four times in five takes a quarter longer on average.
  const high = Math.min(
    ...diagnosis.plans.map(({ minutes, fixes, probability }) => (minutes + fixes.length) / probability),
  );
  return { low: low + asking, high: Math.max(1.25 * low, high) + asking + open };
}
