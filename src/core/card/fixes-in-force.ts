import type { FixUse, JobCard, Reading, Trial } from './types';

/** Kept fixes in the order in which they were kept, the newest level of each only. */
export const keptFixes = (card: JobCard): readonly FixUse[] => {
  const kept = card.trials.filter((trial) => trial.status === 'kept').map((trial) => trial.fix);
  return kept.filter((fix, i) => !kept.slice(i + 1).some((later) => later.id === fix.id));
};

/** The trial under way, or null. */
export const openTrial = (card: JobCard): Trial | null => card.trials.find((trial) => trial.status === 'open') ?? null;

/** Kept fixes and, last, the one on trial. */
export function fixesInForce(card: JobCard): readonly FixUse[] {
  const trial = openTrial(card);
  const kept = keptFixes(card);
  return trial ? [...kept.filter((fix) => fix.id !== trial.fix.id), trial.fix] : kept;
}

const nameOf = (fix: FixUse): string => `${fix.id}=${fix.level}`;

/** Whether two lists hold the same fixes at the same levels, in any order. */
export const areSameFixes = (a: readonly FixUse[], b: readonly FixUse[]): boolean =>
  a.length === b.length && [...a].map(nameOf).sort().join() === [...b].map(nameOf).sort().join();

/** The newest reading, whatever set-up it was taken under, or null. */
export const latestReading = (card: JobCard): Reading | null => card.readings.at(-1) ?? null;

/** The newest reading under the set-up in force, or null: only it can be compared with a fix's effect. */
export function readingInForce(card: JobCard): Reading | null {
  const inForce = fixesInForce(card);
  return card.readings.findLast((reading) => areSameFixes(reading.fixes, inForce)) ?? null;
}

/** A reading by its id; null where it was deleted. */
export const findReading = (card: JobCard, id: string | null): Reading | null =>
  card.readings.find((reading) => reading.id === id) ?? null;
