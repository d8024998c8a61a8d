import { rationalToNumber } from '../numbers/rational';
import { fail, type Result, succeed } from '../result';
import { isIntraFrameCodec, nameVideoCodec } from './codec-names';
import { computeFrameRate } from './frame-rate';
import { keyFrameDistanceOfIndex, keyFrameDistanceOfPackets, keyFrameDistanceOfWindows } from './key-frames';
import { parseStreamHeader } from './picture-format';
import { sizeEvennessOf } from './size-evenness';
import type { ContainerFacts, FootageFailure, KeyFrameDistance, PacketStamp, VideoFacts } from './types';

/** Sums over packets, made in one pass: long films have hundreds of thousands. */
interface PacketSums {
  readonly count: number;
  readonly bytes: number;
  /** Durations of all packets together. */
  readonly durationsMs: number;
  /** From the first stamp of each window to the end of its last frame, together. */
  readonly spannedMs: number;
  /** The same of the first window alone, without what an edit list hides before zero. */
  readonly visibleMs: number;
}

function sumPackets(windows: readonly (readonly PacketStamp[])[]): PacketSums {
  const sums = { count: 0, bytes: 0, durationsMs: 0, spannedMs: 0, visibleMs: 0 };
  for (const window of windows) {
    let first = Number.POSITIVE_INFINITY;
    let end = Number.NEGATIVE_INFINITY;
    for (const { presentationMs, durationMs, sizeBytes } of window) {
      if (presentationMs < first) first = presentationMs;
      if (presentationMs + durationMs > end) end = presentationMs + durationMs;
      sums.bytes += sizeBytes;
      sums.durationsMs += durationMs;
    }
    if (window.length === 0) continue;
    if (sums.count === 0) sums.visibleMs = Math.max(0, end - Math.max(first, 0));
    sums.count += window.length;
    sums.spannedMs += end - first;
  }
  return sums;
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
function coveredMsOf(facts: ContainerFacts, { durationsMs }: PacketSums): number {
  const isBelievable = Math.abs(facts.mediaDurationMs / Math.max(durationsMs, 1) - 1) < 0.1;
  return isBelievable ? facts.mediaDurationMs : durationsMs;
}

/**
 * Bit rate of the video track: counted where all packets are known, else over the windows; one window from the start
 * tells less than the whole file less its sound, as long as nothing else lies in the file.
 */
function videoBitPerSec(facts: ContainerFacts, { bytes, spannedMs }: PacketSums): number {
  const isFileTelling = facts.otherBitPerSec > 0 || (facts.videoTrackCount === 1 && facts.container !== 'ts');
  if (!facts.isWhole && isFileTelling && facts.statedDurationMs > 0)
    return Math.max(0, (facts.sizeBytes * 8) / (facts.statedDurationMs / 1000) - facts.otherBitPerSec);
  return (bytes * 8) / (Math.max(spannedMs, 1) / 1000);
}

/** Frames are stored up to this many places away from where they are shown; encoders go no further than about half of it. */
const reorderedFrames = 8;

/**
 * Presentation stamps of a window. One that was cut out of a file lacks frames at both ends, which are stored beyond
 * the cut; those ends are left out, or they would look like uneven intervals.
 */
function runOf(window: readonly PacketStamp[], isWhole: boolean): ArrayLike<number> {
  const stamps = new Float64Array(window.length);
  for (let i = 0; i < window.length; i++) stamps[i] = window[i]?.presentationMs ?? 0;
  stamps.sort();
  if (isWhole) return stamps;
  const trimmed = Math.min(reorderedFrames, Math.floor(stamps.length / 4));
  return stamps.subarray(trimmed, stamps.length - trimmed);
}

/**
 * Concludes a clip's facts from what its container states.
 * Fails with `codec-unknown` where the file names no codec, `no-frames` where the track is empty.
 */
export function buildClipFacts(facts: ContainerFacts): Result<VideoFacts, FootageFailure> {
  const codec = nameVideoCodec(facts);
  if (!codec) return fail({ code: 'codec-unknown' });
  const sums = sumPackets(facts.windows);
  const header = parseStreamHeader({ ...facts, codec });
  const { widthPx, heightPx } = header.size ?? facts;
  if (sums.count === 0 || widthPx <= 0 || heightPx <= 0) return fail({ code: 'no-frames' });
  const { frameRate, isVariableFrameRate, frameIntervals } = computeFrameRate({
    runsMs: facts.windows.map((window) => runOf(window, facts.isWhole)),
    ticksPerSec: facts.ticksPerSec,
    coveredMs: facts.isWhole ? coveredMsOf(facts, sums) : null,
    declaredFrameDurationNs: facts.declaredFrameDurationNs,
  });
  const durationMs = facts.isWhole ? sums.visibleMs : Math.max(facts.statedDurationMs, sums.spannedMs);
  const keyFrameDistance = facts.isWhole
    ? keyFrameDistanceOfPackets(facts.windows[0] ?? [], true)
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
    bitrateMbitPerSec: videoBitPerSec(facts, sums) / 1e6,
    durationMs,
    frameCount: facts.isWhole ? sums.count : null,
    keyFrameDistance: isIntraFrameCodec(codec)
      ? { longestFrames: 1, meanFrames: 1, isSampled: false }
      : keyFrameDistance,
    sizeEvenness: sizeEvennessOf(facts.windows.flatMap((window) => window.map(({ sizeBytes }) => sizeBytes))),
    rotationDegrees: facts.rotationDegrees,
    videoTrackCount: facts.videoTrackCount,
    audio: facts.audio,
  });
}
