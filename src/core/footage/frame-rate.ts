import { percentileOfSorted } from '../numbers/percentile';
import { type Rational, rationalToNumber, reduceRational } from '../numbers/rational';

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
}

/** Largest distance, in ticks, of any stamp from the nearest place where a frame of this rate could stand. */
function misfitTicks(ticks: readonly number[], rate: Rational, ticksPerSec: number): number {
  const first = ticks[0] ?? 0;
  const ticksPerFrame = (ticksPerSec * rate.den) / rate.num;
  let worst = 0;
  for (const tick of ticks) {
    const frames = (tick - first) / ticksPerFrame;
    worst = Math.max(worst, Math.abs(frames - Math.round(frames)) * ticksPerFrame);
  }
  return worst;
}

/**
 * The rate of a track whose clock may be too coarse to state it (whole milliseconds), from its presentation
 * stamps: the standard rate nearest to the average on which every stamp lies within rounding.
 * Averaging the stamps alone would give 23.9778 for 23.976.
 */
function fitStandardRate(ticks: readonly number[], averageFps: number, ticksPerSec: number): Rational | null {
  // Each stamp is rounded to a tick, and so is the first one that all are measured from.
  const toleranceTicks = 1.05;
  const near = standardFrameRates
    .filter((rate) => Math.abs(rationalToNumber(rate) / averageFps - 1) < 0.02)
    .map((rate) => ({ rate, misfit: misfitTicks(ticks, rate, ticksPerSec) }))
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

/**
 * Frame rate and whether it is constant, from presentation stamps of consecutive frames.
 *
 * @param source.stampsMs stamps in any order; at least one
 * @param source.ticksPerSec the container's clock
 * @param source.coveredMs from the first stamp to the end of the last frame
 * @param source.declaredFrameDurationNs what the track declares, used where the stamps agree with it
 */
export function computeFrameRate(source: {
  readonly stampsMs: readonly number[];
  readonly ticksPerSec: number;
  readonly coveredMs: number;
  readonly declaredFrameDurationNs: number | null;
}): FrameRateFacts {
  const { ticksPerSec } = source;
  const ticks = source.stampsMs.map((ms) => Math.round((ms * ticksPerSec) / 1000)).sort((a, b) => a - b);
  const intervals = ticks.slice(1).map((tick, i) => tick - (ticks[i] as number));
  const sorted = [...intervals].sort((a, b) => a - b);
  const usual = sorted.length > 0 ? percentileOfSorted(sorted, 0.5) : 0;
  // Rounding to ticks moves an interval by at most one; a tenth of a frame is no camera's jitter.
  const toleranceTicks = Math.max(1.01, usual * 0.02);
  const isVariableFrameRate =
    sorted.length > 1 &&
    ((sorted.at(-1) as number) - usual > toleranceTicks || usual - (sorted[0] as number) > toleranceTicks);
  const coveredTicks = Math.max(1, Math.round((source.coveredMs * ticksPerSec) / 1000));
  const average = reduceRational({ num: ticks.length * Math.round(ticksPerSec), den: coveredTicks });
  if (isVariableFrameRate) return { frameRate: average, isVariableFrameRate };
  const declared = source.declaredFrameDurationNs ? rateOfDuration(source.declaredFrameDurationNs) : null;
  if (declared && misfitTicks(ticks, declared, ticksPerSec) <= 1.05)
    return { frameRate: declared, isVariableFrameRate };
  const meanIntervalTicks =
    sorted.length > 0 ? ((ticks.at(-1) as number) - (ticks[0] as number)) / intervals.length : coveredTicks;
  const fitted = fitStandardRate(ticks, ticksPerSec / meanIntervalTicks, ticksPerSec);
  return { frameRate: fitted ?? average, isVariableFrameRate };
}
