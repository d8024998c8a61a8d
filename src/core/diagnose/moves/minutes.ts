import type { JobCard } from '../../card';

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
