import {
  BlobSource,
  EncodedAudioPacketSource,
  EncodedPacket,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  Input,
  type InputAudioTrack,
  type InputVideoTrack,
  MovOutputFormat,
  Mp4OutputFormat,
  Output,
  StreamTarget,
  type StreamTargetChunk,
} from 'mediabunny';
import type { VideoFacts } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import {
  keyFrameDistanceOf,
  type MadeProxy,
  type ProxyFailure,
  type ProxyProgress,
  type ProxyRecipe,
  type ProxySize,
  proxyEnding,
  proxyMegabitPerSec,
  proxySizeOf,
} from '@/core/proxies';
import { fail, type Result, succeed } from '@/core/result';
import { readableFormats } from '../shared/readable-formats';
import { ProxyError, toProxyFailure } from './proxy-failure';
import { createFrameScaler, isTakenByEncoders } from './scale-frame';

/** What decodes, encodes and tells the time; replaced in tests. */
export interface ProxyMeans {
  readonly createDecoder: (init: VideoDecoderInit) => VideoDecoder;
  readonly createEncoder: (init: VideoEncoderInit) => VideoEncoder;
  readonly nowMs: () => number;
}

/** Lets the making through, or holds it. */
export interface Gate {
  readonly set: (isClosed: boolean) => void;
  /** The next time that it is open; null while it is. */
  readonly opening: () => Promise<void> | null;
}

export function createGate(): Gate {
  let opening: { readonly promise: Promise<void>; readonly resolve: () => void } | null = null;
  return {
    set: (isClosed) => {
      if (!isClosed) {
        opening?.resolve();
        opening = null;
      } else if (!opening) {
        let resolve = (): void => undefined;
        const promise = new Promise<void>((done) => {
          resolve = done;
        });
        opening = { promise, resolve };
      }
    },
    opening: () => opening?.promise ?? null,
  };
}

/** One proxy to make. */
export interface ProxyJob {
  readonly file: File;
  readonly facts: VideoFacts;
  readonly recipe: ProxyRecipe;
  /** Closed when the proxy is whole, else aborted. */
  readonly target: WritableStream<StreamTargetChunk>;
  readonly gate: Gate;
  readonly signal: AbortSignal;
}

/** Packets waiting in the decoder and frames waiting in the encoder: enough to keep both busy, few enough to stay small. */
const mostDecoding = 8;
const mostEncoding = 4;
const reportEveryMs = 250;
/** Browsers' encoders give some more bits than they are asked for (measured: 4 to 12 % over all key frames). */
const askedShare = 0.95;
/** How far the sound is written ahead of the picture. */
const soundAheadSec = 0.5;

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

/** Exact times of frames by the whole microseconds that decoders and encoders know them by. */
type Times = Map<number, { readonly timestamp: number; readonly duration: number }>;

/** Copies one sound track packet by packet, up to the picture. */
class SoundCopy {
  private readonly packets: AsyncIterator<EncodedPacket>;
  private waiting: EncodedPacket | null = null;
  private isDone = false;
  private isFirst = true;

  constructor(
    private readonly source: EncodedAudioPacketSource,
    track: InputAudioTrack,
    private readonly config: AudioDecoderConfig,
  ) {
    this.packets = new EncodedPacketSink(track).packets()[Symbol.asyncIterator]();
  }

  async upTo(atSec: number): Promise<void> {
    while (!this.isDone) {
      if (!this.waiting) {
        const next = await this.packets.next();
        if (next.done) {
          this.isDone = true;
          this.source.close();
          return;
        }
        this.waiting = next.value;
      }
      if (this.waiting.timestamp > atSec) return;
      const packet = this.waiting;
      this.waiting = null;
      await this.source.add(packet, this.isFirst ? { decoderConfig: this.config } : undefined);
      this.isFirst = false;
    }
  }
}

interface Opened {
  readonly track: InputVideoTrack;
  readonly config: VideoDecoderConfig;
}

async function openOriginal(input: Input, facts: VideoFacts): Promise<Opened> {
  const track = await input.getPrimaryVideoTrack();
  const config = track && (await track.getDecoderConfig());
  if (!track || !config || !(await VideoDecoder.isConfigSupported(config)).supported)
    throw new ProxyError({ code: 'proxy-codec-not-decoded', codec: facts.codec });
  return { track, config };
}

