import type { EncodedPacket, EncodedPacketSink } from 'mediabunny';
import { listScrubPlaces, type PlannedRun } from '@/core/test-play';

/** What makes decoders and tells the time; replaced in tests. */
export interface DecodeMeans {
  readonly createDecoder: (init: VideoDecoderInit) => VideoDecoder;
  readonly nowMs: () => number;
}

/** A decoder with everything that was put in and came out, closed for certain at its end. */
interface Session {
  /** Puts a packet in once there is room; rejects at once with what the decoder reported, if it did. */
  readonly decode: (packet: EncodedPacket, timestampUs: number) => Promise<void>;
  /** Waits for everything that was put in. */
  readonly finish: () => Promise<void>;
}

/** Chunks waiting in the decoder: enough to keep its threads busy, few enough to stop at once. */
const mostQueued = 12;
/** However slow: a rate needs some frames. */
const leastFrames = 8;

async function withDecoder<T>(
  means: DecodeMeans,
  config: VideoDecoderConfig,
  onFrame: (frame: VideoFrame) => void,
  work: (session: Session) => Promise<T>,
): Promise<T> {
  let broken: Error | null = null;
  let wake = (): void => undefined;
  const decoder = means.createDecoder({
    output: (frame) => {
      try {
        onFrame(frame);
      } finally {
        frame.close();
      }
    },
    error: (error) => {
      broken = error;
      wake();
    },
  });
  decoder.addEventListener('dequeue', () => wake());
  const check = (): void => {
    if (broken) throw broken;
  };
  try {
    decoder.configure(config);
    return await work({
      decode: async (packet, timestampUs) => {
        check();
        // A decoder that broke is closed and takes nothing more out of its queue, so its error wakes this as well.
        while (decoder.decodeQueueSize >= mostQueued) {
          await new Promise<void>((resolve) => {
            wake = resolve;
          });
          check();
        }
        decoder.decode(new EncodedVideoChunk({ type: packet.type, timestamp: timestampUs, data: packet.data }));
      },
      finish: async () => {
        check();
        await decoder.flush();
        check();
      },
    });
  } finally {
    if (decoder.state !== 'closed') decoder.close();
  }
}

const configOf = (config: VideoDecoderConfig, run: Pick<PlannedRun, 'way' | 'isOneByOne'>): VideoDecoderConfig => ({
  ...config,
  hardwareAcceleration: run.way === 'hardware' ? 'prefer-hardware' : 'prefer-software',
  optimizeForLatency: run.isOneByOne,
});

/** Draws frames at the height of a preview, as an editor would; null where a run only decodes. */
function createDrawing(run: PlannedRun, shape: { readonly widthPx: number; readonly heightPx: number }) {
  if (run.drawnHeightPx === null) return () => undefined;
  const widthPx = Math.max(2, Math.round((shape.widthPx * run.drawnHeightPx) / shape.heightPx));
  const canvas = new OffscreenCanvas(widthPx, run.drawnHeightPx);
  const context = canvas.getContext('2d', { alpha: false });
  if (!context) throw new Error('createDrawing: this browser has no 2d canvas in workers');
  return (frame: VideoFrame) => context.drawImage(frame, 0, 0, widthPx, canvas.height);
}

/**
 * Decodes `packets` over and over for `forMs`, as fast as it goes, and gives the times at which frames were done.
 * Packets begin with a key frame and are in the order of decoding. Rejects with what the decoder reported.
 */
export async function runDecoding(
  means: DecodeMeans,
  clip: {
    readonly config: VideoDecoderConfig;
    readonly packets: readonly EncodedPacket[];
    readonly widthPx: number;
    readonly heightPx: number;
  },
  run: PlannedRun,
  forMs: number,
): Promise<readonly number[]> {
  const frameAtMs: number[] = [];
  const draw = createDrawing(run, clip);
  const onFrame = (frame: VideoFrame): void => {
    draw(frame);
    frameAtMs.push(means.nowMs());
  };
  await withDecoder(means, configOf(clip.config, run), onFrame, async ({ decode, finish }) => {
    const startMs = means.nowMs();
    for (let i = 0; means.nowMs() - startMs < forMs || frameAtMs.length < leastFrames; i++) {
      const packet = clip.packets[i % clip.packets.length];
      if (!packet || i >= clip.packets.length * 500) break;
      // Times only have to rise; a clip that is played again goes on counting.
      await decode(packet, i * 1000);
    }
    await finish();
  });
  return frameAtMs;
}

/** The packets from the key frame before a place up to the frame there. */
async function listJump(sink: EncodedPacketSink, atSec: number): Promise<readonly EncodedPacket[]> {
  const target = await sink.getPacket(atSec);
  const key = await sink.getKeyPacket(atSec);
  if (!target || !key) return [];
  const packets: EncodedPacket[] = [];
  for (let packet: EncodedPacket | null = key; packet; packet = await sink.getNextPacket(packet)) {
    packets.push(packet);
    if (packet.sequenceNumber >= target.sequenceNumber) break;
  }
  return packets;
}

/** No further jump is begun after this long: twenty jumps over long distances could take minutes. */
const scrubLimitMs = 60_000;
/** How often a jump that is still decoding says so. */
const signOfLifeMs = 1000;

/**
 * Jumps to places all over the clip, each from asking for it, reading included, to having its frame. Gives the waits
 * in milliseconds, fewer than planned where they are long. `onJump` is told each jump as it begins and every second
 * that it goes on. Rejects with what reading or decoding reported.
 */
export async function runScrubbing(
  means: DecodeMeans,
  clip: {
    readonly config: VideoDecoderConfig;
    readonly sink: EncodedPacketSink;
    readonly firstSec: number;
    readonly durationSec: number;
  },
  way: PlannedRun['way'],
  onJump: (jumpIndex: number) => void,
): Promise<readonly number[]> {
  const waitsMs: number[] = [];
  let newestMs = 0;
  let jumpIndex = 0;
  let toldMs = means.nowMs();
  const startMs = toldMs;
  const tell = (): void => {
    toldMs = means.nowMs();
    onJump(jumpIndex);
  };
  const onFrame = (): void => {
    newestMs = means.nowMs();
    if (newestMs - toldMs >= signOfLifeMs) tell();
  };
  await withDecoder(means, configOf(clip.config, { way, isOneByOne: false }), onFrame, async ({ decode, finish }) => {
    for (const place of listScrubPlaces()) {
      const askedMs = means.nowMs();
      if (askedMs - startMs > scrubLimitMs) break;
      tell();
      newestMs = 0;
      const packets = await listJump(clip.sink, clip.firstSec + place * clip.durationSec);
      for (const [i, packet] of packets.entries()) await decode(packet, i * 1000);
      await finish();
      if (newestMs > 0) waitsMs.push(newestMs - askedMs);
      jumpIndex += 1;
    }
  });
  return waitsMs;
}
