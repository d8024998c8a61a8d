import { type MeasuredReading, mostIntervals } from '../card';
import type { MeterResult } from '../meter';

/** Film time that lags behind the clock by more than this has slowed down. */
const slowedRatio = 1.05;

/**
 * Whether film time kept up: how long the stretch took to play against how long it is. Unknown where nobody says how
 * long it is.
 */
export function paceOf(playedMs: number, stretchMs: number | null): MeasuredReading['pace'] {
  if (stretchMs === null || stretchMs <= 0) return 'unknown';
  return playedMs > slowedRatio * stretchMs ? 'slowed' : 'in-step';
}

const toHundredths = (value: number): number => Math.round(value * 100) / 100;

/** What is kept of a measurement on the card; of a very long one only the first intervals. */
export const toMeasuredReading = (
  result: MeterResult,
  from: Pick<MeasuredReading, 'source' | 'pace' | 'ownLoadRatio'>,
): MeasuredReading => ({
  ...from,
  intervalsMs: result.intervalsMs.slice(0, mostIntervals).map(toHundredths),
  deadlineMs: toHundredths(result.deadlineMs),
  isAtLeast: result.isAtLeast,
  slowestSecondFps: toHundredths(result.slowestSecondFps),
  worstOnePercentFps: toHundredths(result.worstOnePercentFps),
  longestFreezeMs: toHundredths(result.longestFreezeMs),
  freezesPerMinute: toHundredths(result.freezesPerMinute),
  startDelayMs: toHundredths(result.startDelayMs),
  settledAfterMs: toHundredths(result.settledAfterMs),
  settledFps: toHundredths(result.settledFps),
  confidence: result.confidence,
  reason: result.reason,
});
