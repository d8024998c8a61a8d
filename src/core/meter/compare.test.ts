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

/** The change that was found; throws where there is none to compare. */
const changeOf = (...[before, after, spreads]: Parameters<typeof compareReadings>) => {
  const result = compareReadings(before, after, spreads);
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
};

describe('what a change comes to', () => {
  it('gives both rates, each within its range, and how many times as much', () => {
    const { before, after, ratio } = changeOf([steady(10)], [steady(12)]);
    expect(before.shownFps.value).toBeCloseTo(10, 1);
    expect(after.shownFps.value).toBeCloseTo(12, 1);
    for (const { low, value, high } of [before.shownFps, after.shownFps, ratio]) {
      expect(low).toBeLessThan(value);
      expect(high).toBeGreaterThan(value);
      // Nine times in ten: 1.645 deviations either way, of 0.03 a reading and little more.
      expect(Math.log(high / value)).toBeCloseTo(Math.log(value / low), 9);
    }
    expect(Math.log(before.shownFps.high / before.shownFps.value)).toBeCloseTo(1.645 * 0.03, 2);
    expect(Math.log(ratio.high / ratio.value)).toBeCloseTo(1.645 * 0.03 * Math.SQRT2, 2);
  });

  it('says how much less at least, as a share of before', () => {
    const { verdict, atLeastRatio, ratio } = changeOf([steady(12)], [steady(9)]);
    expect(verdict).toBe('worse');
    // A quarter less, and by all that is open a sixth.
    expect(atLeastRatio).toBeCloseTo(1 - ratio.high, 9);
    expect(atLeastRatio).toBeGreaterThan(0.15);
    expect(atLeastRatio).toBeLessThan(0.25);
  });

  it('leaves out the slowest fifth and the quickest: what came in two fits is no trait of the set-up', () => {
    const calm = steady(20, { intervalsMs: Array.from({ length: 400 }, () => 50) });
    const fits = calm.intervalsMs.map((ms, i) => (i < 40 ? 2 * ms : i >= 380 ? ms / 2 : ms));
    expect(changeOf([calm], [{ ...calm, intervalsMs: fits }]).after.shownFps.value).toBeCloseTo(20, 6);
  });

  it('is less sure of a rate that swings from one half second to the next', () => {
    const swinging = steady(20, { intervalsMs: Array.from({ length: 400 }, (_, i) => (i % 40 < 20 ? 40 : 60)) });
    const openness = ({ low, high }: { readonly low: number; readonly high: number }) => Math.log(high / low);
    const { before, after } = changeOf([steady(20)], [swinging]);
    expect(openness(after.shownFps)).toBeGreaterThan(1.3 * openness(before.shownFps));
  });

  it('takes a stretch of under half a second whole', () => {
    const short = steady(25, { intervalsMs: Array.from({ length: 9 }, () => 40) });
    expect(changeOf([short], [steady(25)]).before.shownFps.value).toBeCloseTo(25, 6);
  });

  it('counts freezes a minute over all repeats', () => {
    const frozen = steady(20, { intervalsMs: [...Array.from({ length: 180 }, () => 50), 1000] });
    const calm = steady(20, { intervalsMs: Array.from({ length: 400 }, () => 50) });
    const { before, after } = changeOf([frozen, calm], [calm]);
    // One in ten seconds and in twenty more.
    expect(before.freezesPerMinute).toBeCloseTo(2, 6);
    expect(after.freezesPerMinute).toBe(0);
  });

  it('takes a pool for typed of which one rate is, and repeats of typed rates for surer', () => {
    const typed = (fps: number) => steady(fps, { intervalsMs: [] });
    expect(changeOf([steady(20), typed(20)], [steady(20)]).before.freezesPerMinute).toBeNull();
    const openness = (count: number) => {
      const { low, high, value } = changeOf(
        Array.from({ length: count }, () => typed(20)),
        [steady(20)],
      ).before.shownFps;
      expect(value).toBeCloseTo(20, 6);
      return Math.log(high / low);
    };
    expect(openness(4)).toBeCloseTo(openness(1) / 2, 6);
    expect(openness(1)).toBeCloseTo(2 * 1.645 * 0.15, 6);
  });

  it('tells a change from a rate that is not at the recorded one, and to it', () => {
    const full = steady(30, { isAtLeast: true });
    expect(changeOf([steady(20)], [full]).verdict).toBe('better');
    expect(changeOf([full], [steady(20)]).verdict).toBe('worse');
    // The recorded rate was lower then: more may have been shown.
    expect(changeOf([full], [steady(40)])).toMatchObject({ verdict: 'no-clear-change', atLeastRatio: 0 });
    expect(changeOf([full, steady(30)], [steady(40)]).verdict).toBe('better');
    expect(changeOf([steady(40)], [full]).verdict).toBe('no-clear-change');
  });

  it('needs eight pictures of each, and a reading on each side', () => {
    const of = (count: number) => steady(25, { intervalsMs: Array.from({ length: count }, () => 40) });
    expect(compareReadings([of(8)], [steady(25)]).ok).toBe(true);
    expect(compareReadings([of(7)], [steady(25)]).ok).toBe(false);
    expect(() => compareReadings([], [steady(25)])).toThrow('without readings');
    expect(() => compareReadings([steady(25)], [])).toThrow('without readings');
  });

  it('goes by what repeats of the card were seen to differ by', () => {
    expect(changeOf([steady(10)], [steady(12)], { repeatSpread: 0.15 }).verdict).toBe('no-clear-change');
    expect(changeOf([steady(20)], [steady(21)], { repeatSpread: 0.005 }).verdict).toBe('better');
  });

  it('is less clear the more their difference itself is off by', () => {
    const [alone, doubted] = [0, 0.15].map((sharedSpread) => changeOf([steady(10)], [steady(12)], { sharedSpread }));
    expect([alone?.verdict, doubted?.verdict]).toEqual(['better', 'no-clear-change']);
    expect(doubted?.ratio.value).toBe(alone?.ratio.value);
    expect(doubted?.ratio.high).toBeGreaterThan(alone?.ratio.high ?? 0);
  });
});

describe('learnRepeatSpread', () => {
  it('holds what repeats differ by together with the usual spread, counted as two', () => {
    const [a, b] = [Math.log(10), Math.log(12)];
    const squares = 2 * ((b - a) / 2) ** 2;
    expect(learnRepeatSpread([[10, 12], [7]])).toBeCloseTo(Math.sqrt((squares + 2 * 0.03 ** 2) / 3), 9);
    expect(
      learnRepeatSpread([
        [10, 12],
        [12, 10],
      ]),
    ).toBeCloseTo(Math.sqrt((2 * squares + 2 * 0.03 ** 2) / 4), 9);
  });

  it('is nothing without repeats, near the usual with two that agree, and grows with those that do not', () => {
    expect(learnRepeatSpread([[10], [12]])).toBeNull();
    expect(learnRepeatSpread([[10, 10.1]])).toBeLessThan(0.03);
    expect(learnRepeatSpread([[10, 12, 9, 11]])).toBeGreaterThan(0.08);
  });
});
