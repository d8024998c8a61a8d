import type { EncodedPacket, EncodedPacketSink } from 'mediabunny';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type DecodeMeans, runDecoding, runScrubbing } from './decode-runs';

interface FakeOptions {
  /** Frames after which it reports an error, as a damaged clip makes a decoder do. */
  readonly breaksAfter?: number;
  readonly frameMs?: number;
}

/** A decoder on a clock of its own: every chunk gives one frame some milliseconds later. */
function createFakeMeans({ breaksAfter = Number.POSITIVE_INFINITY, frameMs = 10 }: FakeOptions = {}) {
  const state = { nowMs: 0, openFrames: 0, mostOpenFrames: 0, openDecoders: 0, configs: [] as VideoDecoderConfig[] };
  class FakeDecoder extends EventTarget {
    state: CodecState = 'unconfigured';
    decodeQueueSize = 0;
    #count = 0;
    constructor(readonly init: VideoDecoderInit) {
      super();
      state.openDecoders += 1;
    }
    configure(config: VideoDecoderConfig) {
      this.state = 'configured';
      state.configs.push(config);
    }
    decode() {
      if (this.state === 'closed') throw new DOMException('closed', 'InvalidStateError');
      this.#count += 1;
      state.nowMs += frameMs;
      if (this.#count > breaksAfter) {
        this.close();
        this.init.error(new DOMException('decoding error', 'EncodingError'));
        return;
      }
      state.openFrames += 1;
      state.mostOpenFrames = Math.max(state.mostOpenFrames, state.openFrames);
      this.init.output({
        close: () => {
          state.openFrames -= 1;
        },
      } as VideoFrame);
    }
    async flush() {
      await Promise.resolve();
    }
    close() {
      if (this.state !== 'closed') state.openDecoders -= 1;
      this.state = 'closed';
    }
  }
  const means: DecodeMeans = {
    createDecoder: (init) => new FakeDecoder(init) as unknown as VideoDecoder,
    nowMs: () => state.nowMs,
  };
  return { means, state };
}

const packet = (i: number): EncodedPacket =>
  ({
    type: i % 25 === 0 ? 'key' : 'delta',
    data: new Uint8Array(4),
    sequenceNumber: i,
    timestamp: i / 25,
  }) as EncodedPacket;
const clip = {
  config: { codec: 'avc1.640028' },
  packets: Array.from({ length: 50 }, (_, i) => packet(i)),
  widthPx: 1920,
  heightPx: 1080,
};
const alone = { way: 'software', isOneByOne: false, drawnHeightPx: null } as const;

beforeEach(() => vi.stubGlobal('EncodedVideoChunk', class {}));
afterEach(() => vi.unstubAllGlobals());

describe('runDecoding', () => {
  it('goes on for the time it was given, past the end of the clip, and closes every frame and the decoder', async () => {
    const { means, state } = createFakeMeans();
    const frameAtMs = await runDecoding(means, clip, alone, 2000);
    expect(frameAtMs).toHaveLength(200);
    expect(frameAtMs.at(-1)).toBe(2000);
    expect(state).toMatchObject({ openFrames: 0, mostOpenFrames: 1, openDecoders: 0 });
  });
  it('decodes some frames however slow they are', async () => {
    const { means } = createFakeMeans({ frameMs: 3000 });
    expect(await runDecoding(means, clip, alone, 2000)).toHaveLength(8);
  });
  it('asks for the way of decoding that was planned', async () => {
    const { means, state } = createFakeMeans();
    await runDecoding(means, clip, { ...alone, way: 'hardware' }, 100);
    await runDecoding(means, clip, { ...alone, isOneByOne: true }, 100);
    expect(state.configs).toMatchObject([
      { hardwareAcceleration: 'prefer-hardware', optimizeForLatency: false },
      { hardwareAcceleration: 'prefer-software', optimizeForLatency: true },
    ]);
  });
  it('tells what a broken decoder reported, with nothing left open', async () => {
    const { means, state } = createFakeMeans({ breaksAfter: 3 });
    await expect(runDecoding(means, clip, alone, 2000)).rejects.toThrow('decoding error');
    expect(state).toMatchObject({ openFrames: 0, openDecoders: 0 });
  });
  it('tells of a decoder that breaks with a full queue, and does not wait for it', async () => {
    const { means, state } = createFakeMeans();
    const stuck: DecodeMeans = {
      ...means,
      createDecoder: (init) => {
        const decoder = means.createDecoder(init);
        Object.defineProperty(decoder, 'decodeQueueSize', { value: 99 });
        setTimeout(() => init.error(new DOMException('device lost', 'EncodingError')), 5);
        return decoder;
      },
    };
    await expect(runDecoding(stuck, clip, alone, 2000)).rejects.toThrow('device lost');
    expect(state).toMatchObject({ openFrames: 0, openDecoders: 0 });
  });
  it('closes a frame that could not be drawn', async () => {
    const { means, state } = createFakeMeans();
    vi.stubGlobal(
      'OffscreenCanvas',
      class {
        getContext() {
          return {
            drawImage: () => {
              throw new Error('no memory to draw');
            },
          };
        }
      },
    );
    await expect(runDecoding(means, clip, { ...alone, drawnHeightPx: 540 }, 100)).rejects.toThrow('no memory to draw');
    expect(state).toMatchObject({ openFrames: 0, openDecoders: 0 });
  });
});

const at = (sec: number) => Math.min(49, Math.floor(sec * 25));
const sink = {
  getPacket: async (sec: number) => packet(at(sec)),
  getKeyPacket: async (sec: number) => packet(at(sec) - (at(sec) % 25)),
  getNextPacket: async (before: EncodedPacket) =>
    before.sequenceNumber < 49 ? packet(before.sequenceNumber + 1) : null,
} as unknown as EncodedPacketSink;

describe('runScrubbing', () => {
  it('says every second that a long jump goes on, and begins none after a minute', async () => {
    const { means, state } = createFakeMeans({ frameMs: 600 });
    const told: (readonly [number, number])[] = [];
    const waits = await runScrubbing(
      means,
      { config: clip.config, sink, firstSec: 0, durationSec: 2 },
      'software',
      (jump) => told.push([jump, state.nowMs]),
    );
    expect(waits.length).toBeGreaterThan(5);
    expect(waits.length).toBeLessThan(20);
    const gaps = told.slice(1).map(([, ms], i) => ms - (told[i]?.[1] ?? 0));
    expect(Math.max(...gaps)).toBeLessThanOrEqual(1200);
  });

  it('decodes from the key frame before each of twenty places, and takes the time of each', async () => {
    const { means, state } = createFakeMeans();
    const jumps: number[] = [];
    const waits = await runScrubbing(
      means,
      { config: clip.config, sink, firstSec: 0, durationSec: 2 },
      'software',
      (jump) => jumps.push(jump),
    );
    expect(jumps).toHaveLength(20);
    // The first place is the middle, frame 25: a key frame. The second, frame 12, is the thirteenth after its key frame.
    expect(waits.slice(0, 2)).toEqual([10, 130]);
    expect(state).toMatchObject({ openFrames: 0, openDecoders: 0 });
  });
});
