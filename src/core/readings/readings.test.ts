import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { applyCommand, createReading, type FixUse, type JobCard, mostIntervals, type Reading } from '../card';
import type { MeterResult } from '../meter';
import {
  compareCardReadings,
  paceOf,
  parseReadingRecords,
  parseReadingsText,
  rateOfReading,
  serializeReadings,
  toMeasuredReading,
  toReadingRecord,
} from '.';

const [demo] = await loadDemoCards();
if (!demo) throw new Error('no demo card');

const half: FixUse = { id: 'lower-preview-quality', level: '1/2' };

const resultOf = (fps: number, seconds = 15): MeterResult => ({
  shownFps: fps,
  isAtLeast: false,
  slowestSecondFps: fps - 1,
  worstOnePercentFps: fps / 2,
  longestFreezeMs: 2000 / fps,
  freezesPerMinute: 0,
  startDelayMs: 40,
  settledAfterMs: 0,
  settledFps: fps,
  deadlineMs: 40,
  confidence: 'high',
  reason: 'clear',
  intervalsMs: Array.from({ length: Math.round(seconds * fps) }, (_, i) => (1000 / fps) * (i % 2 === 0 ? 0.8 : 1.2)),
});

const measured = (id: string, fps: number, fixes: readonly FixUse[], change: Partial<Reading> = {}): Reading => ({
  ...createReading({ id, takenAtMs: 5, how: 'metered', shownFps: fps }),
  measured: toMeasuredReading(resultOf(fps), { source: 'window', pace: 'unknown', ownLoadRatio: 0.04 }),
  fixes,
  ...change,
});

const cardWith = (readings: readonly Reading[]): JobCard => ({ ...demo, readings, trials: [] });
const all = (card: JobCard) => compareCardReadings(card, new Set(card.readings.map(({ id }) => id)));

describe('compareCardReadings', () => {
  it('pools repeats of a set-up and holds every other against the first', () => {
    const card = cardWith([
      measured('a', 10, []),
      measured('b', 10.1, []),
      measured('c', 14, [half]),
      measured('d', 10.05, [{ id: 'solo-track', level: null }]),
    ]);
    const setups = all(card);
    expect(setups.map(({ readings }) => readings.length)).toEqual([2, 1, 1]);
    expect(setups[0]?.change).toBeNull();
    expect(setups[1]?.change).toMatchObject({ ok: true, value: { verdict: 'better' } });
    expect(setups[2]?.change).toMatchObject({ ok: true, value: { verdict: 'no-clear-change' } });
  });

  it('says why where another stretch was played, and leaves out readings without a rate', () => {
    const card = cardWith([
      measured('a', 10, [], { stretch: 'the kiln' }),
      measured('b', 20, [half], { stretch: 'the wheel' }),
      { ...createReading({ id: 'c', takenAtMs: 6, isGoodEnough: 'no' }), fixes: [] },
    ]);
    const setups = all(card);
    expect(setups.flatMap(({ readings }) => readings.map(({ id }) => id))).toEqual(['a', 'b']);
    expect(setups[1]?.change).toMatchObject({ ok: false, failure: { code: 'other-kind', field: 'stretch' } });
  });

  it('takes the rate of a scrub from its intervals', () => {
    const scrub = measured('a', 8, [], { doing: 'scrubbing', shownFps: null });
    expect(rateOfReading(scrub)).toBeCloseTo(8, 1);
    expect(rateOfReading({ ...scrub, measured: null })).toBeNull();
  });
});

describe('toMeasuredReading', () => {
  it('keeps no more intervals than a card may hold', () => {
    const { intervalsMs } = toMeasuredReading(resultOf(60, 600), {
      source: 'recording',
      pace: 'unknown',
      ownLoadRatio: null,
    });
    expect(intervalsMs).toHaveLength(mostIntervals);
  });
});

