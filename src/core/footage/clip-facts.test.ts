import { describe, expect, it } from 'vitest';
import { buildClipFacts } from './clip-facts';
import { keyFrameDistanceOfIndex, keyFrameDistanceOfPackets } from './key-frames';
import { clipTraits, findClipTraits } from './traits';
import type { ClipFacts, ContainerFacts, PacketStamp } from './types';

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
  widthPx: 1920,
  heightPx: 1080,
  rotationDegrees: 0,
  ticksPerSec: 12_800,
  durationMs: 4000,
  packets: packets(100, 50),
  isWhole: true,
  indexedKeyFrameMs: [],
  declaredFrameDurationNs: null,
  audio: null,
  audioBitPerSec: 0,
  ...change,
});

const factsOf = (change: Partial<ContainerFacts> = {}): ClipFacts => {
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
      durationMs: 100_000,
      audioBitPerSec: 200_000,
      indexedKeyFrameMs: [0, 2000, 6000],
    });
    expect(facts.frameCount).toBeNull();
    expect(facts.bitrateMbitPerSec).toBeCloseTo(3.8, 10);
    expect(facts.keyFrameDistance).toMatchObject({ longestFrames: 2350, isSampled: true });
  });

  it('counts only whole distances of a window without an index', () => {
    expect(factsOf({ isWhole: false, packets: packets(130, 50) }).keyFrameDistance).toEqual({
      longestFrames: 50,
      meanFrames: 50,
      isSampled: true,
    });
  });

  it('fails with the four-character code where nobody knows the codec', () => {
    expect(buildClipFacts(container({ readerCodec: null, internalCode: 'oilc' }))).toEqual({
      ok: false,
      failure: { code: 'codec-unknown', internalCode: 'oilc' },
    });
  });

  it('names Motion JPEG and VC-3 by their sample entries', () => {
    expect(factsOf({ readerCodec: null, internalCode: 'jpeg' }).codec).toBe('mjpeg');
    expect(factsOf({ readerCodec: null, internalCode: 'AVdh' }).codec).toBe('dnxhd');
  });

  it('fails where the track holds no frames', () => {
    expect(buildClipFacts(container({ packets: [] }))).toMatchObject({ failure: { code: 'no-frames' } });
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

describe('findClipTraits', () => {
  it('finds none on a light clip and the telling ones first on a heavy one', () => {
    expect(findClipTraits(factsOf({ packets: packets(100, 12) }))).toEqual([]);
    const heavy: ClipFacts = {
      ...factsOf(),
      codec: 'hevc',
      bitDepth: 10,
      chroma: '4:2:2',
      widthPx: 3840,
      heightPx: 2160,
      bitrateMbitPerSec: 200,
      isVariableFrameRate: true,
      frameRate: { num: 60, den: 1 },
      rotationDegrees: 90,
    };
    expect(findClipTraits(heavy)).toEqual([
      'long-key-frame-distance',
      'ten-bit',
      'chroma-422',
      'variable-frame-rate',
      'very-high-bitrate',
      'large-picture',
      'high-frame-rate',
      'hevc',
      'rotated',
    ]);
    expect(new Set(clipTraits).size).toBe(clipTraits.length);
  });
});
