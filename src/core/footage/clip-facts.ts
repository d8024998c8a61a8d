import { rationalToNumber } from '../numbers/rational';
import { fail, type Result, succeed } from '../result';
import { computeFrameRate } from './frame-rate';
import { keyFrameDistanceOfIndex, keyFrameDistanceOfPackets } from './key-frames';
import { parsePictureFormat } from './picture-format';
import type { ClipFacts, ContainerFacts, FootageFailure, KeyFrameDistance, PacketStamp } from './types';

/** ffprobe's codec_name by the reader's name, then by the container's own code. */
const codecByReaderName: Readonly<Record<string, string>> = {
  avc: 'h264',
  hevc: 'hevc',
  vp8: 'vp8',
  vp9: 'vp9',
  av1: 'av1',
  prores: 'prores',
  mpeg2: 'mpeg2video',
};
const codecByInternalCode: Readonly<Record<string, string>> = {
  apco: 'prores',
  apcs: 'prores',
  apcn: 'prores',
  apch: 'prores',
  ap4h: 'prores',
  ap4x: 'prores',
  jpeg: 'mjpeg',
  mjpa: 'mjpeg',
  AVdh: 'dnxhd',
  AVdn: 'dnxhd',
  m2v1: 'mpeg2video',
  V_MPEG2: 'mpeg2video',
};

function nameCodec(facts: ContainerFacts): string | null {
  if (facts.readerCodec) return codecByReaderName[facts.readerCodec] ?? facts.readerCodec;
  return codecByInternalCode[facts.internalCode ?? ''] ?? null;
}

/** A part of a long file: the last key frame of the window is cut short, so only whole distances count. */
function sampledKeyFrameDistance(facts: ContainerFacts, frameRateFps: number): KeyFrameDistance {
  if (facts.indexedKeyFrameMs.length > 1)
    return keyFrameDistanceOfIndex({
      keyFrameMs: facts.indexedKeyFrameMs,
      durationMs: facts.durationMs,
      frameRateFps,
    });
  const lastKey = facts.packets.map((packet) => packet.isKey).lastIndexOf(true);
  const closed = lastKey > 0 ? facts.packets.slice(0, lastKey) : facts.packets;
  return keyFrameDistanceOfPackets(closed, false);
}

const sumOf = (packets: readonly PacketStamp[], pick: (packet: PacketStamp) => number): number =>
  packets.reduce((sum, packet) => sum + pick(packet), 0);

/** Bit rate of the video track: counted where all packets are known, else the file less its sound. */
function videoBitPerSec(facts: ContainerFacts): number {
  const durationSec = Math.max(facts.durationMs, 1) / 1000;
  if (facts.isWhole) return (sumOf(facts.packets, (packet) => packet.sizeBytes) * 8) / durationSec;
  return Math.max(0, (facts.sizeBytes * 8) / durationSec - facts.audioBitPerSec);
}

/**
 * Concludes a clip's facts from what its container states.
 * Fails with `codec-unknown` where the codec cannot be named, `no-frames` where the track is empty.
 */
export function buildClipFacts(facts: ContainerFacts): Result<ClipFacts, FootageFailure> {
  const codec = nameCodec(facts);
  if (!codec) return fail({ code: 'codec-unknown', internalCode: facts.internalCode ?? 'none' });
  const { packets } = facts;
  if (packets.length === 0 || facts.widthPx <= 0 || facts.heightPx <= 0) return fail({ code: 'no-frames' });
  const stampsMs = packets.map((packet) => packet.presentationMs);
  const { frameRate, isVariableFrameRate } = computeFrameRate({
    stampsMs,
    ticksPerSec: facts.ticksPerSec,
    coveredMs: sumOf(packets, (packet) => packet.durationMs),
    declaredFrameDurationNs: facts.declaredFrameDurationNs,
  });
  return succeed({
    fileName: facts.fileName,
    sizeBytes: facts.sizeBytes,
    container: facts.container,
    codec,
    ...parsePictureFormat({ codec, ...facts }),
    widthPx: facts.widthPx,
    heightPx: facts.heightPx,
    frameRate,
    isVariableFrameRate,
    bitrateMbitPerSec: videoBitPerSec(facts) / 1e6,
    durationMs: facts.durationMs,
    frameCount: facts.isWhole ? packets.length : null,
    keyFrameDistance: facts.isWhole
      ? keyFrameDistanceOfPackets(packets, true)
      : sampledKeyFrameDistance(facts, rationalToNumber(frameRate)),
    rotationDegrees: facts.rotationDegrees,
    audio: facts.audio,
  });
}
