import { percentileOfSorted } from '../numbers/percentile';
import { type Rational, rationalToNumber, reduceRational } from '../numbers/rational';
import type { FrameIntervals } from './types';

/** Rates that cameras, phones and broadcasts use; others are kept as the decimal that the stamps give. */
export const standardFrameRates: readonly Rational[] = [
  { num: 12, den: 1 },
  { num: 15000, den: 1001 },
  { num: 15, den: 1 },
  { num: 24000, den: 1001 },
  { num: 24, den: 1 },
  { num: 25, den: 1 },
  { num: 30000, den: 1001 },
  { num: 30, den: 1 },
  { num: 48000, den: 1001 },
  { num: 48, den: 1 },
  { num: 50, den: 1 },
  { num: 60000, den: 1001 },
  { num: 60, den: 1 },
  { num: 90, den: 1 },
  { num: 100, den: 1 },
  { num: 120000, den: 1001 },
  { num: 120, den: 1 },
  { num: 240000, den: 1001 },
  { num: 240, den: 1 },
];

export interface FrameRateFacts {
  readonly frameRate: Rational;
  readonly isVariableFrameRate: boolean;
  readonly frameIntervals: FrameIntervals | null;
}

/** Stamps of one run of frames in ticks, in the order in which they are shown. */
type TickRun = Float64Array;

/** Largest distance, in ticks, of any stamp from the nearest place where a frame of this rate could stand. */
function misfitTicks(runs: readonly TickRun[], rate: Rational, ticksPerSec: number): number {
  const ticksPerFrame = (ticksPerSec * rate.den) / rate.num;
  let worst = 0;
  for (const run of runs) {
    const first = run[0] ?? 0;
    for (const tick of run) {
      const frames = (tick - first) / ticksPerFrame;
      worst = Math.max(worst, Math.abs(frames - Math.round(frames)) * ticksPerFrame);
    }
  }
  return worst;
}

/**
 * The rate of a track whose clock may be too coarse to state it (whole milliseconds), from its presentation
 * stamps: the standard rate nearest to the average on which every stamp lies within rounding.
 * Averaging the stamps alone would give 23.9778 for 23.976.
 */
function fitStandardRate(runs: readonly TickRun[], averageFps: number, ticksPerSec: number): Rational | null {
  // Each stamp is rounded to a tick, and so is the first one that all are measured from.
  const toleranceTicks = 1.05;
  const near = standardFrameRates
    .filter((rate) => Math.abs(rationalToNumber(rate) / averageFps - 1) < 0.02)
    .map((rate) => ({ rate, misfit: misfitTicks(runs, rate, ticksPerSec) }))
    .filter(({ misfit }) => misfit <= toleranceTicks)
    .sort((a, b) => a.misfit - b.misfit);
  return near[0]?.rate ?? null;
}

/** The standard rate that a declared frame duration in whole nanoseconds stands for, else that duration's own rate. */
function rateOfDuration(durationNs: number): Rational {
  const fps = 1e9 / durationNs;
  const standard = standardFrameRates.find((rate) => Math.abs(rationalToNumber(rate) / fps - 1) < 1e-6);
  return standard ?? reduceRational({ num: 1_000_000_000, den: Math.round(durationNs) });
}

function toTicks(run: ArrayLike<number>, ticksPerSec: number): Float64Array {
  const ticks = new Float64Array(run.length);
  for (let i = 0; i < run.length; i++) ticks[i] = Math.round(((run[i] as number) * ticksPerSec) / 1000);
  return ticks;
}

/** Ticks from each frame to the next, within each run. */
function intervalsOf(runs: readonly TickRun[]): Float64Array {
  const intervals = new Float64Array(sumOf(runs.map((run) => Math.max(0, run.length - 1))));
  let at = 0;
  for (const run of runs)
    for (let i = 1; i < run.length; i++, at++) intervals[at] = (run[i] as number) - (run[i - 1] as number);
  return intervals;
}

const spanOf = (run: TickRun): number => (run.at(-1) ?? 0) - (run[0] ?? 0);
const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

/**
 * Frame rate, whether it is constant, and the intervals between frames, from presentation stamps of consecutive frames.
 * A rate that the track declares is taken where every stamp lies on its grid, also where frames are missing from it:
 * that is how ffprobe states it.
 *
 * @param source.runsMs stamps of each run of consecutive frames, in any order; at least one stamp in all
 * @param source.ticksPerSec the container's clock
 * @param source.coveredMs from the first stamp to the end of the last frame, over all runs; null where runs are cut out
 *   of a longer film, and the average is that of the intervals within them
 * @param source.declaredFrameDurationNs what the track declares, used where the stamps agree with it
 */
export function computeFrameRate(source: {
  readonly runsMs: readonly ArrayLike<number>[];
  readonly ticksPerSec: number;
  readonly coveredMs: number | null;
  readonly declaredFrameDurationNs: number | null;
}): FrameRateFacts {
  const { ticksPerSec } = source;
  const runs: readonly TickRun[] = source.runsMs.map((run) =>
    // A typed array sorts by number, and ten times as fast.
    toTicks(run, ticksPerSec).sort(),
  );
  const frameCount = sumOf(runs.map((run) => run.length));
  const sorted = intervalsOf(runs).sort();
  const [smallest = 0, largest = 0] = [sorted[0], sorted.at(-1)];
  const usual = sorted.length > 0 ? percentileOfSorted(sorted, 0.5) : 0;
  const toMs = (ticks: number): number => (ticks * 1000) / ticksPerSec;
  const frameIntervals: FrameIntervals | null =
    sorted.length > 0 ? { smallestMs: toMs(smallest), usualMs: toMs(usual), largestMs: toMs(largest) } : null;
  // Rounding to ticks moves an interval by at most one; a fiftieth of a frame is no camera's jitter.
  const toleranceTicks = Math.max(1.01, usual * 0.02);
  const isVariableFrameRate =
    sorted.length > 1 && (largest - usual > toleranceTicks || usual - smallest > toleranceTicks);
  const intervalTicks = sumOf(runs.map(spanOf));
  const coveredTicks =
    source.coveredMs === null
      ? intervalTicks * (frameCount / Math.max(1, sorted.length))
      : (source.coveredMs * ticksPerSec) / 1000;
  const average = reduceRational({
    num: frameCount * Math.round(ticksPerSec),
    den: Math.max(1, Math.round(coveredTicks)),
  });
  const declared = source.declaredFrameDurationNs ? rateOfDuration(source.declaredFrameDurationNs) : null;
  if (declared && misfitTicks(runs, declared, ticksPerSec) <= 1.05)
    return { frameRate: declared, isVariableFrameRate, frameIntervals };
  if (isVariableFrameRate) return { frameRate: average, isVariableFrameRate, frameIntervals };
  const meanIntervalTicks = sorted.length > 0 ? intervalTicks / sorted.length : coveredTicks;
  const fitted = fitStandardRate(runs, ticksPerSec / Math.max(meanIntervalTicks, 1e-6), ticksPerSec);
  return { frameRate: fitted ?? average, isVariableFrameRate, frameIntervals };
}
