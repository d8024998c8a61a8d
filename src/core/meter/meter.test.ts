import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  drawRecording,
  encodings,
  enlargedPlan,
  planRecording,
  type RecordingPlan,
} from '../../../bench/meter/recordings';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { Meter, type MeterOptions, type MeterReading, type PictureRegion, summariseChanges } from '.';
import { compareReadings } from './compare';
import { tellNewInExact, tellNewPictures } from './tell-new';

const [live] = encodings;
if (!live) throw new Error('no encoding');

/** Measures a recording as it is drawn, before any recorder has written it. */
async function measure(plan: RecordingPlan, options: MeterOptions = {}): Promise<MeterReading> {
  const meter = new Meter({ ceilingFps: plan.recordedFps, ...options });
  let index = 0;
  await drawRecording(plan, async (pixels) => {
    meter.add({ widthPx: plan.widthPx, heightPx: plan.heightPx, pixels }, (index++ * 1000) / plan.recordedFps);
  });
  return meter.read();
}

const trueFpsOf = ({ newAtFrames, recordedFps }: RecordingPlan): number => {
  const seen = newAtFrames.filter((frame) => frame > 0);
  return ((seen.length - 1) * recordedFps) / ((seen.at(-1) ?? 0) - (seen[0] ?? 0));
};

const overlapOf = (a: PictureRegion, b: PictureRegion): number => {
  const width = Math.min(a.xPx + a.widthPx, b.xPx + b.widthPx) - Math.max(a.xPx, b.xPx);
  const height = Math.min(a.yPx + a.heightPx, b.yPx + b.heightPx) - Math.max(a.yPx, b.yPx);
  const shared = Math.max(0, width) * Math.max(0, height);
  return shared / (a.widthPx * a.heightPx + b.widthPx * b.heightPx - shared);
};

/** Changes and times of pictures that come at some frames of a recording at 60 frames a second. */
const framesWith = (count: number, isNew: (frame: number) => boolean) => ({
  changes: Array.from({ length: count }, (_, i) => (i > 0 && isNew(i) ? 12 : 0)),
  timesMs: Array.from({ length: count }, (_, i) => (i * 1000) / 60),
});

