import { createRandom } from '../numbers/random';
import { fail, type Result, succeed } from '../result';
import { countFreezes } from './freezes';

/** What must be the same for two readings to be compared. */
export const comparedFields = ['stretch', 'doing', 'viewer', 'withEffects', 'pass', 'moment'] as const;
export type ComparedField = (typeof comparedFields)[number];

/** One measured stretch, as far as it matters for telling whether something changed. */
export interface ComparedReading {
  /** Between new pictures, in order; empty where only a rate was typed. */
  readonly intervalsMs: readonly number[];
  /** New pictures a second. */
  readonly shownFps: number;
  /** What was played and how; what is not known is left out, and not held against it. */
  readonly kind: Partial<Readonly<Record<ComparedField, string>>>;
  readonly isAtLeast: boolean;
  /** What the meter itself may be off by, as a standard deviation of the rate's logarithm. */
  readonly meterSpread: number;
}

/** Readings of one set-up: repeats of a reading are pooled. */
export type ReadingPool = readonly ComparedReading[];

type ChangeVerdict = 'better' | 'no-clear-change' | 'worse';

/** A figure with the range in which its true value lies nine times in ten. */
export interface RangedFigure {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** What a pool usually shows. */
export interface PoolFigures {
  readonly shownFps: RangedFigure;
  /** Null where a rate was typed. */
  readonly freezesPerMinute: number | null;
}

export interface ReadingChange {
  readonly verdict: ChangeVerdict;
  readonly before: PoolFigures;
  readonly after: PoolFigures;
  /** After over before. */
  readonly ratio: RangedFigure;
  /** How large the change is at least, as a share of before; 0 without a clear change. */
  readonly atLeastRatio: number;
}

export type CompareFailure =
  | { readonly code: 'other-kind'; readonly field: ComparedField; readonly before: string; readonly after: string }
  | { readonly code: 'too-few-pictures'; readonly pictureCount: number };

/** What two readings of the very same thing differ by beyond their own intervals, until repeats say otherwise. Assumption. */
export const usualRepeatSpread = 0.03;
const drawCount = 300;
/** Neighbouring intervals hang together: they are taken in blocks of about half a second. */
const blockMs = 500;
/** What another program does for two seconds of twenty is no trait of the set-up: so much is left out at either end. */
const trimmedRatio = 0.2;
const leastPictures = 8;
/** What a typed rate is off by, as a standard deviation of its logarithm (docs/model.md). */
const typedSpread = 0.15;
/** A change is clear where chance would make as large a one of none in under one case of twenty (two-sided, normal). */
const clearDeviations = 2.04;
const rangeDeviations = 1.645;

const totalOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

/** Logarithm of the rate of each block of intervals. */
function blocksOf(intervalsMs: readonly number[]): readonly number[] {
  const blocks: number[] = [];
  let ms = 0;
  let count = 0;
  for (const intervalMs of intervalsMs) {
    ms += intervalMs;
    count++;
    if (ms < blockMs) continue;
    blocks.push(Math.log((1000 * count) / ms));
    ms = 0;
    count = 0;
  }
  return blocks.length > 0 ? blocks : [Math.log((1000 * intervalsMs.length) / totalOf(intervalsMs))];
}

/** The mean without the lowest and the highest. */
function trimmedMean(values: readonly number[]): number {
  const order = [...values].sort((a, b) => a - b);
  const cut = Math.floor(order.length * trimmedRatio);
  const kept = order.slice(cut, order.length - cut);
  return totalOf(kept) / kept.length;
}

/** A pool's usual rate: its logarithm, and the standard deviation of that. */
export interface UsualRate {
  readonly log: number;
  readonly deviation: number;
}

const isTyped = ({ intervalsMs }: ComparedReading): boolean => intervalsMs.length === 0;

/** What typed rates say: no more is known of them than that they are rough. */
function usualTypedRate(pool: ReadingPool): UsualRate {
  const logs = pool.map(({ shownFps }) => Math.log(Math.max(0.05, shownFps)));
  return { log: totalOf(logs) / logs.length, deviation: typedSpread / Math.sqrt(logs.length) };
}

/** What a pool usually shows; how far that is open by its blocks drawn again (bootstrap), and by each reading's own level. */
export function usualRateOf(pool: ReadingPool, repeatSpread = usualRepeatSpread): UsualRate {
  if (pool.some(isTyped)) return usualTypedRate(pool);
  const random = createRandom(11);
  const blocks = pool.flatMap(({ intervalsMs }) => blocksOf(intervalsMs));
  const draws = Array.from({ length: drawCount }, () => trimmedMean(blocks.map(() => random.pick(blocks))));
  const mean = totalOf(draws) / drawCount;
  const variance = totalOf(draws.map((draw) => (draw - mean) ** 2)) / drawCount;
  const levels = totalOf(pool.map(({ meterSpread }) => repeatSpread ** 2 + meterSpread ** 2)) / pool.length ** 2;
  return { log: trimmedMean(blocks), deviation: Math.sqrt(variance + levels) };
}

/** The first thing in which two of the readings are known to differ in kind. */
function findOtherKind(pool: ReadingPool): CompareFailure | null {
  for (const field of comparedFields) {
    const known = pool.flatMap(({ kind }) => kind[field] ?? []);
    const other = known.find((value) => value !== known[0]);
    if (other !== undefined) return { code: 'other-kind', field, before: known[0] as string, after: other };
  }
  return null;
}

const toRange = (log: number, deviation: number): RangedFigure => ({
  value: Math.exp(log),
  low: Math.exp(log - rangeDeviations * deviation),
  high: Math.exp(log + rangeDeviations * deviation),
});

/** Freezes a minute; null where a rate was typed. */
const freezesOf = (pool: ReadingPool): number | null => {
  if (pool.some(isTyped)) return null;
  const count = pool.reduce((sum, { intervalsMs }) => sum + countFreezes(intervalsMs), 0);
  return (count * 60_000) / totalOf(pool.flatMap(({ intervalsMs }) => intervalsMs));
};

/** Near the recorded rate nothing more is known than that it is at least so much. */
const isFull = (pool: ReadingPool): boolean => pool.every(({ isAtLeast }) => isAtLeast);

/**
 * Whether the preview changed from one set-up to another: what each usually shows is compared, with what their intervals
 * leave open and what two readings of one thing differ by anyhow. Two readings at the recorded rate are never a change.
 *
 * `repeatSpread` is the standard deviation between repeats, as learned from the card (0.03 until there are any);
 * `sharedSpread` what their difference is off by beside that. Both of the rate's logarithm.
 */
export function compareReadings(
  before: ReadingPool,
  after: ReadingPool,
  {
    repeatSpread = usualRepeatSpread,
    sharedSpread = 0,
  }: { readonly repeatSpread?: number | undefined; readonly sharedSpread?: number } = {},
): Result<ReadingChange, CompareFailure> {
  const all = [...before, ...after];
  if (before.length === 0 || after.length === 0) throw new Error('compareReadings: a side without readings');
  const otherKind = findOtherKind(all);
  if (otherKind) return fail(otherKind);
  const fewest = Math.min(...all.filter((reading) => !isTyped(reading)).map(({ intervalsMs }) => intervalsMs.length));
  if (fewest < leastPictures) return fail({ code: 'too-few-pictures', pictureCount: fewest });
  const [was, is] = [usualRateOf(before, repeatSpread), usualRateOf(after, repeatSpread)];
  const difference = is.log - was.log;
  const deviation = Math.hypot(was.deviation, is.deviation, sharedSpread);
  const isClear = Math.abs(difference) > clearDeviations * deviation;
  const isBetter = isClear && difference > 0 && !isFull(before);
  const isWorse = isClear && difference < 0 && !isFull(after);
  const atLeast = Math.abs(difference) - rangeDeviations * deviation;
  return succeed({
    verdict: isBetter ? 'better' : isWorse ? 'worse' : 'no-clear-change',
    before: { shownFps: toRange(was.log, was.deviation), freezesPerMinute: freezesOf(before) },
    after: { shownFps: toRange(is.log, is.deviation), freezesPerMinute: freezesOf(after) },
    ratio: toRange(difference, deviation),
    atLeastRatio: isBetter ? Math.expm1(atLeast) : isWorse ? -Math.expm1(-atLeast) : 0,
  });
}

/**
 * Standard deviation of the logarithm of the rate between repeats of one set-up; null without any. Groups of repeats
 * are held together with the usual spread, which counts as two of them.
 */
export function learnRepeatSpread(groups: readonly (readonly number[])[]): number | null {
  let squares = 0;
  let count = 0;
  for (const rates of groups) {
    if (rates.length < 2) continue;
    const logs = rates.map(Math.log);
    const mean = totalOf(logs) / logs.length;
    squares += logs.reduce((sum, log) => sum + (log - mean) ** 2, 0);
    count += logs.length - 1;
  }
  if (count === 0) return null;
  return Math.sqrt((squares + 2 * usualRepeatSpread ** 2) / (count + 2));
}
