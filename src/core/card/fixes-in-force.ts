import { isSwitchable } from '../fixes/fix-facts';
import { medianOf } from '../numbers/percentile';
import type { FixUse, JobCard, Reading, Trial, WorkingSet } from './types';

/** Kept trials whose fix is still made, in the order in which they were kept; the newest level of each only. */
export const keptTrials = (card: JobCard): readonly Trial[] =>
  card.trials.reduce<readonly Trial[]>((kept, trial) => {
    if (trial.status !== 'kept') return kept;
    const others = kept.filter(({ fix }) => fix.id !== trial.fix.id);
    return trial.direction === 'make' ? [...others, trial] : others;
  }, []);

/** Kept fixes in the order in which they were kept, the newest level of each only. */
export const keptFixes = (card: JobCard): readonly FixUse[] => keptTrials(card).map(({ fix }) => fix);

/** The trial under way, or null. */
export const openTrial = (card: JobCard): Trial | null => card.trials.find((trial) => trial.status === 'open') ?? null;

/** The working set switched to, or null where the kept fixes are as they were kept. */
export const workingSetInUse = (card: JobCard): WorkingSet | null =>
  card.workingSets.find(({ id }) => id === card.workingSetId) ?? null;

/** The kept fixes with those of a working set in place of the ones that people switch to and fro. */
export const fixesOfSet = (card: JobCard, set: WorkingSet | null): readonly FixUse[] =>
  set ? [...keptFixes(card).filter(({ id }) => !isSwitchable(id)), ...set.fixes] : keptFixes(card);

/** Everything that is set in the editor now: kept fixes, switched by a working set, and last the one on trial. */
export function fixesInForce(card: JobCard): readonly FixUse[] {
  const trial = openTrial(card);
  const settled = fixesOfSet(card, workingSetInUse(card));
  if (!trial) return settled;
  const others = settled.filter((fix) => fix.id !== trial.fix.id);
  return trial.direction === 'make' ? [...others, trial.fix] : others;
}

/** The card as it is without the working set: what progress and diagnosis look at. */
export const withoutWorkingSet = (card: JobCard): JobCard =>
  card.workingSetId === null ? card : { ...card, workingSetId: null };

/** Whether two uses are of one fix at one level. */
export const isSameFix = (a: FixUse, b: FixUse): boolean => a.id === b.id && a.level === b.level;

/** A fix at a level in one word: "lower-preview-quality=1/4". */
export const keyOfFix = ({ id, level }: FixUse): string => `${id}=${level}`;

/** Fixes at their levels in one word: the same for the same ones in the same order. */
export const keyOfFixes = (fixes: readonly FixUse[]): string => fixes.map(keyOfFix).join('+');

/** Whether two lists hold the same fixes at the same levels, in any order. */
export const areSameFixes = (a: readonly FixUse[], b: readonly FixUse[]): boolean =>
  a.length === b.length && [...a].map(keyOfFix).sort().join() === [...b].map(keyOfFix).sort().join();

/** The newest reading, whatever set-up it was taken under, or null. */
export const latestReading = (card: JobCard): Reading | null => card.readings.at(-1) ?? null;

/** The newest reading under the set-up in force, or null: only it can be compared with a fix's effect. */
export function readingInForce(card: JobCard): Reading | null {
  const inForce = fixesInForce(card);
  return card.readings.findLast((reading) => areSameFixes(reading.fixes, inForce)) ?? null;
}

/** The middle of the rates that were read under a set-up, frames a second; null where none was. */
export function rateUnder(
  readings: readonly Reading[],
  fixes: readonly FixUse[],
  moment: Reading['moment'],
): number | null {
  const rates = readings
    .filter((reading) => reading.moment === moment && areSameFixes(reading.fixes, fixes))
    .flatMap(({ shownFps }) => (shownFps === null ? [] : [shownFps]));
  return rates.length > 0 ? medianOf(rates) : null;
}

/** A reading by its id; null where it was deleted. */
export const findReading = (card: JobCard, id: string | null): Reading | null =>
  card.readings.find((reading) => reading.id === id) ?? null;