describe('tellNewInExact', () => {
  it('takes every change for a new picture where frames come as they were shown, and no repeat for one', () => {
    const faint = { changes: [0, 0, 0.3, 0, 0.4, 0, 0, 0.2], timesMs: [0, 16, 33, 50, 66, 83, 100, 116] };
    expect(tellNewInExact(faint.changes, faint.timesMs).newAt).toEqual([2, 4, 7]);
  });

  it('needs no frame to mark the end: a preview that stands still sends none', () => {
    const { changes, timesMs } = framesWith(60, (frame) => frame % 3 === 0);
    const shown = summariseChanges(changes, timesMs, { isExact: true, measuredMs: 15_000, ceilingFps: 60 });
    expect(shown).toMatchObject({ ok: true, value: { isAtLeast: false, confidence: 'high' } });
    expect(shown.ok && shown.value.shownFps).toBeCloseTo(20, 5);
    expect(summariseChanges([0], [0], { isExact: true, measuredMs: 15_000 })).toMatchObject({
      ok: false,
      failure: { code: 'not-enough-movement' },
    });
  });

  it('says at least near the rate that sharing was asked for', () => {
    const { changes, timesMs } = framesWith(450, () => true);
    const shown = summariseChanges(changes, timesMs, { isExact: true, measuredMs: 7500, ceilingFps: 60 });
    expect(shown).toMatchObject({ ok: true, value: { isAtLeast: true, reason: 'at-recorded-rate' } });
  });

  it('gives the rate of an even preview, with a doubt where nothing else shows how quickly the window is sent', () => {
    const shared = (fps: number, beside: readonly number[] = [], clipFps = 30) => {
      const frames = [
        ...Array.from({ length: 10 * fps }, (_, i) => ({ atMs: (i * 1000) / fps, change: i === 0 ? 0 : 12 })),
        ...beside.map((atMs) => ({ atMs, change: 0 })),
      ].sort((a, b) => a.atMs - b.atMs);
      const options = { isExact: true, measuredMs: 10_000, ceilingFps: 60, clipFps };
      const result = summariseChanges(
        frames.map(({ change }) => change),
        frames.map(({ atMs }) => atMs),
        options,
      );
      if (!result.ok) throw new Error(result.failure.code);
      return result.value;
    };
    const meters = Array.from({ length: 40 }, (_, i) => 1000 + i * 17);
    expect(shared(15)).toMatchObject({ isAtLeast: false, confidence: 'medium', reason: 'as-often-as-shared' });
    expect(shared(15, meters)).toMatchObject({ isAtLeast: false, confidence: 'high', reason: 'clear' });
    // All that the clip has is all there is.
    expect(shared(15, [], 15)).toMatchObject({ isAtLeast: false, confidence: 'high', reason: 'clear' });
    const pool = (fps: number) => [{ ...shared(fps), kind: {}, meterSpread: 0 }];
    expect(compareReadings(pool(15), pool(30))).toMatchObject({ ok: true, value: { verdict: 'better' } });
    expect(compareReadings(pool(30), pool(30))).toMatchObject({ ok: true, value: { verdict: 'no-clear-change' } });
  });

  it('tells a preview of one new picture a second from a still one', () => {
    const { changes, timesMs } = framesWith(720, (frame) => frame % 60 === 0);
    const result = summariseChanges(changes, timesMs, { ceilingFps: 60 });
    expect(result.ok && result.value.shownFps).toBeCloseTo(1, 1);
  });
});

describe('what a result is relied on by', () => {
  /** New pictures every third frame, of 400 frames at 60 a second; repeats change by what a recorder adds. */
  const recorded = (changeOf: (frame: number) => number) => {
    const changes = Array.from({ length: 400 }, (_, frame) => (frame === 0 ? 0 : changeOf(frame)));
    return { changes, timesMs: changes.map((_, frame) => (frame * 1000) / 60) };
  };
  const plain = (frame: number): number => (frame % 3 === 0 ? 4 + (frame % 7) / 4 : 0.2 + (frame % 5) / 50);
  const judged = (changeOf: (frame: number) => number, options = {}) => {
    const { changes, timesMs } = recorded(changeOf);
    const result = summariseChanges(changes, timesMs, { ceilingFps: 60, ...options });
    return result.ok ? [result.value.confidence, result.value.reason] : [];
  };

  it('is sure where new pictures stand clear of repeats', () => {
    expect(judged(plain)).toEqual(['high', 'clear']);
  });

  it('doubts where repeats stand out among repeats: each could be a picture that hardly moved', () => {
    const face = (frame: number): number =>
      frame % 3 === 0 ? ([2, 3, 5, 8, 12][(frame / 3) % 5] ?? 0) : 0.2 + (frame % 5) / 200;
    expect(judged(face)).toEqual(['high', 'clear']);
    expect(judged((frame) => (frame % 60 === 31 ? 0.7 : face(frame)))).toEqual(['low', 'unclear-changes']);
  });

  it('doubts a high rate in a recording whose frames are stored out of order, and not a low one', () => {
    const often = (frame: number): number => (frame % 4 === 0 ? 0.2 : 4);
    expect(judged(often)).toEqual(['high', 'clear']);
    expect(judged(often, { isReordered: true })).toEqual(['low', 'at-recorded-rate']);
    expect(judged(plain, { isReordered: true })).toEqual(['high', 'clear']);
  });
});