describe('paceOf', () => {
  it('tells playing slowly from leaving pictures out, where the stretch’s length is known', () => {
    expect([paceOf(15_000, null), paceOf(15_100, 15_000), paceOf(22_000, 15_000)]).toEqual([
      'unknown',
      'in-step',
      'slowed',
    ]);
  });
});

describe('files of readings', () => {
  const arbitraryReading = fc
    .record({
      fps: fc.double({ min: 1, max: 60, noNaN: true }),
      note: fc.string({ maxLength: 60 }),
      stretch: fc.string({ maxLength: 40 }),
      isTyped: fc.boolean(),
    })
    .map(({ fps, note, stretch, isTyped }): Reading => {
      const reading = measured('r', fps, [half], { note, stretch });
      return isTyped
        ? {
            ...reading,
            measured: null,
            tapped: { lengthMs: 20_000, stutterCount: 3, freezesMs: [800], isTyped: false },
          }
        : reading;
    });

  it('come back the same from JSON and from the records of a table', () => {
    fc.assert(
      fc.property(fc.array(arbitraryReading, { minLength: 1, maxLength: 3 }), (readings) => {
        expect(parseReadingsText(serializeReadings(readings))).toEqual({ ok: true, value: readings });
        expect(parseReadingRecords(readings.map(toReadingRecord))).toEqual({ ok: true, value: readings });
      }),
      propertyRuns,
    );
  });

  it('are answered for any text and any records without throwing', () => {
    fc.assert(
      fc.property(fc.string(), fc.array(fc.dictionary(fc.string(), fc.string())), (text, records) => {
        expect(parseReadingsText(text).ok).toBe(false);
        expect(typeof parseReadingRecords(records).ok).toBe('boolean');
      }),
      propertyRuns,
    );
  });

  it('name the reading and the field that cannot be, and a newer version', () => {
    const broken = [{ ...measured('a', 10, []), shownFps: -3 }];
    expect(parseReadingsText(serializeReadings(broken))).toEqual({
      ok: false,
      failure: { code: 'readings-field-invalid', index: 0, path: 'shownFps' },
    });
    expect(parseReadingsText('{"format":"oil-can-readings","version":9,"readings":[]}')).toEqual({
      ok: false,
      failure: { code: 'readings-newer-version', version: 9 },
    });
  });
});

describe('importReadings', () => {
  const put = (card: JobCard, readings: readonly Reading[]): JobCard => {
    const result = applyCommand(card, { type: 'importReadings', input: { readings } }, 9);
    if (!result.ok) throw new Error(JSON.stringify(result.failure));
    return result.value;
  };

  it('adds each once, and gives one whose id is taken an id of its own', () => {
    const card = cardWith([measured('a', 10, [])]);
    const other = measured('a', 17, [half]);
    const once = put(card, [measured('a', 10, []), other]);
    expect(once.readings.map(({ id, shownFps }) => [id, shownFps])).toEqual([
      ['a', 10],
      ['a-2', 17],
    ]);
    expect(put(once, [other]).readings).toHaveLength(2);
  });
});

describe('addReading', () => {
  it('puts a reading under the set-up that the person names, and then no trial rests on it', () => {
    const card = cardWith([measured('a', 10, [])]);
    const begun = applyCommand(card, { type: 'beginTrial', input: { id: 't', fix: half, nowMs: 7 } }, 7);
    if (!begun.ok) throw new Error('no trial');
    const { fixes: _, ...reading } = measured('b', 12, []);
    const named = applyCommand(begun.value, { type: 'addReading', input: { reading, fixes: [] } }, 8);
    const inForce = applyCommand(begun.value, { type: 'addReading', input: { reading } }, 8);
    expect(named.ok && [named.value.readings[1]?.fixes, named.value.trials[0]?.afterReadingId]).toEqual([[], null]);
    expect(inForce.ok && [inForce.value.readings[1]?.fixes, inForce.value.trials[0]?.afterReadingId]).toEqual([
      [half],
      'b',
    ]);
  });
});
