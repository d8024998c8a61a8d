import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { createReading, type Reading } from '../card';
import type { MeterResult } from '../meter';
import { toMeasuredReading } from '../readings';
import { believe } from '.';
import { forecastUnder } from './forecast-belief';

const [demo] = await loadDemoCards();
if (!demo) throw new Error('no demo card');

const readFps = 9;
const metered = (
  of: Pick<MeterResult, 'confidence' | 'reason' | 'isAtLeast'> & Partial<Pick<MeterResult, 'intervalsMs'>>,
): Reading => {
  const result: MeterResult = {
    ...{ shownFps: readFps, slowestSecondFps: 8, worstOnePercentFps: 5, longestFreezeMs: 150, freezesPerMinute: 0 },
    ...{ startDelayMs: 40, settledAfterMs: 0, settledFps: readFps, deadlineMs: 40 },
    intervalsMs: Array.from({ length: 120 }, () => 1000 / readFps),
    ...of,
  };
  return {
    ...createReading({ id: 'metered', takenAtMs: 5, how: 'metered', shownFps: readFps }),
    fixes: [],
    measured: toMeasuredReading(result, { source: 'recording', pace: 'unknown', ownLoadRatio: null }),
  };
};

/** What is believed to be shown after one metered reading, and no other. */
const believedAfter = (reading: Reading) =>
  forecastUnder(believe({ ...demo, readings: [reading] }, { sampleCount: 1500 }), []).shownFps;

describe('what a metered rate says', () => {
  const sure = believedAfter(metered({ confidence: 'high', reason: 'clear', isAtLeast: false }));

  it('is held to more loosely where the meter is not sure', () => {
    const unsure = believedAfter(metered({ confidence: 'low', reason: 'strong-compression', isAtLeast: false }));
    expect(unsure.high / unsure.low).toBeGreaterThan(1.15 * (sure.high / sure.low));
  });

  it('is what it is where freezes make it low, and all that is wanted comes between them', () => {
    const intervalsMs = Array.from({ length: 120 }, (_, i) => (i % 20 === 0 ? 1900 : 1000 / 60));
    expect(
      believedAfter(metered({ confidence: 'medium', reason: 'at-recorded-rate', isAtLeast: true, intervalsMs })),
    ).toEqual(sure);
  });

  it('is the least that can be where the meter saw no more than that', () => {
    const atLeast = believedAfter(metered({ confidence: 'medium', reason: 'at-recorded-rate', isAtLeast: true }));
    expect(atLeast.high).toBeGreaterThan(1.2 * sure.high);
    expect(atLeast.low).toBeGreaterThan(0.8 * readFps);
  });
});
