import { BlobSource, Input, type VideoSample, VideoSampleSink } from 'mediabunny';
import type { VideoFacts } from '@/core/footage';
import { linesFor, type ProxyRecipe, proxySizeOf } from '@/core/proxies';
import { readableFormats } from '../shared/readable-formats';
import { encoderConfigOf } from './frame-feed';
import { ProxyError } from './proxy-failure';
import { createFrameScaler, isTakenByEncoders } from './scale-frame';

/** One frame of a clip as it is, and as its proxy would show it. */
export interface GrabbedFrame {
  readonly original: ImageBitmap;
  /** Null where no recipe was given, or the clip has no more lines than its proxy. */
  readonly proxy: ImageBitmap | null;
}

/** The frame is given this often, so that the encoder has found the bit rate that it is to keep. */
const settlingCount = 4;

/** The picture of a frame upright, in its own pixels. */
function toBitmap(sample: VideoSample): ImageBitmap {
  const canvas = new OffscreenCanvas(sample.displayWidth, sample.displayHeight);
  const context = canvas.getContext('2d', { alpha: false });
  if (!context) throw new Error('toBitmap: this browser has no 2d canvas in workers');
  sample.draw(context, 0, 0, canvas.width, canvas.height);
  return canvas.transferToImageBitmap();
}

/** Encodes a frame as proxies are, and decodes it again. */
async function throughEncoder(
  sample: VideoSample,
  facts: VideoFacts,
  recipe: ProxyRecipe,
): Promise<ImageBitmap | null> {
  const size = proxySizeOf(facts, linesFor(recipe, facts));
  if (!size) return null;
  const chunks: EncodedVideoChunk[] = [];
  let config: VideoDecoderConfig | undefined;
  let broken: Error | null = null;
  const onError = (error: Error): void => {
    broken ??= error;
  };
  const encoder = new VideoEncoder({
    output: (chunk, meta) => {
      chunks.push(chunk);
      config ??= meta?.decoderConfig;
    },
    error: onError,
  });
  const decoder = new VideoDecoder({ output: (frame) => frames.push(frame), error: onError });
  const frames: VideoFrame[] = [];
  try {
    encoder.configure(encoderConfigOf(facts, size, recipe));
    for (let i = 0; i < settlingCount; i++) {
      const frame = sample.toVideoFrame();
      const given = isTakenByEncoders(frame.format) ? frame : await createFrameScaler(size)(frame);
      const stamped = new VideoFrame(given, { timestamp: i * 40_000 });
      given.close();
      encoder.encode(stamped, { keyFrame: recipe.keyFrames === 'every-frame' || i === 0 });
      stamped.close();
    }
    await encoder.flush();
    if (!config) throw broken ?? new Error('the encoder gave nothing');
    decoder.configure(config);
    for (const chunk of chunks) decoder.decode(chunk);
    await decoder.flush();
    const last = frames.at(-1);
    if (!last) throw broken ?? new Error('the decoder gave nothing');
    return await createImageBitmap(last);
  } finally {
    for (const frame of frames) frame.close();
    if (encoder.state !== 'closed') encoder.close();
    if (decoder.state !== 'closed') decoder.close();
  }
}

/**
 * Decodes the frame at a share of a clip's length, and makes it what its proxy would show. Rejects with a `ProxyError` where this
 * browser does not decode the clip, and with what reading or decoding reported.
 */
export async function grabFrame(
  file: File,
  facts: VideoFacts,
  atRatio: number,
  recipe: ProxyRecipe | null,
): Promise<GrabbedFrame> {
  const input = new Input({ formats: readableFormats, source: new BlobSource(file) });
  try {
    const track = await input.getPrimaryVideoTrack();
    if (!track || !(await track.canDecode()))
      throw new ProxyError({ code: 'proxy-codec-not-decoded', codec: facts.codec });
    const firstSec = await track.getFirstTimestamp();
    const atSec = firstSec + (Math.min(0.999, Math.max(0, atRatio)) * facts.durationMs) / 1000;
    const sample = await new VideoSampleSink(track).getSample(atSec);
    if (!sample) throw new ProxyError({ code: 'proxy-frame-unreadable', atMs: 1000 * atSec, detail: 'no frame' });
    try {
      return { original: toBitmap(sample), proxy: recipe && (await throughEncoder(sample, facts, recipe)) };
    } finally {
      sample.close();
    }
  } finally {
    input.dispose();
  }
}
