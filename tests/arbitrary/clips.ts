import type { VideoFacts } from '@/core/footage';
import type { DecodeRun, DecodeTest, FileRead } from '@/core/test-play';

/** A light, ordinary clip with what a test changes about it. */
export const videoFacts = (change: Partial<VideoFacts> = {}): VideoFacts => ({
  kind: 'video',
  fileName: 'wheel.mp4',
  sizeBytes: 10_000_000,
  container: 'mp4',
  codec: 'h264',
  codecString: 'avc1.640028',
  profile: 'High',
  level: '4.0',
  bitDepth: 8,
  chroma: '4:2:0',
  scan: 'progressive',
  widthPx: 1920,
  heightPx: 1080,
  pixelAspect: { num: 1, den: 1 },
  frameRate: { num: 25, den: 1 },
  isVariableFrameRate: false,
  frameIntervals: { smallestMs: 40, usualMs: 40, largestMs: 40 },
  bitrateMbitPerSec: 20,
  durationMs: 60_000,
  frameCount: 1500,
  keyFrameDistance: { longestFrames: 25, meanFrames: 25, isSampled: false },
  sizeEvenness: null,
  rotationDegrees: 0,
  videoTrackCount: 1,
  audio: { codec: 'aac', channelCount: 2, sampleRateHz: 48_000 },
  ...change,
});

/** A run of decoding alone by the processor at this rate, with what a test changes about it. */
export const decodeRun = (decodedFps: number, change: Partial<DecodeRun> = {}): DecodeRun => ({
  way: 'software',
  isOneByOne: false,
  drawnHeightPx: null,
  frameCount: 100,
  elapsedMs: 1000,
  decodedFps,
  droppedCount: 0,
  ...change,
});

/** A test-play of an ordinary 1080-line clip with these runs. */
export const decodeTest = (runs: readonly DecodeRun[]): DecodeTest => ({
  id: 'test',
  clipId: 'clip',
  fileName: 'wheel.mp4',
  takenAtMs: 0,
  stream: {
    codec: 'h264',
    bitDepth: 8,
    chroma: '4:2:0',
    widthPx: 1920,
    heightPx: 1080,
    frameRateFps: 25,
    megabitsPerFrame: 0.8,
    sizeEvenness: null,
  },
  runs,
  scrub: null,
  fileRead: null,
  estimatedFps: 30,
  estimatedScrubMs: 100,
});

/** A file of which pieces came at this rate off a drive, or so quickly that it may have lain in memory. */
export const fileReadAt = (megabytePerSec: number, isAtLeast = false): FileRead => ({
  megabytePerSec,
  isAtLeast,
  smallPieceMs: null,
});
