import { type EncodedPacket, EncodedPacketSink, Input, type InputVideoTrack } from 'mediabunny';
import { sizeEvennessOf, type VideoFacts } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import { fail, type Result, succeed } from '@/core/result';
import {
  computeDecodeRate,
  computeFileRead,
  computeScrubRun,
  computeSmallPieceMs,
  type DecodeRun,
  type FileRead,
  type PlannedRun,
  pieceBytes,
  planPieces,
  planRuns,
  planSmallPieces,
  type ReadPiece,
  type ScrubRun,
  scrubJumpCount,
  smallPieceBytes,
  type TestedStream,
  type TestPlayFailure,
  type TestPlayOutcome,
  type TestPlayProgress,
  toTestedStream,
} from '@/core/test-play';
import type { ByteSource } from '../shared/byte-source';
import { readableFormats } from '../shared/readable-formats';
import { createReaderSource } from '../shared/reader-source';
import { sniffBytes } from '../shared/sniff-file';
import { createBlobSource } from './blob-source';
import { type DecodeMeans, runDecoding, runScrubbing } from './decode-runs';
import { isAccepted } from './hardware-answer';

/** How long each way of decoding is tried. */
export const runMs = 2000;

/** Packets kept in memory and decoded over and over: the drive is tested by itself. */
const mostPackets = 300;
const mostPacketBytes = 48 * 1024 * 1024;
/** Shorter clips have no places to jump to. */
const leastScrubSec = 1;

/** The beginning of a clip, from its first key frame on. */
async function loadPackets(sink: EncodedPacketSink): Promise<readonly EncodedPacket[]> {
  const packets: EncodedPacket[] = [];
  let bytes = 0;
  for await (const packet of sink.packets()) {
    if (packets.length === 0 && packet.type !== 'key') continue;
    packets.push(packet);
    bytes += packet.byteLength;
    if (packets.length >= mostPackets || bytes >= mostPacketBytes) break;
  }
  return packets;
}

/** A slow drive is read no longer than this. */
const mostReadingMs = 4000;
const mostSmallReadingMs = 1500;
/** Pieces of each stretch that are read once more, to see how quickly this browser passes memory on. */
const againCount = 2;

/** Reads stretches of a file, as long as that tells something of its drive; null where the file is too small. */
export async function readPieces(
  nowMs: () => number,
  source: Pick<ByteSource, 'sizeBytes' | 'read'>,
  onProgress: (progress: TestPlayProgress) => void,
): Promise<FileRead | null> {
  const stretches = planPieces(source.sizeBytes);
  const pieceCount = stretches.flat().length;
  const [pieces, again]: readonly [ReadPiece[], ReadPiece[]] = [[], []];
  const read = async (start: number, bytes = pieceBytes): Promise<ReadPiece> => {
    const fromMs = nowMs();
    const { byteLength } = await source.read(start, Math.min(source.sizeBytes, start + bytes));
    return { bytes: byteLength, elapsedMs: nowMs() - fromMs };
  };
  const beganMs = nowMs();
  const isOver = (): boolean => nowMs() - beganMs >= mostReadingMs;
  for (const starts of stretches) {
    if (isOver()) break;
    for (const start of starts) {
      if (isOver()) break;
      onProgress({ phase: 'reading', pieceIndex: pieces.length, pieceCount });
      pieces.push(await read(start));
    }
    for (const start of starts.slice(0, againCount)) again.push(await read(start));
  }
  const large = computeFileRead(pieces, again);
  if (!large) return null;
  const [small, smallAgain]: readonly [ReadPiece[], ReadPiece[]] = [[], []];
  const smallStarts = planSmallPieces(source.sizeBytes);
  for (const start of smallStarts) {
    if (nowMs() - beganMs >= mostReadingMs + mostSmallReadingMs) break;
    small.push(await read(start, smallPieceBytes));
  }
  for (const start of smallStarts.slice(0, small.length)) smallAgain.push(await read(start, smallPieceBytes));
  return { ...large, smallPieceMs: computeSmallPieceMs(small, smallAgain) };
}

