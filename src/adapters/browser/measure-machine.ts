import { type EncodedPacket, EncodedPacketSink, Input } from 'mediabunny';
import { sizeEvennessOf } from '@/core/footage';
import { type MachineProgress, type MachineRuns, runKernel } from '@/core/machine-test';
import { referenceMsOf, type TestedStream } from '@/core/test-play';
import { readableFormats } from '../shared/readable-formats';
import { createReaderSource } from '../shared/reader-source';
import { sniffBytes } from '../shared/sniff-file';
import { createBlobSource } from './blob-source';
import { type DecodeMeans, runDecoding } from './decode-runs';
import { isAccepted } from './hardware-answer';
import { measureDrawing } from './measure-drawing';
import { measureStorage } from './measure-storage';

/** How long each run decodes, and how often all cores are put to work: heat and power saving show after seconds. */
const runMs = 2000;
const roundCount = 4;
const kernelCount = 7;
/** More decoders than this say nothing more, and take memory. */
const mostDecoders = 16;

interface Sample {
  readonly config: VideoDecoderConfig;
  readonly packets: readonly EncodedPacket[];
  readonly widthPx: number;
  readonly heightPx: number;
  readonly stream: TestedStream;
}

/** The sample clip that ships with Oil Can, ready to be decoded over and over. */
async function openSample(blob: Blob): Promise<Sample> {
  const source = createBlobSource(new File([blob], 'sample'));
  const input = new Input({
    formats: readableFormats,
    source: createReaderSource(source, await source.read(0, sniffBytes)),
  });
  try {
    const track = await input.getPrimaryVideoTrack();
    const config = track && (await track.getDecoderConfig());
    if (!track || !config) throw new Error('measureMachine: the sample has no picture');
    const packets: EncodedPacket[] = [];
    for await (const packet of new EncodedPacketSink(track).packets()) packets.push(packet);
    const { packetCount, averagePacketRate } = await track.computePacketStats();
    const [widthPx, heightPx] = [track.displayWidth, track.displayHeight];
    const bits = packets.reduce((sum, packet) => sum + packet.byteLength * 8, 0);
    return {
      config,
      packets,
      widthPx,
      heightPx,
      stream: {
        codec: 'h264',
        bitDepth: 8,
        chroma: '4:2:0',
        widthPx,
        heightPx,
        frameRateFps: averagePacketRate,
        megabitsPerFrame: bits / 1e6 / packetCount,
        sizeEvenness: sizeEvennessOf(packets.map(({ byteLength }) => byteLength)),
      },
    };
  } finally {
    input.dispose();
  }
}

/** Frames a second of decoders at work together: of the time in which all of them gave frames. */
export function rateTogether(frameTimesMs: readonly (readonly number[])[]): number {
  const fromMs = Math.max(...frameTimesMs.map((times) => times[0] ?? Number.POSITIVE_INFINITY));
  const toMs = Math.min(...frameTimesMs.map((times) => times.at(-1) ?? Number.NEGATIVE_INFINITY));
  if (!(toMs > fromMs)) return 0;
  const count = frameTimesMs.reduce((sum, times) => sum + times.filter((at) => at > fromMs && at <= toMs).length, 0);
  return (1000 * count) / (toMs - fromMs);
}

/**
 * Runs what tells how quick this machine is, in less than a minute: a single-threaded kernel; by turns a software decoder kept to one
 * thread and as many as there are cores at once; one let loose; one in hardware where there is one; drawing; and this browser's own storage. Rejects with what
 * a decoder or the graphics reported. Decoders and frames are closed, however it ends.
 */
export async function measureMachine(
  means: DecodeMeans,
  sampleBlob: Blob,
  coreCount: number,
  onProgress: (progress: MachineProgress) => void,
): Promise<MachineRuns> {
  const decoderCount = Math.min(mostDecoders, Math.max(1, coreCount));
  onProgress({ phase: 'loading', doneRatio: 0 });
  const sample = await openSample(sampleBlob);
  const decode = (way: 'software' | 'hardware', isOneByOne = false): Promise<readonly number[]> =>
    runDecoding(means, sample, { way, isOneByOne, drawnHeightPx: null }, runMs);

  const kernelMs: number[] = [];
  // The first runs are slower while the code is still being made quick; they are not counted.
  for (let i = 0; i < kernelCount + 2; i++) {
    onProgress({ phase: 'kernel', doneRatio: 0.02 + (0.06 * i) / kernelCount });
    const fromMs = means.nowMs();
    runKernel();
    if (i >= 2) kernelMs.push(means.nowMs() - fromMs);
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
  const [singleFps, togetherFps]: readonly [number[], number[]] = [[], []];
  // One run that is not counted: decoders and clocks come up to speed.
  await decode('software');
  // By turns, so that a machine that slows does so for both.
  for (let i = 0; i < roundCount; i++) {
    onProgress({ phase: 'single', doneRatio: 0.15 + (0.6 * i) / roundCount });
    singleFps.push(rateTogether([await decode('software', true)]));
    onProgress({ phase: 'together', doneRatio: 0.15 + (0.6 * (i + 0.5)) / roundCount });
    togetherFps.push(rateTogether(await Promise.all(Array.from({ length: decoderCount }, () => decode('software')))));
  }
  onProgress({ phase: 'alone', doneRatio: 0.76 });
  const aloneFps = rateTogether([await decode('software')]);
  onProgress({ phase: 'hardware', doneRatio: 0.82 });
  const hasHardware = await isAccepted(VideoDecoder, { ...sample.config, hardwareAcceleration: 'prefer-hardware' });
  const hardwareFps = hasHardware ? rateTogether([await decode('hardware')]) : null;
  onProgress({ phase: 'drawing', doneRatio: 0.9 });
  const drawing = await measureDrawing(means.nowMs);
  onProgress({ phase: 'storage', doneRatio: 0.97 });
  const storage = await measureStorage(means.nowMs);
  onProgress({ phase: 'storage', doneRatio: 1 });
  return {
    sample: {
      referenceMs: referenceMsOf(sample.stream),
      megapixels: (sample.widthPx * sample.heightPx) / 1e6,
    },
    coreCount: decoderCount,
    singleFps,
    togetherFps,
    aloneFps,
    hardwareFps,
    kernelMs,
    drawing,
    storage,
  };
}
