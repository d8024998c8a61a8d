import { rationalToNumber } from '../numbers/rational';
import { fail, type Result, succeed } from '../result';
import { isIntraFrameCodec, nameVideoCodec } from './codec-names';
import { computeFrameRate } from './frame-rate';
import { keyFrameDistanceOfIndex, keyFrameDistanceOfPackets, keyFrameDistanceOfWindows } from './key-frames';
import { parseStreamHeader } from './picture-format';
import type { ContainerFacts, FootageFailure, KeyFrameDistance, PacketStamp, VideoFacts } from './types';

const sumOf = (packets: readonly PacketStamp[], pick: (packet: PacketStamp) => number): number =>
  packets.reduce((sum, packet) => sum + pick(packet), 0);

/** From the first stamp to the end of the last frame; `leastMs` cuts off what an edit list hides. */
function spanOf(packets: readonly PacketStamp[], leastMs = Number.NEGATIVE_INFINITY): number {
  let first = Number.POSITIVE_INFINITY;
  let end = Number.NEGATIVE_INFINITY;
  for (const { presentationMs, durationMs } of packets) {
    first = Math.min(first, Math.max(presentationMs, leastMs));
    end = Math.max(end, presentationMs + durationMs);
  }
  return packets.length > 0 ? Math.max(0, end - first) : 0;
}

function sampledKeyFrameDistance(facts: ContainerFacts, frameRateFps: number): KeyFrameDistance {
  if (facts.indexedKeyFrameMs.length > 1)
    return keyFrameDistanceOfIndex({
      keyFrameMs: facts.indexedKeyFrameMs,
      durationMs: facts.statedDurationMs,
      frameRateFps,
    });
  return keyFrameDistanceOfWindows(facts.windows);
}

/**
 * The time that an average rate is taken over. MP4 states the sum of decoding times, which is what ffprobe divides by;
 * a header that is far from the packets is not believed.
 */
function coveredMsOf(facts: ContainerFacts): number {
  const packetsMs = sumOf(facts.windows.flat(), (packet) => packet.durationMs);
  const isBelievable = Math.abs(facts.mediaDurationMs / Math.max(packetsMs, 1) - 1) < 0.1;
  return facts.isWhole && isBelievable ? facts.mediaDurationMs : packetsMs;
}

/**
 * Bit rate of the video track: counted where all packets are known, else over the windows; one window from the start
 * tells less than the whole file less its sound, as long as nothing else lies in the file.
 */
function videoBitPerSec(facts: ContainerFacts, coveredMs: number): number {
  const isFileTelling = facts.otherBitPerSec > 0 || (facts.videoTrackCount === 1 && facts.container !== 'ts');
  if (!facts.isWhole && isFileTelling && facts.statedDurationMs > 0)
    return Math.max(0, (facts.sizeBytes * 8) / (facts.statedDurationMs / 1000) - facts.otherBitPerSec);
  const bits = sumOf(facts.windows.flat(), (packet) => packet.sizeBytes) * 8;
  return bits / (Math.max(coveredMs, 1) / 1000);
}

/** Frames are stored up to this many places away from where they are shown. */
const reorderedFrames = 16;

/**
 * Presentation stamps of a window. One that was cut out of a file lacks frames at both ends, which are stored beyond
 * the cut; those ends are left out, or they would look like uneven intervals.
 */
function runOf(window: readonly PacketStamp[], isWhole: boolean): readonly number[] {
  const stamps = window.map((packet) => packet.presentationMs).sort((a, b) => a - b);
  const canTrim = !isWhole && stamps.length > 3 * reorderedFrames;
  return canTrim ? stamps.slice(reorderedFrames, -reorderedFrames) : stamps;
}

/**
 * Concludes a clip's facts from what its container states.
 * Fails with `codec-unknown` where the file names no codec, `no-frames` where the track is empty.
 */
export function buildClipFacts(facts: ContainerFacts): Result<VideoFacts, FootageFailure> {
  const codec = nameVideoCodec(facts);
  if (!codec) return fail({ code: 'codec-unknown' });
  const packets = facts.windows.flat();
  const header = parseStreamHeader({ ...facts, codec });
  const { widthPx, heightPx } = header.size ?? facts;
  if (packets.length === 0 || widthPx <= 0 || heightPx <= 0) return fail({ code: 'no-frames' });
  const { frameRate, isVariableFrameRate, frameIntervals } = computeFrameRate({
    runsMs: facts.windows.map((window) => runOf(window, facts.isWhole)),
    ticksPerSec: facts.ticksPerSec,
    coveredMs: coveredMsOf(facts),
    declaredFrameDurationNs: facts.declaredFrameDurationNs,
  });
  const spannedMs = facts.windows.reduce((sum, window) => sum + spanOf(window), 0);
  const durationMs = facts.isWhole ? spanOf(packets, 0) : Math.max(facts.statedDurationMs, spannedMs);
  const keyFrameDistance = facts.isWhole
    ? keyFrameDistanceOfPackets(packets, true)
    : sampledKeyFrameDistance(facts, rationalToNumber(frameRate));
  return succeed({
    kind: 'video',
    fileName: facts.fileName,
    sizeBytes: facts.sizeBytes,
    container: facts.container,
    codec,
    codecString: facts.codecString,
    profile: header.profile,
    level: header.level,
    bitDepth: header.bitDepth,
    chroma: header.chroma,
    scan: header.scan === 'unknown' ? facts.containerScan : header.scan,
    widthPx,
    heightPx,
    pixelAspect: header.pixelAspect ?? facts.pixelAspect,
    frameRate,
    isVariableFrameRate,
    frameIntervals,
    bitrateMbitPerSec: videoBitPerSec(facts, spannedMs) / 1e6,
    durationMs,
    frameCount: facts.isWhole ? packets.length : null,
    keyFrameDistance: isIntraFrameCodec(codec)
      ? { longestFrames: 1, meanFrames: 1, isSampled: false }
      : keyFrameDistance,
    rotationDegrees: facts.rotationDegrees,
    videoTrackCount: facts.videoTrackCount,
    audio: facts.audio,
  });
}