/** Waits for either end to have room again; rejects at once with what broke. */
class Room {
  private wake = (): void => undefined;
  private error: Error | null = null;
  private tellBroken = (): void => undefined;
  private readonly whenBroken = new Promise<void>((resolve) => {
    this.tellBroken = resolve;
  });

  readonly breakOff = (error: Error): void => {
    this.error ??= error;
    this.tellBroken();
    this.wake();
  };
  /** Resolves once something broke. */
  readonly broken = (): Promise<void> => this.whenBroken;
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
 * Makes the proxy of one clip: its frames go from the decoder straight into an encoder of the proxy's size, its sound is
 * copied, and both are written as they come. Frame count, time stamps, rotation, pixel shape and range stay. Memory is
 * bounded whatever the length. Never rejects.
 */
export async function makeProxy(
  means: ProxyMeans,
  { file, facts, recipe, target, gate, signal }: ProxyJob,
  onProgress: (progress: ProxyProgress) => void,
): Promise<Result<MadeProxy, ProxyFailure>> {
  const startedMs = means.nowMs();
  const input = new Input({ formats: readableFormats, source: new BlobSource(file) });
  let isWritten = false;
  let sizeBytes = 0;
  const counted = new WritableStream<StreamTargetChunk>({
    start: () => undefined,
    write: async (chunk) => {
      await writer.write(chunk);
      sizeBytes = Math.max(sizeBytes, chunk.position + chunk.data.byteLength);
    },
  });
  const writer = target.getWriter();
  const times: Times = new Map();
  const room = new Room();
  let encoder: VideoEncoder | null = null;
  let decoder: VideoDecoder | null = null;
  let output: Output | null = null;
  const onAbort = (): void => room.breakOff(new ProxyError({ code: 'proxy-stopped' }));
  signal.addEventListener('abort', onAbort);
  try {
    if (signal.aborted) throw new ProxyError({ code: 'proxy-stopped' });
    const { track, config } = await openOriginal(input, facts);
    const size = proxySizeOf(facts, recipe.lines) ?? facts;
    const isMov = proxyEnding(facts) === 'mov';
    const picture = new EncodedVideoPacketSource('avc');
    output = new Output({
      format: isMov ? new MovOutputFormat({ fastStart: false }) : new Mp4OutputFormat({ fastStart: false }),
      target: new StreamTarget(counted, { chunked: true, chunkSize: 4 * 2 ** 20 }),
    });
    const fps = rationalToNumber(facts.frameRate);
    output.addVideoTrack(picture, {
      rotation: await track.getRotation(),
      ...(!facts.isVariableFrameRate && { frameRate: fps }),
      ...(recipe.keyFrames === 'every-frame' && { hasOnlyKeyPackets: true }),
    });
    const sounds: SoundCopy[] = [];
    let droppedSoundCount = 0;
    for (const sound of await input.getAudioTracks()) {
      const codec = await sound.getCodec();
      const soundConfig = await sound.getDecoderConfig();
      if (!codec || !soundConfig || !output.format.getSupportedAudioCodecs().includes(codec)) {
        droppedSoundCount++;
        continue;
      }
      const source = new EncodedAudioPacketSource(codec);
      output.addAudioTrack(source, { languageCode: await sound.getLanguageCode() });
      sounds.push(new SoundCopy(source, sound, soundConfig));
    }
    await output.start();

    // What came out of the encoder and is not written yet; the encoder's own order is the order of time.
    const written: Promise<void>[] = [];
    let writing = Promise.resolve();
    let frameCount = 0;
    let toldMs = startedMs;
    // Time that it was held does not count as time that it took.
    let heldMs = 0;
    const colorSpace = await track.getColorSpace();
    const aspect = {
      displayAspectWidth: facts.widthPx * facts.pixelAspect.num,
      displayAspectHeight: facts.heightPx * facts.pixelAspect.den,
    };
    const onChunk = (chunk: EncodedVideoChunk, meta?: EncodedVideoChunkMetadata): void => {
      const time = times.get(chunk.timestamp);
      if (!time) return;
      times.delete(chunk.timestamp);
      const data = new Uint8Array(chunk.byteLength);
      chunk.copyTo(data);
      const packet = new EncodedPacket(data, chunk.type, time.timestamp, time.duration, frameCount++);
      const withShape = meta?.decoderConfig && {
        ...meta,
        decoderConfig: { ...meta.decoderConfig, colorSpace, ...aspect },
      };
      writing = writing.then(async () => {
        for (const sound of sounds) await sound.upTo(time.timestamp + soundAheadSec);
        await picture.add(packet, withShape);
      });
      writing.catch(room.breakOff);
      written.push(writing);
      room.notify();
    };
    encoder = means.createEncoder({
      output: onChunk,
      error: (error) => room.breakOff(new ProxyError({ code: 'proxy-encoder-failed', detail: error.message })),
    });
    encoder.configure(encoderConfigOf(facts, size, recipe));
    const encoding = encoder;
    const keyEvery = keyFrameDistanceOf(recipe, fps);
    let givenCount = 0;
    const give = (frame: VideoFrame): void => {
      if (encoding.state === 'configured') encoding.encode(frame, { keyFrame: givenCount++ % keyEvery === 0 });
      frame.close();
    };
    // Frames that are made smaller here come later than they were decoded; they still come one after the other.
    let scaling = Promise.resolve();
    let scalingCount = 0;
    const scaler = createFrameScaler(size);
    const onFrame = (frame: VideoFrame): void => {
      if (isTakenByEncoders(frame.format) && scalingCount === 0) return give(frame);
      scalingCount++;
      scaling = scaling
        .then(async () => give(await scaler(frame)))
        .finally(() => {
          scalingCount--;
          room.notify();
        });
      scaling.catch(room.breakOff);
    };
    let decodedAtMs = 0;
    decoder = means.createDecoder({
      output: onFrame,
      error: (error) =>
        room.breakOff(new ProxyError({ code: 'proxy-frame-unreadable', atMs: decodedAtMs, detail: error.message })),
    });
    decoder.configure(config);
    const decoding = decoder;
    decoding.addEventListener('dequeue', room.notify);
    encoding.addEventListener('dequeue', room.notify);
    for await (const packet of new EncodedPacketSink(track).packets()) {
      await room.until(
        () =>
          decoding.decodeQueueSize < mostDecoding &&
          encoding.encodeQueueSize < mostEncoding &&
          scalingCount < mostEncoding,
      );
      const chunk = packet.toEncodedVideoChunk();
      times.set(chunk.timestamp, { timestamp: packet.timestamp, duration: packet.duration });
      decodedAtMs = packet.timestamp * 1000;
      decoding.decode(chunk);
      const nowMs = means.nowMs();
      if (nowMs - toldMs >= reportEveryMs) {
        toldMs = nowMs;
        onProgress({ frameCount, atMs: decodedAtMs, elapsedMs: nowMs - startedMs - heldMs });
      }
      while (gate.opening()) {
        // A sign of life now and then, so that nobody takes what is held for hung.
        await Promise.race([gate.opening(), room.broken(), new Promise((resolve) => setTimeout(resolve, 2000))]);
        onProgress({ frameCount, atMs: decodedAtMs, elapsedMs: toldMs - startedMs - heldMs });
        room.check();
        heldMs += means.nowMs() - toldMs;
        toldMs = means.nowMs();
      }
      // Writing that falls behind holds the rest up.
      if (written.length > 16) await written[written.length - 16];
      if (written.length > 256) written.splice(0, written.length - 32);
    }
    await decoding.flush();
    await scaling;
    room.check();
    await encoding.flush();
    room.check();
    await writing;
    const missing = [...times.values()].toSorted((a, b) => a.timestamp - b.timestamp)[0];
    if (missing)
      throw new ProxyError({
        code: 'proxy-frame-unreadable',
        atMs: missing.timestamp * 1000,
        detail: 'no picture came of it',
      });
    picture.close();
    for (const sound of sounds) await sound.upTo(Number.POSITIVE_INFINITY);
    await output.finalize();
    await writer.close();
    isWritten = true;
    const elapsedMs = means.nowMs() - startedMs - heldMs;
    onProgress({ frameCount, atMs: facts.durationMs, elapsedMs });
    return succeed({ frameCount, ...size, sizeBytes, elapsedMs, droppedSoundCount });
  } catch (error) {
    return fail(await toProxyFailure(error, file));
  } finally {
    signal.removeEventListener('abort', onAbort);
    if (decoder && decoder.state !== 'closed') decoder.close();
    if (encoder && encoder.state !== 'closed') encoder.close();
    if (!isWritten) {
      await output?.cancel().catch(() => undefined);
      await writer.abort().catch(() => undefined);
    }
    input.dispose();
  }
}
