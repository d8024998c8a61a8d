import { EncodedPacketSink, Input, type InputVideoTrack, VideoSampleSink } from 'mediabunny';
import {
  backFrom,
  Meter,
  type RecordingFailure,
  type RecordingProgress,
  type RecordingReading,
  type RecordingRequest,
  turnedRegion,
  turnedSize,
} from '@/core/meter';
import { fail, type Result, succeed } from '@/core/result';
import { readableFormats } from '../shared/readable-formats';
import { createReaderSource } from '../shared/reader-source';
import { sniffBytes } from '../shared/sniff-file';
import { createBlobSource } from './blob-source';
import { GreyReader } from './grey-reader';

/** Progress is told so often. */
const reportEveryFrames = 15;

/** Recorders that reorder frames do so from the start: so many packets show it. */
const orderedPacketCount = 60;

/** Whether frames are stored in another order than they are shown. */
async function isReorderedTrack(track: InputVideoTrack): Promise<boolean> {
  let count = 0;
  let lastSec = Number.NEGATIVE_INFINITY;
  for await (const { timestamp } of new EncodedPacketSink(track).packets(undefined, undefined, {
    metadataOnly: true,
  })) {
    if (timestamp < lastSec) return true;
    if (++count >= orderedPacketCount) return false;
    lastSec = timestamp;
  }
  return false;
}

/** Parts are where people see them: a phone stores its frames as they came, and how to turn them beside. */
async function measureTrack(
  track: InputVideoTrack,
  durationMs: number,
  { region, clipFps, isFilmed, fromMs, toMs }: RecordingRequest,
  onProgress: (progress: RecordingProgress) => void,
): Promise<RecordingReading> {
  const untilMs = Math.min(toMs ?? durationMs, durationMs);
  const isReordered = await isReorderedTrack(track);
  const rotation = await track.getRotation();
  const options = { clipFps, isReordered, isFilmed };
  let meter: Meter | null = null;
  const grey = new GreyReader();
  let frameCount = 0;
  let lastMs = Number.NEGATIVE_INFINITY;
  let stored = { widthPx: 0, heightPx: 0 };
  for await (const sample of new VideoSampleSink(track).samples(fromMs / 1000, untilMs / 1000)) {
    try {
      const atMs = sample.timestamp * 1000;
      // Some recorders write two frames at one time; the second shows nothing of its own.
      if (atMs <= lastMs) continue;
      lastMs = atMs;
      const picture = await grey.read(sample);
      stored = { widthPx: picture.widthPx, heightPx: picture.heightPx };
      meter ??= new Meter({
        ...options,
        ...(region && { region: turnedRegion(region, turnedSize(stored, rotation), backFrom(rotation)) }),
      });
      meter.add(picture, atMs);
      frameCount++;
      if (frameCount % reportEveryFrames === 0)
        onProgress({ doneRatio: Math.min(1, (atMs - fromMs) / Math.max(1, untilMs - fromMs)), frameCount });
    } finally {
      sample.close();
    }
  }
  const { region: found, result } = (meter ?? new Meter(options)).read();
  return {
    reading: { region: found && turnedRegion(found, stored, rotation), result },
    ...turnedSize(stored, rotation),
    durationMs,
    frameCount,
  };
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
