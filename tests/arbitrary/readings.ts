import type { MeasuredReading } from '@/core/card/types';

/** What the meter found of an even twelve a second, with what a test changes about it. */
export const measuredReading = (change: Partial<MeasuredReading> = {}): MeasuredReading => ({
  source: 'recording',
  intervalsMs: [80, 80],
  deadlineMs: 40,
  isAtLeast: false,
  slowestSecondFps: 10,
  worstOnePercentFps: 9,
  longestFreezeMs: 90,
  freezesPerMinute: 0,
  startDelayMs: 0,
  settledAfterMs: 0,
  settledFps: 12,
  pace: 'in-step',
  confidence: 'high',
  reason: 'clear',
  ownLoadRatio: null,
  ...change,
});