describe('Meter', () => {
  for (const scene of ['shapes', 'grain', 'pan', 'talking-head', 'cuts', 'fade'] as const)
    it(`finds the preview beside clock, cursor and playhead, and its rate: ${scene}`, async () => {
      const plan = planRecording(71, scene, live);
      const { region, result } = await measure(plan);
      expect(region && overlapOf(region, plan.region)).toBeGreaterThan(0.8);
      expect(result.ok && result.value.shownFps / trueFpsOf(plan)).toBeCloseTo(1, 1);
      // A head that stands still for a moment leaves doubt, and the result must say so.
      if (scene !== 'talking-head') expect(result.ok && result.value.confidence).toBe('high');
    });

  it('measures the frames that it kept a few at a time, and comes to the same wherever it is ended', async () => {
    const drawn = planRecording(71, 'shapes', live);
    const foundAt = 3 * drawn.recordedFps;
    const plan = { ...drawn, frameCount: foundAt + drawn.recordedFps };
    const meter = new Meter({ ceilingFps: plan.recordedFps });
    const ended = new Meter({ ceilingFps: plan.recordedFps });
    const known: boolean[] = [];
    let index = 0;
    let endedChanges: readonly number[] = [];
    await drawRecording(plan, async (pixels) => {
      const frame = { widthPx: plan.widthPx, heightPx: plan.heightPx, pixels };
      const atMs = (index * 1000) / plan.recordedFps;
      meter.add(frame, atMs);
      // Ended while frames still wait to be measured.
      if (index <= foundAt + 5) ended.add(frame, atMs);
      if (index === foundAt + 5) {
        expect(ended.latestChange).toBeNull();
        ended.read();
        endedChanges = ended.course.changes;
      }
      known.push(meter.latestChange !== null);
      index++;
    });
    // Three seconds of frames; and eight of what is kept with each that comes, which is kept too.
    const firstKnown = known.indexOf(true);
    expect(firstKnown).toBeGreaterThan(foundAt * (1 + 1 / 8));
    expect(firstKnown).toBeLessThan(foundAt * (1 + 1 / 6));
    expect(known.slice(firstKnown).every(Boolean)).toBe(true);
    meter.read();
    expect(meter.course.changes).toHaveLength(plan.frameCount);
    expect(endedChanges).toEqual(meter.course.changes.slice(0, foundAt + 6));
  });

  it('gives no number where nothing but clock, cursor and playhead moves', async () => {
    const { result } = await measure(planRecording(72, 'still', live));
    expect(result).toMatchObject({ ok: false, failure: { code: 'not-enough-movement' } });
  });

  it('measures the region that it is given, and no other', async () => {
    const plan = planRecording(73, 'pan', live);
    const { region, result } = await measure(plan, { region: plan.region });
    expect(region).toEqual(plan.region);
    expect(result.ok && result.value.shownFps / trueFpsOf(plan)).toBeCloseTo(1, 1);
    const elsewhere = await measure(plan, { region: { xPx: 600, yPx: 0, widthPx: 32, heightPx: 20 } });
    expect(elsewhere.result).toMatchObject({ ok: false, failure: { code: 'not-enough-movement' } });
  });

  it('measures a screen of three times the pixels a side alike, and finds the region where it lies there', async () => {
    const twelveSeconds = planRecording(71, 'shapes', live);
    const plan = { ...twelveSeconds, frameCount: 5 * twelveSeconds.recordedFps };
    const times = 3;
    const [widthPx, heightPx] = [plan.widthPx * times, plan.heightPx * times];
    const meter = new Meter({ ceilingFps: plan.recordedFps });
    const pixels = new Uint8Array(widthPx * heightPx);
    const drawnAt = Int32Array.from({ length: widthPx }, (_, x) => Math.floor(x / times));
    let index = 0;
    await drawRecording(plan, async (drawn) => {
      for (let y = 0; y < plan.heightPx; y++) {
        const line = times * y * widthPx;
        for (let x = 0; x < widthPx; x++) pixels[line + x] = drawn[y * plan.widthPx + (drawnAt[x] as number)] as number;
        for (let k = 1; k < times; k++) pixels.copyWithin(line + k * widthPx, line, line + widthPx);
      }
      meter.add({ widthPx, heightPx, pixels }, (index++ * 1000) / plan.recordedFps);
    });
    const { region, result } = meter.read();
    expect(region && overlapOf(region, enlargedPlan(plan, times).region)).toBeGreaterThan(0.8);
    const small = await measure(plan);
    expect(result.ok && result.value.intervalsMs).toEqual(small.result.ok && small.result.value.intervalsMs);
  });

  it('says that less than a second is too short', () => {
    const meter = new Meter({ region: 'whole' });
    for (let i = 0; i < 20; i++) meter.add({ widthPx: 4, heightPx: 4, pixels: new Uint8Array(16).fill(i * 9) }, i * 33);
    expect(meter.read().result).toMatchObject({ ok: false, failure: { code: 'too-short' } });
  });
});