const streamOf = (facts: VideoFacts, packets: readonly EncodedPacket[]): TestedStream => ({
  codec: facts.codec,
  bitDepth: facts.bitDepth,
  chroma: facts.chroma,
  widthPx: facts.widthPx,
  heightPx: facts.heightPx,
  frameRateFps: rationalToNumber(facts.frameRate),
  megabitsPerFrame: packets.reduce((sum, packet) => sum + packet.byteLength * 8, 0) / 1e6 / Math.max(1, packets.length),
  sizeEvenness: sizeEvennessOf(packets.map(({ byteLength }) => byteLength)),
});

type Decoded = Omit<TestPlayOutcome, 'fileRead'>;

async function decodeAll(
  means: DecodeMeans,
  track: InputVideoTrack,
  config: VideoDecoderConfig,
  facts: VideoFacts,
  onProgress: (progress: TestPlayProgress) => void,
): Promise<Result<Decoded, TestPlayFailure>> {
  const sink = new EncodedPacketSink(track);
  const packets = await loadPackets(sink);
  if (packets.length === 0) return fail({ code: 'test-file-unreadable' });
  const canDecodeInHardware = await isAccepted(VideoDecoder, { ...config, hardwareAcceleration: 'prefer-hardware' });
  const stream = streamOf(facts, packets);
  const planned = planRuns({ heightPx: facts.heightPx, canDecodeInHardware });
  const runs: DecodeRun[] = [];
  for (const [runIndex, run] of planned.entries()) {
    onProgress({ phase: 'decoding', run, runIndex, runCount: planned.length });
    const frameAtMs = await runDecoding(means, { config, packets, ...facts }, run, runMs);
    runs.push({ ...run, ...computeDecodeRate({ frameAtMs, clipFps: stream.frameRateFps }) });
  }
  const way: PlannedRun['way'] = canDecodeInHardware ? 'hardware' : 'software';
  const firstSec = packets[0]?.timestamp ?? 0;
  const durationSec = facts.durationMs / 1000;
  const scrub: ScrubRun | null =
    durationSec < leastScrubSec
      ? null
      : computeScrubRun(
          await runScrubbing(means, { config, sink, firstSec, durationSec }, way, (jumpIndex) =>
            onProgress({ phase: 'scrubbing', jumpIndex, jumpCount: scrubJumpCount }),
          ),
        );
  return succeed({ stream, runs, scrub });
}

async function openAndDecode(
  means: DecodeMeans,
  source: ByteSource,
  facts: VideoFacts,
  onProgress: (progress: TestPlayProgress) => void,
): Promise<Result<Decoded, TestPlayFailure>> {
  let input: Input | null = null;
  try {
    const head = await source.read(0, sniffBytes);
    input = new Input({ formats: readableFormats, source: createReaderSource(source, head) });
    const track = await input.getPrimaryVideoTrack();
    const config = track && (await track.getDecoderConfig());
    const isDecoded =
      config && (await isAccepted(VideoDecoder, { ...config, hardwareAcceleration: 'prefer-software' }));
    if (!track || !config || !isDecoded) return fail({ code: 'codec-not-decoded', codec: facts.codec });
    return await decodeAll(means, track, config, facts, onProgress);
  } finally {
    input?.dispose();
  }
}

/**
 * Really reads and decodes a clip: pieces from all over its file, each way of decoding for two seconds, then twenty
 * jumps. Takes some ten to twenty seconds. A clip that is not decoded here still tells of its drive. Never rejects.
 * Decoders and frames are closed when it ends, however it ends.
 */
export async function testPlay(
  means: DecodeMeans,
  file: File,
  facts: VideoFacts,
  onProgress: (progress: TestPlayProgress) => void,
): Promise<Result<TestPlayOutcome, TestPlayFailure>> {
  onProgress({ phase: 'loading' });
  const source = createBlobSource(file);
  try {
    const fileRead = await readPieces(means.nowMs, source, onProgress);
    const decoded = await openAndDecode(means, source, facts, onProgress);
    if (decoded.ok) return succeed({ ...decoded.value, fileRead });
    if (decoded.failure.code !== 'codec-not-decoded' || fileRead === null) return decoded;
    return succeed({ stream: toTestedStream(facts), runs: [], scrub: null, fileRead });
  } catch (error) {
    if ((await source.checkState()) !== 'same') return fail({ code: 'test-file-unreadable' });
    return fail({ code: 'decoding-broke', detail: error instanceof Error ? error.message : String(error) });
  }
}
