import { VideoSample } from 'mediabunny';
import {
  type CaptureFailure,
  type CaptureProgress,
  type CaptureReading,
  type CaptureRequest,
  leastChange,
  Meter,
  type MeterReading,
  recentMs,
} from '@/core/meter';
import { fail, type Result, succeed } from '@/core/result';
import { GreyReader } from './grey-reader';

/** Progress is told so often. */
const reportEveryMs = 250;
/** Nothing for so long is worth telling. */
const quietMs = 2000;

/** Above this share of a core frames wait, and a browser drops those that wait too long. */
const mostOwnLoadRatio = 0.5;

/** A reading by a measurement that could not keep up is not to be relied on. */
const withDoubt = (reading: MeterReading, ownLoadRatio: number): MeterReading =>
  reading.result.ok && ownLoadRatio > mostOwnLoadRatio
    ? { ...reading, result: succeed({ ...reading.result.value, confidence: 'low', reason: 'measuring-too-slow' }) }
    : reading;

/** The clock of one measurement: counting in, then measuring, told again and again. */
class Watch {
  readonly startedMs = performance.now();
  private lastFrameMs = performance.now();
  private newAtMs: number[] = [];
  frameCount = 0;
  isRegionKnown: boolean;

  constructor(private readonly request: CaptureRequest) {
    this.isRegionKnown = request.region !== null;
  }

  get isCountingIn(): boolean {
    return performance.now() - this.startedMs < this.request.countInMs;
  }

  frameCame(): void {
    this.lastFrameMs = performance.now();
  }

  newPictureCame(): void {
    this.newAtMs.push(performance.now());
  }

  progress(): CaptureProgress {
    const nowMs = performance.now();
    const isCountingIn = this.isCountingIn;
    const endMs = this.startedMs + this.request.countInMs + (isCountingIn ? 0 : this.request.lengthMs);
    this.newAtMs = this.newAtMs.filter((atMs) => nowMs - atMs <= recentMs);
    return {
      phase: isCountingIn ? 'counting-in' : 'measuring',
      leftMs: Math.max(0, endMs - nowMs),
      frameCount: this.frameCount,
      newBeforeMs: this.newAtMs.map((atMs) => nowMs - atMs),
      isRegionKnown: this.isRegionKnown,
      isQuiet: nowMs - this.lastFrameMs > quietMs,
    };
  }
}

/**
 * Measures the frames of a shared window for a while, or until `finished`, by their own time stamps and without any
 * clock of the page, which is hidden meanwhile. Frames come only when something changes. Never rejects.
 */
export async function measureCapture(
  frames: ReadableStream<VideoFrame>,
  request: CaptureRequest,
  onProgress: (progress: CaptureProgress) => void,
  finished: Promise<void>,
): Promise<Result<CaptureReading, CaptureFailure>> {
  const { region, clipFps, ceilingFps, countInMs, lengthMs, isOpenEnded } = request;
  const reader = frames.getReader();
  const watch = new Watch(request);
  const grey = new GreyReader();
  const meter = new Meter({
    clipFps,
    isExact: true,
    ...(region ? { region } : {}),
    ...(ceilingFps === null ? {} : { ceilingFps }),
  });
  let size: { readonly widthPx: number; readonly heightPx: number } | null = null;
  let computeMs = 0;
  let lastMs = Number.NEGATIVE_INFINITY;
  /** From the frames' own clock to that of the presses: no frame can come before it was taken. */
  let sinceEpochMs = Number.POSITIVE_INFINITY;
  let isOver = false;
  const reporting = setInterval(() => onProgress(watch.progress()), reportEveryMs);
  // The last frame may never come: nothing need change at the end.
  const end = (): void => {
    isOver = true;
    reader.cancel();
  };
  const ending = setTimeout(end, countInMs + lengthMs);
  finished.then(end);
  try {
    for (;;) {
      const { value: frame, done } = await reader.read();
      if (done) break;
      const sample = new VideoSample(frame);
      try {
        watch.frameCame();
        const atMs = sample.timestamp * 1000;
        sinceEpochMs = Math.min(sinceEpochMs, performance.timeOrigin + performance.now() - atMs);
        if (watch.isCountingIn || atMs <= lastMs) continue;
        const startedMs = performance.now();
        const picture = await grey.read(sample);
        if (size && (size.widthPx !== picture.widthPx || size.heightPx !== picture.heightPx))
          return fail({ code: 'capture-resized' });
        size ??= { widthPx: picture.widthPx, heightPx: picture.heightPx };
        meter.add(picture, atMs);
        lastMs = atMs;
        watch.frameCount++;
        const change = meter.latestChange;
        watch.isRegionKnown = change !== null;
        if (change !== null && change > leastChange) watch.newPictureCame();
        computeMs += performance.now() - startedMs;
      } finally {
        sample.close();
      }
    }
    if (!isOver && !isOpenEnded) return fail({ code: 'capture-ended' });
    if (!size) return fail({ code: 'capture-silent' });
    const startedMs = watch.startedMs + countInMs;
    const measuredMs = Math.min(lengthMs, performance.now() - startedMs);
    const ownLoadRatio = computeMs / measuredMs;
    const reading = withDoubt(meter.read(measuredMs), ownLoadRatio);
    const { changes, timesMs } = meter.course;
    return succeed({
      reading,
      ...size,
      frameCount: watch.frameCount,
      measuredMs,
      startedAtMs: performance.timeOrigin + startedMs,
      ceilingFps,
      course: { changes, timesMs: timesMs.map((atMs) => atMs + sinceEpochMs) },
      ownLoadRatio,
    });
  } catch (error) {
    return fail({ code: 'capture-broke', detail: error instanceof Error ? error.message : String(error) });
  } finally {
    clearInterval(reporting);
    clearTimeout(ending);
    await reader.cancel().catch(() => undefined);
  }
}