describe('tellNewPictures', () => {
  /** Twenty new pictures a second at sixty frames, but for a freeze of two seconds in which a recorder may write anew. */
  const withFreeze = (atFrame: number, anew: readonly number[]) => {
    const changes: number[] = Array.from({ length: 600 }, (_, i) => (i % 3 === 0 && (i < 200 || i > 320) ? 6 : 0.02));
    anew.forEach((change, k) => {
      changes[atFrame + k] = change;
    });
    return tellNewPictures(
      changes,
      changes.map((_, i) => (i * 1000) / 60),
    );
  };

  it('takes a few small changes in a row, alone in a freeze, for the recorder’s', () => {
    const plain = withFreeze(260, []);
    for (const anew of [[1.2], [1.4, 1.1], [1.3, 1.2, 1.1]]) expect(withFreeze(260, anew).newAt).toEqual(plain.newAt);
    expect(plain.isFreezeDoubtful).toBe(false);
  });

  it('takes a large one for a picture, and doubts the freeze where it could be either', () => {
    expect(withFreeze(260, [6]).newAt).toContain(260);
    expect(withFreeze(260, [3.5, 3.2]).isFreezeDoubtful).toBe(true);
    // A repeat in the freeze that changed far more than repeats do may have been a picture too.
    expect(withFreeze(260, [0.4]).isFreezeDoubtful).toBe(true);
  });

  /** New pictures every so many frames of ten seconds, and small changes at some frames between. */
  const withStrays = (every: number, isStray: (frame: number) => boolean) => {
    const changes = Array.from({ length: 600 }, (_, i) => (i % every === 0 ? 6 : isStray(i) ? 1.8 : 0.02));
    return tellNewPictures(
      changes,
      changes.map((_, i) => (i * 1000) / 60),
    );
  };

  it('doubts small changes beside pictures that come every fifth frame, and none where they come in every frame', () => {
    const strays = [51, 166, 241, 406, 571];
    expect(withStrays(5, () => false).doubtfulRatio).toBe(0);
    expect(withStrays(5, (i) => strays.includes(i)).doubtfulRatio).toBeGreaterThan(0.03);
    expect(withStrays(2, (i) => strays.includes(i)).doubtfulRatio).toBe(0);
  });

  it('takes small changes at even distances from the first frame for the recorder’s key frames', () => {
    for (const every of [64, 100, 128]) {
      const { newAt, doubtfulRatio } = withStrays(5, (i) => i > 0 && i % every === 0);
      expect(newAt).toEqual(withStrays(5, () => false).newAt);
      expect(doubtfulRatio).toBe(0);
    }
  });

  it('keeps small pictures that come when one is due, however evenly', () => {
    const changes = Array.from({ length: 600 }, (_, i) => (i % 3 > 0 ? 0.02 : i % 60 === 0 ? 1.8 : 6));
    const { newAt } = tellNewPictures(
      changes,
      changes.map((_, i) => (i * 1000) / 60),
    );
    expect(newAt).toHaveLength(199);
  });

  it('tells new pictures from what a recorder re-draws, through long freezes and loud cuts', () => {
    const isNew = (frame: number): boolean => frame % 3 === 0 && (frame < 200 || frame > 320);
    const changes = Array.from({ length: 600 }, (_, i) =>
      isNew(i) ? (i % 90 === 0 ? 90 : 6 + (i % 5)) : isNew(i - 1) ? 1.1 : 0.02,
    );
    const timesMs = changes.map((_, i) => (i * 1000) / 60);
    const expected = changes.flatMap((_, i) => (i > 0 && isNew(i) ? [i] : []));
    expect(tellNewPictures(changes, timesMs).newAt).toEqual(expected);
  });
});

