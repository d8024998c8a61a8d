import type { EncodedPacket } from 'mediabunny';
import type { VideoFacts } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import { keyFrameDistanceOf, type ProxyRecipe, type ProxySize, proxyMegabitPerSec } from '@/core/proxies';
import type { Coders } from './choose-coders';
import { ProxyError } from './proxy-failure';
import { createFrameScaler, isTakenByEncoders } from './scale-frame';

/** What decodes, encodes and tells the time; replaced in tests. */
export interface ProxyMeans {
  readonly createDecoder: (init: VideoDecoderInit) => VideoDecoder;
  readonly createEncoder: (init: VideoEncoderInit) => VideoEncoder;
  readonly nowMs: () => number;
  /** Whether this browser takes a configuration. */
  readonly acceptsDecoder: (config: VideoDecoderConfig) => Promise<boolean>;
  readonly acceptsEncoder: (config: VideoEncoderConfig) => Promise<boolean>;
}

/** What a feed makes of which original, and by whom. */
export interface FeedPlan {
  readonly facts: VideoFacts;
  readonly size: ProxySize;
  readonly recipe: ProxyRecipe;
  readonly coders: Coders;
}

/** Packets waiting in the decoder and frames waiting in the encoder: enough to keep both busy, few enough to stay small. */
const mostDecoding = 8;
const mostEncoding = 4;
/** Browsers' encoders give some more bits than they are asked for (measured: 4 to 12 % over all key frames). */
const askedShare = 0.95;

/** The level of H.264 that sizes and rates ask for: 4.2 holds 1080 lines at 60 a second, 5.2 holds 2160. */
const codecStringFor = ({ widthPx, heightPx }: ProxySize): string =>
  widthPx * heightPx <= 1920 * 1088 ? 'avc1.64002a' : 'avc1.640034';

/** What an encoder is asked for by a recipe. */
export function encoderConfigOf(facts: VideoFacts, size: ProxySize, recipe: ProxyRecipe): VideoEncoderConfig {
  const fps = rationalToNumber(facts.frameRate);
  return {
    codec: codecStringFor(size),
    width: size.widthPx,
    height: size.heightPx,
    bitrate: Math.round(1e6 * askedShare * proxyMegabitPerSec(size, fps, recipe)),
    framerate: fps,
    bitrateMode: 'variable',
    latencyMode: 'quality',
    avc: { format: 'avc' },
  };
}

/** Waits for either end to have room again; rejects at once with what broke. */
export class Room {
  private wake = (): void => undefined;
  private error: Error | null = null;
  private tellBroken = (): void => undefined;
  /** Resolves once something broke. */
  readonly broken = new Promise<void>((resolve) => {
    this.tellBroken = resolve;
  });

  readonly breakOff = (error: Error): void => {
    this.error ??= error;
    this.tellBroken();
    this.wake();
  };
  readonly notify = (): void => this.wake();

  check(): void {
    if (this.error) throw this.error;
  }

  async until(isRoom: () => boolean): Promise<void> {
    this.check();
    while (!isRoom()) {
      await new Promise<void>((resolve) => {
        this.wake = resolve;
      });
      this.check();
    }
  }
}

/**
 * Feeds packets of an original through a decoder straight into an encoder of the proxy's size, which scales the frames itself. What
 * it does not take is made smaller here first. Frames are closed as soon as they are given on.
 */
export class FrameFeed {
  private readonly decoder: VideoDecoder;
  private readonly encoder: VideoEncoder;
  private readonly keyEvery: number;
  private readonly scaleFrame: (frame: VideoFrame) => Promise<VideoFrame>;
  private givenCount = 0;
  /** Frames that are made smaller here come later than they were decoded; they still come one after the other. */
  private scaling: Promise<void> = Promise.resolve();
  private scalingCount = 0;
  private decodingAtMs = 0;

  constructor(
    means: ProxyMeans,
    config: VideoDecoderConfig,
    { facts, size, recipe, coders }: FeedPlan,
    private readonly room: Room,
    onChunk: EncodedVideoChunkOutputCallback,
  ) {
    this.keyEvery = keyFrameDistanceOf(recipe, rationalToNumber(facts.frameRate));
    this.scaleFrame = createFrameScaler(size);
    this.encoder = means.createEncoder({
      output: (chunk, meta) => {
        onChunk(chunk, meta);
        room.notify();
      },
      error: ({ message }) => room.breakOff(new ProxyError({ code: 'proxy-encoder-failed', detail: message })),
    });
    this.decoder = means.createDecoder({
      output: (frame) => this.take(frame),
      error: ({ message }) =>
        room.breakOff(new ProxyError({ code: 'proxy-frame-unreadable', atMs: this.decodingAtMs, detail: message })),
    });
    this.encoder.configure({ ...encoderConfigOf(facts, size, recipe), hardwareAcceleration: coders.encoding });
    this.decoder.configure({ ...config, hardwareAcceleration: coders.decoding });
    for (const end of [this.decoder, this.encoder]) end.addEventListener('dequeue', room.notify);
  }

  private give(frame: VideoFrame): void {
    if (this.encoder.state === 'configured')
      this.encoder.encode(frame, { keyFrame: this.givenCount++ % this.keyEvery === 0 });
    frame.close();
  }

  private take(frame: VideoFrame): void {
    if (isTakenByEncoders(frame.format) && this.scalingCount === 0) {
      this.give(frame);
      return;
    }
    this.scalingCount++;
    this.scaling = this.scaling
      .then(async () => this.give(await this.scaleFrame(frame)))
      .finally(() => {
        this.scalingCount--;
        this.room.notify();
      });
    this.scaling.catch(this.room.breakOff);
  }

  /** Waits until there is room for one more packet. */
  ready(): Promise<void> {
    return this.room.until(
      () =>
        this.decoder.decodeQueueSize < mostDecoding &&
        this.encoder.encodeQueueSize < mostEncoding &&
        this.scalingCount < mostEncoding,
    );
  }

  push({ timestamp }: EncodedPacket, chunk: EncodedVideoChunk): void {
    this.decodingAtMs = 1000 * timestamp;
    this.decoder.decode(chunk);
  }

  /** Waits for everything that was put in. */
  async finish(): Promise<void> {
    await this.decoder.flush();
    await this.scaling;
    this.room.check();
    await this.encoder.flush();
    this.room.check();
  }

  dispose(): void {
    for (const end of [this.decoder, this.encoder]) if (end.state !== 'closed') end.close();
  }
}
