import { describe, expect, it } from 'vitest';
import { createReading, type Reading } from '@/core/card';
import { type CaptureFailure, type CompareFailure, comparedFields, type MeterFailure } from '@/core/meter';
import type { ReadingsFailure } from '@/core/readings';
import { expectGoodWords } from '../../tests/stand-ins/good-words';
import { describeMeterFailure, describeTapped } from './meter';
import { describeChange, describeCompareFailure, describeReadingsFailure, describeReadingWay } from './readings';

describe('what can go wrong with a reading', () => {
  it('is told in plain sentences that say what to do', () => {
    const capture: readonly CaptureFailure[] = [
      { code: 'capture-unsupported' },
      { code: 'capture-refused' },
      { code: 'capture-ended' },
      { code: 'capture-resized' },
      { code: 'capture-silent' },
      { code: 'capture-broke', detail: 'gone' },
      { code: 'capture-stopped' },
    ];
    const meter: readonly MeterFailure[] = [
      { code: 'not-enough-movement', strongestChange: 0 },
      { code: 'too-short', durationMs: 400, leastMs: 1000 },
    ];
    const files: readonly ReadingsFailure[] = [
      { code: 'readings-not-read' },
      { code: 'readings-newer-version', version: 9 },
      { code: 'readings-field-invalid', index: 2, path: 'shownFps' },
    ];
    const compared: readonly CompareFailure[] = [
      ...comparedFields.map((field) => ({ code: 'other-kind', field, before: 'a', after: 'b' }) as const),
      { code: 'too-few-pictures', pictureCount: 3 },
    ];
    const texts = [
      ...capture.map(describeMeterFailure),
      ...meter.map(describeMeterFailure),
      ...files.map(describeReadingsFailure),
      ...compared.map(describeCompareFailure),
    ];
    for (const text of texts) expectGoodWords(text);
    expect(new Set(texts).size).toBe(texts.length);
  });
});

describe('a change in words', () => {
  const figures = { shownFps: { value: 12, low: 11, high: 13 }, freezesPerMinute: null };
  const change = (verdict: 'better' | 'worse' | 'no-clear-change', atLeastRatio: number) =>
    describeChange({
      verdict,
      atLeastRatio,
      before: figures,
      after: figures,
      ratio: { value: 1.2, low: 1.1, high: 1.3 },
    });

  it('says how large it is at least, and nothing of the kind where it is not clear', () => {
    expect(change('better', 0.092)).toBe('Better, by at least 9 %');
    expect(change('worse', -0.31)).toBe('Worse, by at least 31 %');
    expect(change('no-clear-change', 0)).toBe('No clear change');
  });
});

describe('how a reading was taken', () => {
  it('tells measuring, tapping and typing apart', () => {
    const of = (known: Partial<Reading>) =>
      describeReadingWay({ ...createReading({ id: 'r', takenAtMs: 0 }), fixes: [], ...known });
    expect([of({}), of({ how: 'tapped' }), of({ how: 'metered' })]).toEqual(['typed', 'tapped', 'measured']);
  });

  it('makes a minute of what was tapped in twenty seconds', () => {
    expect(describeTapped({ lengthMs: 20_000, stutterCount: 5, freezesMs: [600, 1200] })).toEqual({
      rate: '15 stutters a minute',
      freezes: '2 freezes held, the longest 1.2 s.',
    });
  });
});
