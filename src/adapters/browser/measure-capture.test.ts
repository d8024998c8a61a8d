import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import type { CaptureProgress, CaptureRequest } from '@/core/meter';
import { measureCapture } from './measure-capture';

const size = { widthPx: 160, heightPx: 90 } as const;

/** As much of a browser's frame as measuring looks at: grey planes of one level. */
class GreyFrame {
  readonly format = 'I420';
  readonly codedWidth: number;
  readonly codedHeight = size.heightPx;
  readonly displayWidth: number;
  readonly displayHeight = size.heightPx;
  readonly visibleRect = null;
  readonly duration = null;
  readonly rotation = 0;
  readonly colorSpace = { primaries: null, transfer: null, matrix: null, fullRange: null, toJSON: () => ({}) };
  constructor(
    readonly timestamp: number,
    private readonly level: number,
    widthPx: number = size.widthPx,
  ) {
    this.codedWidth = widthPx;
    this.displayWidth = widthPx;
  }
  allocationSize = () => this.codedWidth * this.codedHeight * 1.5;
  copyTo = async (into: Uint8Array) => {
    into.fill(this.level);
    return [];
  };
  clone = () => this;
  close = () => undefined;
}

beforeAll(() => vi.stubGlobal('VideoFrame', GreyFrame));
afterAll(() => vi.unstubAllGlobals());

const request: CaptureRequest = {
  region: { xPx: 0, yPx: 0, ...size },
  clipFps: 25,
  ceilingFps: 60,
  countInMs: 60,
  lengthMs: 1400,
  isOpenEnded: false,
};

const never = new Promise<void>(() => undefined);

/** A stream that gives its frames after the count-in and then stays open, or ends. */
const streamOf = (frames: readonly GreyFrame[], isEnding = false): ReadableStream<VideoFrame> =>
  new ReadableStream({
    start: (controller) => {
      setTimeout(() => {
        for (const frame of frames) controller.enqueue(frame as unknown as VideoFrame);
        if (isEnding) controller.close();
      }, 150);
    },
  });

/** Frames at 60 a second of which every third shows a new picture. */
const everyThird = Array.from(
  { length: 80 },
  (_, i) => new GreyFrame((i * 1e6) / 60, 40 + 30 * (Math.floor(i / 3) % 5)),
);

describe('measureCapture', () => {
  it('counts new pictures by the frames’ own stamps, for as long as asked, and says how it stands', async () => {
    const told: CaptureProgress[] = [];
    const measured = await measureCapture(streamOf(everyThird), request, (progress) => told.push(progress), never);
    if (!measured.ok) throw new Error(JSON.stringify(measured.failure));
    const { reading, frameCount, ownLoadRatio } = measured.value;
    expect(frameCount).toBe(80);
    expect(reading.result.ok && reading.result.value.shownFps).toBeCloseTo(20, 1);
    expect(ownLoadRatio).toBeGreaterThan(0);
    expect(told.at(-1)).toMatchObject({ phase: 'measuring', frameCount: 80, isRegionKnown: true });
  });

  it('ends when it is asked to, with a course by the clock of presses', async () => {
    const beganMs = Date.now();
    const finished = new Promise<void>((resolve) => setTimeout(resolve, 1400));
    const measured = await measureCapture(
      streamOf(everyThird),
      { ...request, lengthMs: 60_000 },
      () => undefined,
      finished,
    );
    if (!measured.ok) throw new Error(JSON.stringify(measured.failure));
    const { measuredMs, startedAtMs, course, reading } = measured.value;
    expect(measuredMs).toBeGreaterThan(1000);
    expect(measuredMs).toBeLessThan(10_000);
    expect(startedAtMs).toBeGreaterThanOrEqual(beganMs);
    // All frames come at once in this test, stamped over 1.3 s: the first cannot come before it was taken.
    expect(course.timesMs).toHaveLength(80);
    expect(course.timesMs[79]).toBeLessThanOrEqual(startedAtMs + measuredMs);
    expect((course.timesMs[79] ?? 0) - (course.timesMs[0] ?? 0)).toBeCloseTo((79 * 1000) / 60, 0);
    expect(reading.result.ok).toBe(true);
  });

  it('tells an end before the time, a window that sends nothing, and one that changes its size', async () => {
    const failureOf = async (frames: ReadableStream<VideoFrame>) => {
      const measured = await measureCapture(frames, { ...request, lengthMs: 400 }, () => undefined, never);
      return measured.ok ? 'none' : measured.failure.code;
    };
    const wider = [new GreyFrame(0, 10), new GreyFrame(20_000, 20, 320)];
    expect(await failureOf(streamOf(everyThird, true))).toBe('capture-ended');
    expect(await failureOf(streamOf([]))).toBe('capture-silent');
    const open = { ...request, lengthMs: 60_000, isOpenEnded: true };
    const kept = await measureCapture(streamOf(everyThird, true), open, () => undefined, never);
    expect(kept).toMatchObject({ ok: true, value: { frameCount: 80, ceilingFps: 60 } });
    expect(await failureOf(streamOf(wider))).toBe('capture-resized');
  });

  it('gives no number where nothing moves', async () => {
    const still = Array.from({ length: 30 }, (_, i) => new GreyFrame(i * 33_000, 90));
    const measured = await measureCapture(streamOf(still), { ...request, lengthMs: 1100 }, () => undefined, never);
    expect(measured.ok && measured.value.reading.result).toMatchObject({
      ok: false,
      failure: { code: 'not-enough-movement' },
    });
  });
});
