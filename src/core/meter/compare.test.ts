import { describe, expect, it } from 'vitest';
import { type ComparedReading, compareReadings, learnRepeatSpread } from '.';

const steady = (fps: number, change: Partial<ComparedReading> = {}): ComparedReading => ({
  intervalsMs: Array.from({ length: Math.round(20 * fps) }, (_, i) => (1000 / fps) * (i % 2 === 0 ? 0.9 : 1.1)),
  shownFps: fps,
  kind: { stretch: 'the busy minute', doing: 'playing' },
  isAtLeast: false,
  meterSpread: 0,
  ...change,
});

describe('compareReadings', () => {
  it('calls a fifth more better, says how much at least, and the other way round worse', () => {
    const result = compareReadings([steady(10)], [steady(12)]);
    expect(result).toMatchObject({ ok: true, value: { verdict: 'better' } });
    expect(result.ok && result.value.ratio.value).toBeCloseTo(1.2, 1);
    expect(result.ok && result.value.atLeastRatio).toBeGreaterThan(0.08);
    expect(result.ok && result.value.atLeastRatio).toBeLessThan(0.2);
    expect(compareReadings([steady(12)], [steady(10)])).toMatchObject({ ok: true, value: { verdict: 'worse' } });
  });

  it('calls a twentieth more no clear change, because two readings of one thing differ by as much', () => {
    expect(compareReadings([steady(20)], [steady(21)])).toMatchObject({
      ok: true,
      value: { verdict: 'no-clear-change', atLeastRatio: 0 },
    });
  });

  it('is surer with repeats than with one reading of each', () => {
    const repeats = (fps: number) => [steady(fps), steady(fps * 1.01), steady(fps * 0.99), steady(fps)];
    expect(compareReadings([steady(20)], [steady(21.4)])).toMatchObject({
      ok: true,
      value: { verdict: 'no-clear-change' },
    });
    expect(compareReadings(repeats(20), repeats(21.4))).toMatchObject({ ok: true, value: { verdict: 'better' } });
  });

  it('does not let two seconds of another program’s work pass for a change', () => {
    const reading = steady(15);
    const disturbed = reading.intervalsMs.map((ms, i) => (i > 100 && i < 120 ? ms * 1.8 : ms));
    expect(compareReadings([reading], [{ ...reading, intervalsMs: disturbed }])).toMatchObject({
      ok: true,
      value: { verdict: 'no-clear-change' },
    });
  });

  it('never calls one reading at the recorded rate better than another', () => {
    const [before, after] = [steady(50, { isAtLeast: true }), steady(60, { isAtLeast: true })];
    expect(compareReadings([before], [after])).toMatchObject({ ok: true, value: { verdict: 'no-clear-change' } });
  });

  it('takes typed rates as rough: a fifth more is no clear change, twice as much is', () => {
    const typed = (fps: number) => steady(fps, { intervalsMs: [] });
    expect(compareReadings([typed(10)], [typed(12)])).toMatchObject({
      ok: true,
      value: { verdict: 'no-clear-change' },
    });
    expect(compareReadings([typed(10)], [typed(20)])).toMatchObject({
      ok: true,
      value: { verdict: 'better', after: { freezesPerMinute: null } },
    });
    expect(compareReadings([typed(10)], [steady(20)])).toMatchObject({ ok: true, value: { verdict: 'better' } });
  });

  it('takes what the meter is not sure of as rough: a fifth more is no clear change, twice as much is', () => {
    const unsure = (fps: number) => steady(fps, { meterSpread: 0.2 });
    expect(compareReadings([unsure(10)], [steady(12)])).toMatchObject({
      ok: true,
      value: { verdict: 'no-clear-change' },
    });
    expect(compareReadings([unsure(10)], [steady(20)])).toMatchObject({ ok: true, value: { verdict: 'better' } });
    // Three readings that are sure tell more than the one that is not.
    expect(compareReadings([steady(10), steady(10), steady(10), unsure(10)], [steady(12)])).toMatchObject({
      ok: true,
      value: { verdict: 'better' },
    });
  });

  it('does not hold against a reading what is not known of it', () => {
    expect(compareReadings([steady(10, { kind: {} })], [steady(14)])).toMatchObject({ ok: true });
  });

  it('says why readings cannot be compared', () => {
    expect(compareReadings([steady(10)], [steady(12, { kind: { stretch: 'another' } })])).toEqual({
      ok: false,
      failure: { code: 'other-kind', field: 'stretch', before: 'the busy minute', after: 'another' },
    });
    expect(compareReadings([steady(10)], [steady(12, { kind: { doing: 'scrubbing' } })])).toEqual({
      ok: false,
      failure: { code: 'other-kind', field: 'doing', before: 'playing', after: 'scrubbing' },
    });
    expect(compareReadings([steady(10)], [steady(12, { intervalsMs: [80, 90] })])).toEqual({
      ok: false,
      failure: { code: 'too-few-pictures', pictureCount: 2 },
    });
  });
});

describe('learnRepeatSpread', () => {
  it('is nothing without repeats, near the usual with two that agree, and grows with those that do not', () => {
    expect(learnRepeatSpread([[10], [12]])).toBeNull();
    expect(learnRepeatSpread([[10, 10.1]])).toBeLessThan(0.03);
    expect(learnRepeatSpread([[10, 12, 9, 11]])).toBeGreaterThan(0.08);
  });
});
