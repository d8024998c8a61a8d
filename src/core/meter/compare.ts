import { createRandom } from '../numbers/random';
import { fail, type Result, succeed } from '../result';
import { countFreezes } from './freezes';

/** One measured stretch, as far as it matters for telling whether something changed. */
export interface ComparedReading {
  /** Between new pictures, in order. */
  readonly intervalsMs: readonly number[];
  /** Freezes are counted by it. */
  readonly deadlineMs: number;
  /** Which clip or stretch was played; readings of different ones are not compared. */
  readonly stretch: string;
  readonly moment: 'playing' | 'scrubbing';
  readonly isAtLeast: boolean;
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

export interface ReadingChange {
  readonly verdict: ChangeVerdict;
  readonly before: { readonly shownFps: RangedFigure; readonly freezesPerMinute: number };
  readonly after: { readonly shownFps: RangedFigure; readonly freezesPerMinute: number };
  /** After over before. */
  readonly ratio: RangedFigure;
  /** How large the change is at least, as a share of before; 0 without a clear change. */
  readonly atLeastRatio: number;
}

export type CompareFailure =
  | { readonly code: 'other-stretch'; readonly before: string; readonly after: string }
  | { readonly code: 'other-moment' }
  | { readonly code: 'too-few-pictures'; readonly pictureCount: number };

/** What two readings of the very same thing differ by beyond their own intervals, until repeats say otherwise. Assumption. */
export const usualRepeatSpread = 0.03;
const drawCount = 300;
/** Neighbouring intervals hang together: they are taken in blocks of about half a second. */
const blockMs = 500;
/** What another program does for two seconds of twenty is no trait of the set-up: so much is left out at either end. */
const trimmedRatio = 0.2;
const leastPictures = 8;
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
interface UsualRate {
  readonly log: number;
  readonly deviation: number;
}

/** What a pool usually shows; how far that is open by its blocks drawn again (bootstrap), and by each reading's own level. */
function usualRateOf(pool: ReadingPool, repeatSpread: number): UsualRate {
  const random = createRandom(11);
  const blocks = pool.flatMap(({ intervalsMs }) => blocksOf(intervalsMs));
  const draws = Array.from({ length: drawCount }, () => trimmedMean(blocks.map(() => random.pick(blocks))));
  const mean = totalOf(draws) / drawCount;
  const variance = totalOf(draws.map((draw) => (draw - mean) ** 2)) / drawCount;
  return { log: trimmedMean(blocks), deviation: Math.sqrt(variance + repeatSpread ** 2 / pool.length) };
}

const toRange = (log: number, deviation: number): RangedFigure => ({
  value: Math.exp(log),
  low: Math.exp(log - rangeDeviations * deviation),
  high: Math.exp(log + rangeDeviations * deviation),
});

/** Freezes a minute. */
const freezesOf = (pool: ReadingPool): number => {
  const count = pool.reduce((sum, { intervalsMs, deadlineMs }) => sum + countFreezes(intervalsMs, deadlineMs), 0);
  return (count * 60_000) / totalOf(pool.flatMap(({ intervalsMs }) => intervalsMs));
};

/** Near the recorded rate nothing more is known than that it is at least so much. */
const isFull = (pool: ReadingPool): boolean => pool.every(({ isAtLeast }) => isAtLeast);

/**
 * Whether the preview changed from one set-up to another: what each usually shows is compared, with what their intervals
 * leave open and what two readings of one thing differ by anyhow. Two readings at the recorded rate are never a change.
 *
 * @param repeatSpread standard deviation between repeats, as learned from the card; 0.03 until there are any
 */
export function compareReadings(
  before: ReadingPool,
  after: ReadingPool,
  repeatSpread = usualRepeatSpread,
): Result<ReadingChange, CompareFailure> {
  const all = [...before, ...after];
  const [first] = all;
  if (!first || before.length === 0 || after.length === 0) throw new Error('compareReadings: a side without readings');
  const other = all.find(({ stretch }) => stretch !== first.stretch);
  if (other) return fail({ code: 'other-stretch', before: first.stretch, after: other.stretch });
  if (all.some(({ moment }) => moment !== first.moment)) return fail({ code: 'other-moment' });
  const fewest = Math.min(...all.map(({ intervalsMs }) => intervalsMs.length));
  if (fewest < leastPictures) return fail({ code: 'too-few-pictures', pictureCount: fewest });
  const [was, is] = [usualRateOf(before, repeatSpread), usualRateOf(after, repeatSpread)];
  const difference = is.log - was.log;
  const deviation = Math.hypot(was.deviation, is.deviation);
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
