import { Input, type InputVideoTrack, type VideoSample, VideoSampleSink } from 'mediabunny';
import {
  type GreyPicture,
  Meter,
  type RecordingFailure,
  type RecordingProgress,
  type RecordingReading,
  type RecordingRequest,
} from '@/core/meter';
import { fail, type Result, succeed } from '@/core/result';
import { readableFormats } from '../shared/readable-formats';
import { createReaderSource } from '../shared/reader-source';
import { sniffBytes } from '../shared/sniff-file';
import { createBlobSource } from './blob-source';

/** Progress is told so often. */
const reportEveryFrames = 15;

/** Planar formats begin with the brightness of all pixels, one byte each. */
const planarFormats: readonly (string | null)[] = ['I420', 'I420A', 'I422', 'I444', 'NV12'];

/** Makes grey pictures of frames, one after another in the same memory. */
class GreyReader {
  private buffer = new Uint8Array(0);
  private canvas: OffscreenCanvas | null = null;

  async read(sample: VideoSample): Promise<GreyPicture> {
    const { codedWidth: widthPx, codedHeight: heightPx } = sample;
    const count = widthPx * heightPx;
    if (planarFormats.includes(sample.format)) {
      const bytes = sample.allocationSize();
      if (this.buffer.length < bytes) this.buffer = new Uint8Array(bytes);
      await sample.copyTo(this.buffer);
      return { widthPx, heightPx, pixels: this.buffer.subarray(0, count) };
    }
    // Whatever else a decoder gives is drawn, and its brightness taken (BT.709).
    this.canvas ??= new OffscreenCanvas(widthPx, heightPx);
    const context = this.canvas.getContext('2d', { willReadFrequently: true });
    if (!context) throw new Error('no 2d context in this worker');
    sample.draw(context, 0, 0, widthPx, heightPx);
    const { data } = context.getImageData(0, 0, widthPx, heightPx);
    if (this.buffer.length < count) this.buffer = new Uint8Array(count);
    for (let i = 0; i < count; i++)
      this.buffer[i] =
        0.2126 * (data[4 * i] as number) + 0.7152 * (data[4 * i + 1] as number) + 0.0722 * (data[4 * i + 2] as number);
    return { widthPx, heightPx, pixels: this.buffer.subarray(0, count) };
  }
}

async function measureTrack(
  track: InputVideoTrack,
  durationMs: number,
  { region, clipFps, fromMs, toMs }: RecordingRequest,
  onProgress: (progress: RecordingProgress) => void,
): Promise<RecordingReading> {
  const untilMs = Math.min(toMs ?? durationMs, durationMs);
  const meter = new Meter({ clipFps, ...(region ? { region } : {}) });
  const grey = new GreyReader();
  let frameCount = 0;
  let lastMs = Number.NEGATIVE_INFINITY;
  let size = { widthPx: 0, heightPx: 0 };
  for await (const sample of new VideoSampleSink(track).samples(fromMs / 1000, untilMs / 1000)) {
    try {
      const atMs = sample.timestamp * 1000;
      // Some recorders write two frames at one time; the second shows nothing of its own.
      if (atMs <= lastMs) continue;
      lastMs = atMs;
      const picture = await grey.read(sample);
      size = { widthPx: picture.widthPx, heightPx: picture.heightPx };
      meter.add(picture, atMs);
      frameCount++;
      if (frameCount % reportEveryFrames === 0)
        onProgress({ doneRatio: Math.min(1, (atMs - fromMs) / Math.max(1, untilMs - fromMs)), frameCount });
    } finally {
      sample.close();
    }
  }
  return { reading: meter.read(), ...size, durationMs, frameCount };
}

/**
 * Measures what a screen recording shows, decoding it as fast as it goes and keeping one picture at a time. Never rejects.
 */
export async function measureRecording(
  file: File,
  request: RecordingRequest,
  onProgress: (progress: RecordingProgress) => void,
): Promise<Result<RecordingReading, RecordingFailure>> {
  const source = createBlobSource(file);
  let input: Input | null = null;
  try {
    const head = await source.read(0, sniffBytes);
    input = new Input({ formats: readableFormats, source: createReaderSource(source, head) });
    if (!(await input.canRead())) return fail({ code: 'recording-not-video' });
    const track = await input.getPrimaryVideoTrack();
    if (!track) return fail({ code: 'recording-not-video' });
    if (!(await track.canDecode())) return fail({ code: 'recording-not-decoded', codec: track.codec ?? 'unknown' });
    const durationMs = (await track.computeDuration()) * 1000;
    return succeed(await measureTrack(track, durationMs, request, onProgress));
  } catch (error) {
    if ((await source.checkState()) !== 'same') return fail({ code: 'recording-unreadable' });
    return fail({ code: 'recording-broke', detail: error instanceof Error ? error.message : String(error) });
  } finally {
    input?.dispose();
  }
}
