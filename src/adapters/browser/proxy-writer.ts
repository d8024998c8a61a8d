import {
  EncodedAudioPacketSource,
  EncodedPacket,
  EncodedPacketSink,
  EncodedVideoPacketSource,
  type Input,
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
import { type ProxyRecipe, proxyEnding } from '@/core/proxies';
import { ProxyError } from './proxy-failure';

/** How far the sound is written ahead of the picture. */
const soundAheadSec = 0.5;
/** Frames that may wait to be written; more hold the rest up. */
const mostWaiting = 16;
const chunkBytes = 4 * 2 ** 20;

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

/** Adds those sound tracks of an original that the proxy's form holds; `droppedCount` are the others. */
async function addSounds(
  input: Input,
  output: Output,
): Promise<{ readonly sounds: readonly SoundCopy[]; readonly droppedCount: number }> {
  const sounds: SoundCopy[] = [];
  const tracks = await input.getAudioTracks();
  for (const track of tracks) {
    const codec = await track.getCodec();
    const config = await track.getDecoderConfig();
    if (!codec || !config || !output.format.getSupportedAudioCodecs().includes(codec)) continue;
    const source = new EncodedAudioPacketSource(codec);
    output.addAudioTrack(source, { languageCode: await track.getLanguageCode() });
    sounds.push(new SoundCopy(source, track, config));
  }
  return { sounds, droppedCount: tracks.length - sounds.length };
}

/** What is written: which original, what of it, how and where to. */
export interface ProxySource {
  readonly input: Input;
  readonly track: InputVideoTrack;
  readonly facts: VideoFacts;
  readonly recipe: ProxyRecipe;
  readonly target: WritableStream<StreamTargetChunk>;
}

/**
 * Writes a proxy's file as its frames come from the encoder, in order of time, with the sound beside them. Frames keep the exact times
 * of their originals, which encoders know in whole microseconds only.
 */
export class ProxyWriter {
  /** Exact times of frames that were announced and not written yet, by their microseconds. */
  private readonly times = new Map<number, { readonly timestamp: number; readonly duration: number }>();
  private readonly waiting: Promise<void>[] = [];
  private writing: Promise<void> = Promise.resolve();
  private isWhole = false;
  private bytes = 0;
  frameCount = 0;

  private constructor(
    private readonly output: Output,
    private readonly picture: EncodedVideoPacketSource,
    private readonly sounds: readonly SoundCopy[],
    readonly droppedSoundCount: number,
    /** Colour and shape of the original: the encoder knows neither. */
    private readonly shape: Pick<VideoDecoderConfig, 'displayAspectWidth' | 'displayAspectHeight'> & {
      readonly colorSpace: VideoColorSpaceInit;
    },
    private readonly file: WritableStreamDefaultWriter<StreamTargetChunk>,
    private readonly onError: (error: Error) => void,
  ) {}

  /** Begins the file. `onError` hears what breaks while it is written. */
  static async open(source: ProxySource, onError: (error: Error) => void): Promise<ProxyWriter> {
    const file = source.target.getWriter();
    try {
      return await ProxyWriter.begin(source, file, onError);
    } catch (error) {
      await file.abort().catch(() => undefined);
      throw error;
    }
  }

  private static async begin(
    { input, track, facts, recipe }: ProxySource,
    file: WritableStreamDefaultWriter<StreamTargetChunk>,
    onError: (error: Error) => void,
  ): Promise<ProxyWriter> {
    const counted = new WritableStream<StreamTargetChunk>({
      write: async (chunk) => {
        await file.write(chunk);
        writer.bytes = Math.max(writer.bytes, chunk.position + chunk.data.byteLength);
      },
    });
    const options = { fastStart: false } as const;
    const output = new Output({
      format: proxyEnding(facts) === 'mov' ? new MovOutputFormat(options) : new Mp4OutputFormat(options),
      target: new StreamTarget(counted, { chunked: true, chunkSize: chunkBytes }),
    });
    const picture = new EncodedVideoPacketSource('avc');
    output.addVideoTrack(picture, {
      rotation: await track.getRotation(),
      ...(!facts.isVariableFrameRate && { frameRate: rationalToNumber(facts.frameRate) }),
      ...(recipe.keyFrames === 'every-frame' && { hasOnlyKeyPackets: true }),
    });
    const { sounds, droppedCount } = await addSounds(input, output);
    const shape = {
      colorSpace: await track.getColorSpace(),
      displayAspectWidth: facts.widthPx * facts.pixelAspect.num,
      displayAspectHeight: facts.heightPx * facts.pixelAspect.den,
    };
    const writer = new ProxyWriter(output, picture, sounds, droppedCount, shape, file, onError);
    await output.start();
    return writer;
  }

  get sizeBytes(): number {
    return this.bytes;
  }

  /** Says that a frame goes to the decoder. */
  announce({ timestamp, duration }: EncodedPacket, atUs: number): void {
    this.times.set(atUs, { timestamp, duration });
  }

  /** Takes what the encoder gives. */
  readonly add = (chunk: EncodedVideoChunk, meta?: EncodedVideoChunkMetadata): void => {
    const time = this.times.get(chunk.timestamp);
    if (!time) return;
    this.times.delete(chunk.timestamp);
    const data = new Uint8Array(chunk.byteLength);
    chunk.copyTo(data);
    const packet = new EncodedPacket(data, chunk.type, time.timestamp, time.duration, this.frameCount++);
    const withShape = meta?.decoderConfig && { ...meta, decoderConfig: { ...meta.decoderConfig, ...this.shape } };
    this.writing = this.writing.then(async () => {
      for (const sound of this.sounds) await sound.upTo(time.timestamp + soundAheadSec);
      await this.picture.add(packet, withShape);
    });
    this.writing.catch(this.onError);
    this.waiting.push(this.writing);
  };

  /** Waits until not too many frames wait to be written. */
  async keepUp(): Promise<void> {
    while (this.waiting.length > mostWaiting) await this.waiting.shift();
  }

  /** Ends the file: from here on it stands whole under its name. Throws where a frame that was announced never came. */
  async finish(): Promise<void> {
    await this.writing;
    const missing = [...this.times.values()].toSorted((a, b) => a.timestamp - b.timestamp)[0];
    if (missing) {
      const atMs = 1000 * missing.timestamp;
      throw new ProxyError({ code: 'proxy-frame-unreadable', atMs, detail: 'no picture came of it' });
    }
    this.picture.close();
    for (const sound of this.sounds) await sound.upTo(Number.POSITIVE_INFINITY);
    await this.output.finalize();
    await this.file.close();
    this.isWhole = true;
  }

  /** Lets everything go; of a file that is not whole nothing stays. */
  async dispose(): Promise<void> {
    if (this.isWhole) return;
    // What failed before may fail once more here; it was told already.
    await this.output.cancel().catch(() => undefined);
    await this.file.abort().catch(() => undefined);
  }
}
