import { describe, expect, it } from 'vitest';
import { buildClipFacts } from './clip-facts';
import { keyFrameDistanceOfIndex, keyFrameDistanceOfPackets } from './key-frames';
import type { ContainerFacts, PacketStamp, VideoFacts } from './types';

const packets = (count: number, keyEvery: number, sizeBytes = 10_000): PacketStamp[] =>
  Array.from({ length: count }, (_, i) => ({
    presentationMs: i * 40,
    durationMs: 40,
    sizeBytes,
    isKey: i % keyEvery === 0,
  }));

const container = (change: Partial<ContainerFacts> = {}): ContainerFacts => ({
  fileName: 'pots.mp4',
  sizeBytes: 1_000_000,
  container: 'mp4',
  readerCodec: 'avc',
  internalCode: 'avc1',
  codecString: 'avc1.64001e',
  codecRecord: null,
  objectType: null,
  firstFrame: null,
  containerScan: 'unknown',
  widthPx: 1920,
  heightPx: 1080,
  pixelAspect: { num: 1, den: 1 },
  rotationDegrees: 0,
  videoTrackCount: 1,
  ticksPerSec: 12_800,
  statedDurationMs: 4000,
  mediaDurationMs: 0,
  windows: [packets(100, 50)],
  isWhole: true,
  indexedKeyFrameMs: [],
  declaredFrameDurationNs: null,
  audio: null,
  otherBitPerSec: 0,
  ...change,
});

const factsOf = (change: Partial<ContainerFacts> = {}): VideoFacts => {
  const result = buildClipFacts(container(change));
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
};

describe('buildClipFacts', () => {
  it('counts frames, bit rate and key frames of a file that was read whole', () => {
    expect(factsOf()).toMatchObject({
      codec: 'h264',
      frameCount: 100,
      bitrateMbitPerSec: 2,
      frameRate: { num: 25, den: 1 },
      keyFrameDistance: { longestFrames: 50, meanFrames: 50, isSampled: false },
    });
  });

  it('says that a long file was sampled, takes key frames from its index, and its sound off the bit rate', () => {
    const facts = factsOf({
      isWhole: false,
      sizeBytes: 50_000_000,
      statedDurationMs: 100_000,
      otherBitPerSec: 200_000,
      indexedKeyFrameMs: [0, 2000, 6000],
    });
    expect(facts.frameCount).toBeNull();
    expect(facts.bitrateMbitPerSec).toBeCloseTo(3.8, 10);
    expect(facts.keyFrameDistance).toMatchObject({ longestFrames: 2350, isSampled: true });
  });

  it('counts only whole distances of a window without an index', () => {
    expect(factsOf({ isWhole: false, windows: [packets(130, 50)] }).keyFrameDistance).toEqual({
      longestFrames: 50,
      meanFrames: 50,
      isSampled: true,
    });
  });

  it('takes windows spread over a file apart: their distances, their intervals, and at least the longest window', () => {
    const later = packets(40, 25).map((packet) => ({ ...packet, presentationMs: packet.presentationMs + 60_000 }));
    const facts = factsOf({ isWhole: false, windows: [packets(60, 50), later], statedDurationMs: 90_000 });
    expect(facts.keyFrameDistance).toEqual({ longestFrames: 50, meanFrames: 37.5, isSampled: true });
    expect(facts).toMatchObject({ frameRate: { num: 25, den: 1 }, isVariableFrameRate: false, durationMs: 90_000 });
    const withoutKeys = packets(60, 1000).map((packet) => ({ ...packet, isKey: false }));
    expect(factsOf({ isWhole: false, windows: [withoutKeys] }).keyFrameDistance?.longestFrames).toBe(60);
  });

  it('counts bits over the windows where other tracks or packing fill the file', () => {
    const change = { isWhole: false, windows: [packets(100, 50)], sizeBytes: 90_000_000, statedDurationMs: 60_000 };
    expect(factsOf({ ...change, container: 'ts' }).bitrateMbitPerSec).toBeCloseTo(2, 6);
    expect(factsOf({ ...change, videoTrackCount: 2 }).bitrateMbitPerSec).toBeCloseTo(2, 6);
    expect(factsOf(change).bitrateMbitPerSec).toBeCloseTo(12, 6);
  });

  it('leaves out of the length what an edit list hides, and keeps it in the bit rate', () => {
    const cut = packets(100, 50).map((packet) => ({ ...packet, presentationMs: packet.presentationMs - 1200 }));
    expect(factsOf({ windows: [cut] })).toMatchObject({ durationMs: 2800, bitrateMbitPerSec: 2, frameCount: 100 });
  });

  it('keeps a four-character code that nobody knows, and fails where there is none', () => {
    expect(factsOf({ readerCodec: null, internalCode: 'oilc' }).codec).toBe('oilc');
    for (const internalCode of [null, '', '\u0000\u0001ab'])
      expect(buildClipFacts(container({ readerCodec: null, internalCode }))).toEqual({
        ok: false,
        failure: { code: 'codec-unknown' },
      });
  });

  it('names Motion JPEG and VC-3 by their sample entries', () => {
    expect(factsOf({ readerCodec: null, internalCode: 'jpeg' }).codec).toBe('mjpeg');
    expect(factsOf({ readerCodec: null, internalCode: 'AVdh' }).codec).toBe('dnxhd');
  });

  it('fails where the track holds no frames', () => {
    expect(buildClipFacts(container({ windows: [[]] }))).toMatchObject({ failure: { code: 'no-frames' } });
  });
});

describe('keyFrameDistanceOfPackets', () => {
  it('counts the stretch after the last key frame', () => {
    expect(keyFrameDistanceOfPackets(packets(75, 57), true)).toEqual({
      longestFrames: 57,
      meanFrames: 37.5,
      isSampled: false,
    });
  });
  it('gives 1 where every frame is a key frame', () => {
    expect(keyFrameDistanceOfPackets(packets(10, 1), true).longestFrames).toBe(1);
  });
});

describe('keyFrameDistanceOfIndex', () => {
  it('turns times into frames, in any order', () => {
    const distance = keyFrameDistanceOfIndex({ keyFrameMs: [2000, 0, 3000], durationMs: 5000, frameRateFps: 25 });
    expect(distance).toEqual({ longestFrames: 50, meanFrames: 125 / 3, isSampled: true });
  });
});
