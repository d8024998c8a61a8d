import { BlobSource, EncodedPacketSink, Input, type InputVideoTrack, type StreamTargetChunk } from 'mediabunny';
import type { VideoFacts } from '@/core/footage';
import {
  linesFor,
  type MadeProxy,
  type ProxyFailure,
  type ProxyProgress,
  type ProxyRecipe,
  type ProxySize,
  proxySizeOf,
} from '@/core/proxies';
import { fail, type Result, succeed } from '@/core/result';
import { readableFormats } from '../shared/readable-formats';
import { browsersChoice, type Coders, chooseCoders } from './choose-coders';
import { encoderConfigOf, FrameFeed, type ProxyMeans, Room } from './frame-feed';
import { ProxyError, toProxyFailure } from './proxy-failure';
import { ProxyWriter } from './proxy-writer';

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

const reportEveryMs = 250;
/** What is held says so now and then, so that nobody takes it for hung. */
const signOfLifeMs = 2000;

async function openOriginal(
  input: Input,
  facts: VideoFacts,
): Promise<{ readonly track: InputVideoTrack; readonly config: VideoDecoderConfig }> {
  const track = await input.getPrimaryVideoTrack();
  const config = track && (await track.getDecoderConfig());
  if (!track || !config || !(await VideoDecoder.isConfigSupported(config)).supported)
    throw new ProxyError({ code: 'proxy-codec-not-decoded', codec: facts.codec });
  return { track, config };
}

/** A trial takes the first second, a shorter clip is made before it would pay. */
const trialSec = 1;
const leastForTrialMs = 10_000;

interface Original {
  readonly track: InputVideoTrack;
  readonly config: VideoDecoderConfig;
  readonly facts: VideoFacts;
  readonly size: ProxySize;
  readonly recipe: ProxyRecipe;
}

/** Who is to decode and encode this clip: whoever makes its first second quickest. */
async function findCoders(
  means: ProxyMeans,
  { track, config, facts, size, recipe }: Original,
  signal: AbortSignal,
): Promise<Coders> {
  if (facts.durationMs < leastForTrialMs) return browsersChoice;
  const inHardware = { hardwareAcceleration: 'prefer-hardware' } as const;
  const accepted = {
    decoding: await means.acceptsDecoder({ ...config, ...inHardware }),
    encoding: await means.acceptsEncoder({ ...encoderConfigOf(facts, size, recipe), ...inHardware }),
  };
  return chooseCoders(accepted, async (coders) => {
    if (signal.aborted) return null;
    const room = new Room();
    let feed: FrameFeed | null = null;
    let [givenCount, madeCount] = [0, 0];
    const fromMs = means.nowMs();
    try {
      feed = new FrameFeed(means, config, { facts, size, recipe, coders }, room, () => madeCount++);
      for await (const packet of new EncodedPacketSink(track).packets()) {
        if (packet.timestamp > trialSec || signal.aborted) break;
        await feed.ready();
        feed.push(packet, packet.toEncodedVideoChunk());
        givenCount++;
      }
      await feed.finish();
      return madeCount === givenCount ? means.nowMs() - fromMs : null;
    } catch {
      // What breaks here is not taken; what breaks with every way breaks in the making, and is told then.
      return null;
    } finally {
      feed?.dispose();
    }
  });
}

/** Tells how far the making is, and holds it while the gate is closed; time that it was held does not count. */
class Pace {
  private readonly startedMs: number;
  private toldMs: number;
  private heldMs = 0;
  /** Since when it is held; null while it goes on. */
  private heldFromMs: number | null = null;

  constructor(
    private readonly nowMs: () => number,
    private readonly gate: Gate,
    private readonly room: Room,
    private readonly onProgress: (progress: ProxyProgress) => void,
  ) {
    this.startedMs = nowMs();
    this.toldMs = this.startedMs;
  }

  elapsedMs(): number {
    return (this.heldFromMs ?? this.nowMs()) - this.startedMs - this.heldMs;
  }

  tell(frameCount: number, atMs: number): void {
    this.toldMs = this.nowMs();
    this.onProgress({ frameCount, atMs, elapsedMs: this.elapsedMs() });
  }

  async step(frameCount: number, atMs: number): Promise<void> {
    if (this.nowMs() - this.toldMs >= reportEveryMs) this.tell(frameCount, atMs);
    if (!this.gate.opening()) return;
    const fromMs = this.nowMs();
    this.heldFromMs = fromMs;
    for (let opening = this.gate.opening(); opening; opening = this.gate.opening()) {
      // At once, so that what is shown stands still from here on.
      this.tell(frameCount, atMs);
      await Promise.race([opening, this.room.broken, new Promise((resolve) => setTimeout(resolve, signOfLifeMs))]);
      this.room.check();
    }
    this.heldFromMs = null;
    this.heldMs += this.nowMs() - fromMs;
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
  const input = new Input({ formats: readableFormats, source: new BlobSource(file) });
  const room = new Room();
  const pace = new Pace(means.nowMs, gate, room, onProgress);
  const stop = (): void => room.breakOff(new ProxyError({ code: 'proxy-stopped' }));
  signal.addEventListener('abort', stop);
  if (signal.aborted) stop();
  let writer: ProxyWriter | null = null;
  let feed: FrameFeed | null = null;
  try {
    const { track, config } = await openOriginal(input, facts);
    const { widthPx, heightPx } = proxySizeOf(facts, linesFor(recipe, facts)) ?? facts;
    const size = { widthPx, heightPx };
    writer = await ProxyWriter.open({ input, track, facts, recipe, target }, room.breakOff);
    const coders = await findCoders(means, { track, config, facts, size, recipe }, signal);
    room.check();
    feed = new FrameFeed(means, config, { facts, size, recipe, coders }, room, writer.add);
    for await (const packet of new EncodedPacketSink(track).packets()) {
      await feed.ready();
      const chunk = packet.toEncodedVideoChunk();
      writer.announce(packet, chunk.timestamp);
      feed.push(packet, chunk);
      await pace.step(writer.frameCount, 1000 * packet.timestamp);
      await writer.keepUp();
    }
    await feed.finish();
    await writer.finish();
    const { frameCount, sizeBytes, droppedSoundCount } = writer;
    pace.tell(frameCount, facts.durationMs);
    return succeed({ frameCount, ...size, sizeBytes, elapsedMs: pace.elapsedMs(), droppedSoundCount });
  } catch (error) {
    return fail(await toProxyFailure(error, file));
  } finally {
    signal.removeEventListener('abort', stop);
    feed?.dispose();
    await writer?.dispose();
    // Where it was never opened, the target still is.
    if (!target.locked) await target.abort().catch(() => undefined);
    input.dispose();
  }
}