describe('tellNewPictures and summariseChanges', () => {
  it('never throw, whatever the changes, and keep every figure finite', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constant(0), fc.double({ min: 0, max: 255, noNaN: true })), { maxLength: 300 }),
        fc.integer({ min: 5, max: 120 }),
        (changes, stepMs) => {
          const result = summariseChanges(
            changes,
            changes.map((_, i) => i * stepMs),
          );
          if (!result.ok) return;
          const { intervalsMs, confidence: _, reason: __, isAtLeast: ___, ...figures } = result.value;
          for (const figure of [...Object.values(figures), ...intervalsMs]) expect(Number.isFinite(figure)).toBe(true);
        },
      ),
      propertyRuns,
    );
  });
});

describe('summariseChanges', () => {
  it('gives 20 a second for every third of 60 frames, without a freeze', () => {
    const { changes, timesMs } = framesWith(600, (frame) => frame % 3 === 0);
    const result = summariseChanges(changes, timesMs, { clipFps: 24 });
    expect(result).toMatchObject({ ok: true, value: { isAtLeast: false, freezesPerMinute: 0, confidence: 'high' } });
    expect(result.ok && result.value.shownFps).toBeCloseTo(20, 6);
  });

  it('calls ordinary cadence no freeze: 24 pictures a second on a 60 Hz screen', () => {
    const { changes, timesMs } = framesWith(600, (frame) => Math.floor(frame * 0.4) !== Math.floor((frame - 1) * 0.4));
    expect(summariseChanges(changes, timesMs, { clipFps: 24 })).toMatchObject({
      ok: true,
      value: { freezesPerMinute: 0, longestFreezeMs: expect.closeTo(50, 3) },
    });
  });

  it('counts a freeze of half a second, and says when the slowest second was', () => {
    const { changes, timesMs } = framesWith(600, (frame) => frame % 3 === 0 && (frame < 300 || frame > 330));
    const result = summariseChanges(changes, timesMs, { clipFps: 24 });
    expect(result.ok && result.value.longestFreezeMs).toBeCloseTo(600, 0);
    expect(result.ok && result.value.freezesPerMinute).toBeCloseTo(60 / 9.9, 0);
    expect(result.ok && result.value.slowestSecondFps).toBeLessThan(12);
  });

  it('says "at least" where new pictures come as often as frames are recorded', () => {
    const { changes, timesMs } = framesWith(300, () => true);
    expect(summariseChanges(changes, timesMs)).toMatchObject({
      ok: true,
      value: { isAtLeast: true, reason: 'at-recorded-rate' },
    });
    expect(summariseChanges(changes, timesMs, { ceilingFps: 120 })).toMatchObject({
      ok: true,
      value: { isAtLeast: false },
    });
  });

  it('says how long it took to settle', () => {
    const { changes, timesMs } = framesWith(900, (frame) => frame % (frame < 300 ? 12 : 3) === 0);
    const result = summariseChanges(changes, timesMs);
    expect(result.ok && result.value.settledFps).toBeCloseTo(20, 0);
    expect(result.ok && result.value.settledAfterMs).toBeGreaterThan(3500);
    expect(result.ok && result.value.settledAfterMs).toBeLessThan(5100);
  });
});
