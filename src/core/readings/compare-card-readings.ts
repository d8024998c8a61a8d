import { areSameFixes, type FixUse, type JobCard, type Reading } from '../card';
import {
  type ComparedReading,
  type CompareFailure,
  compareReadings,
  learnRepeatSpread,
  meterSpreadOf,
  type ReadingChange,
} from '../meter';
import { meanOf } from '../numbers/mean';
import { medianOf } from '../numbers/percentile';
import type { Result } from '../result';

/** Readings of one set-up among those chosen, and whether it changed against the first set-up. */
export interface ComparedSetup {
  readonly fixes: readonly FixUse[];
  readonly readings: readonly Reading[];
  readonly shownFps: number;
  /** Null for the first. */
  readonly change: Result<ReadingChange, CompareFailure> | null;
}

const known = (value: string): string | undefined => (value === '' || value === 'unknown' ? undefined : value);

/** The rate of a reading: of playing, or of new pictures while scrubbing; null where it has none. */
export const rateOfReading = ({ shownFps, measured }: Reading): number | null =>
  shownFps ?? (measured && measured.intervalsMs.length > 0 ? 1000 / meanOf(measured.intervalsMs) : null);

/** A reading as far as it matters for telling whether something changed. */
export function toCompared(reading: Reading, shownFps: number): ComparedReading {
  const { measured, stretch, doing, viewer, withEffects, pass, moment } = reading;
  const kind = Object.entries({ stretch, doing, viewer, withEffects, pass, moment }).flatMap(([field, value]) => {
    const said = known(value);
    return said === undefined ? [] : [[field, said]];
  });
  return {
    intervalsMs: measured?.intervalsMs ?? [],
    shownFps,
    kind: Object.fromEntries(kind),
    isAtLeast: measured?.isAtLeast ?? false,
    meterSpread: measured ? meterSpreadOf(measured) : 0,
  };
}

interface RatedReading {
  readonly reading: Reading;
  readonly rate: number;
}

/** Readings of one set-up together, in the order in which set-ups first appear. */
function groupBySetup(rated: readonly RatedReading[]): readonly (readonly RatedReading[])[] {
  const groups: RatedReading[][] = [];
  for (const each of rated) {
    const group = groups.find(([first]) => first && areSameFixes(first.reading.fixes, each.reading.fixes));
    if (group) group.push(each);
    else groups.push([each]);
  }
  return groups;
}

const rate = (readings: readonly Reading[]): readonly RatedReading[] =>
  readings.flatMap((reading) => {
    const value = rateOfReading(reading);
    return value === null ? [] : [{ reading, rate: Math.max(0.05, value) }];
  });

/** What repeats on this card differ by, measured ones alone; undefined without any. */
function repeatSpreadOf(card: JobCard): number | undefined {
  const measured = rate(card.readings.filter((reading) => reading.measured !== null && reading.doing === 'playing'));
  return learnRepeatSpread(groupBySetup(measured).map((group) => group.map(({ rate: fps }) => fps))) ?? undefined;
}

/**
 * Chosen readings side by side: repeats of one set-up are pooled, and each set-up is held against the first. Readings
 * without a rate are left out.
 */
export function compareCardReadings(card: JobCard, ids: ReadonlySet<string>): readonly ComparedSetup[] {
  const groups = groupBySetup(rate(card.readings.filter(({ id }) => ids.has(id))));
  const spread = repeatSpreadOf(card);
  const poolOf = (group: readonly RatedReading[]): readonly ComparedReading[] =>
    group.map(({ reading, rate: fps }) => toCompared(reading, fps));
  const [first] = groups;
  return groups.map((group) => ({
    fixes: group[0]?.reading.fixes ?? [],
    readings: group.map(({ reading }) => reading),
    shownFps: medianOf(group.map(({ rate: fps }) => fps)),
    change: !first || group === first ? null : compareReadings(poolOf(first), poolOf(group), { repeatSpread: spread }),
  }));
}
