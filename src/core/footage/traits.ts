import { rationalToNumber } from '../numbers/rational';
import { isCameraRaw } from './codec-names';
import { isNamedAsProxy } from './proxy-pairs';
import type { ClipFacts, SoundFacts, StillFacts, VideoFacts } from './types';

/** What a clip is held against: where it lies, the timeline it is on, and the machine that plays it. */
export interface ClipContext {
  /** Null until somebody described it. */
  readonly timeline: { readonly widthPx: number; readonly heightPx: number; readonly frameRateFps: number } | null;
  readonly hardware: 'measured' | 'likely' | 'unlikely';
  /** The sound rate that most clips have, or null. */
  readonly usualSampleRateHz: number | null;
  readonly isInCloud: boolean;
  readonly isDriveSlow: boolean;
  /** A larger clip of the same name and length is on the card. */
  readonly isPairedWithLarger: boolean;
  /** The folder it came with, or empty. */
  readonly folder: string;
}

type VideoRule = (clip: VideoFacts, context: ClipContext | null) => boolean;

const megapixelsOf = (clip: { readonly widthPx: number; readonly heightPx: number }): number =>
  (clip.widthPx * clip.heightPx) / 1e6;
const fpsOf = (clip: VideoFacts): number => rationalToNumber(clip.frameRate);

/** Rates within a thousandth are the same: 29.97 and 30000/1001. */
const isSameFps = (a: number, b: number): boolean => Math.abs(a / b - 1) < 0.001;

/**
 * What about a video makes it heavy, light or unusual, most telling first. Ids are stable (docs/formats.md).
 * Each rule's number is where the cost on the reference machine becomes noticeable beside the other stages.
 */
const videoRules = [
  { id: 'in-cloud', holds: (_, context) => context?.isInCloud === true },
  {
    id: 'looks-like-proxy',
    holds: (clip, context) =>
      isNamedAsProxy(clip.fileName, context?.folder ?? '') || context?.isPairedWithLarger === true,
  },
  { id: 'camera-raw', holds: (clip) => isCameraRaw(clip.codec) },
  { id: 'long-key-frame-distance', holds: (clip) => (clip.keyFrameDistance?.longestFrames ?? 0) >= 48 },
  { id: 'ten-bit', holds: (clip) => clip.bitDepth >= 10 },
  { id: 'chroma-422', holds: (clip) => clip.chroma === '4:2:2' },
  { id: 'chroma-444', holds: (clip) => clip.chroma === '4:4:4' },
  { id: 'hardware-unlikely', holds: (_, context) => context?.hardware === 'unlikely' },
  { id: 'variable-frame-rate', holds: (clip) => clip.isVariableFrameRate },
  { id: 'very-high-bitrate', holds: (clip) => clip.bitrateMbitPerSec >= 120 },
  { id: 'slow-drive', holds: (_, context) => context?.isDriveSlow === true },
  { id: 'large-picture', holds: (clip) => clip.widthPx * clip.heightPx >= 6_000_000 },
  {
    id: 'larger-than-timeline',
    holds: (clip, context) => context?.timeline != null && megapixelsOf(clip) > megapixelsOf(context.timeline) * 1.01,
  },
  { id: 'high-frame-rate', holds: (clip) => fpsOf(clip) >= 47 },
  {
    id: 'faster-than-timeline',
    holds: (clip, context) => context?.timeline != null && fpsOf(clip) > context.timeline.frameRateFps * 1.001,
  },
  {
    id: 'rate-differs',
    holds: (clip, context) =>
      context?.timeline != null &&
      fpsOf(clip) < context.timeline.frameRateFps &&
      !isSameFps(fpsOf(clip), context.timeline.frameRateFps),
  },
  { id: 'hevc', holds: (clip) => clip.codec === 'hevc' },
  { id: 'interlaced', holds: (clip) => clip.scan === 'interlaced' },
  { id: 'non-square-pixels', holds: (clip) => Math.abs(rationalToNumber(clip.pixelAspect) - 1) > 0.001 },
  { id: 'several-video-tracks', holds: (clip) => clip.videoTrackCount > 1 },
  {
    id: 'audio-rate-differs',
    holds: (clip, context) =>
      clip.audio !== null &&
      context !== null &&
      context.usualSampleRateHz !== null &&
      clip.audio.sampleRateHz !== context.usualSampleRateHz,
  },
  { id: 'rotated', holds: (clip) => clip.rotationDegrees !== 0 },
  { id: 'hardware-measured', holds: (_, context) => context?.hardware === 'measured' },
  { id: 'hardware-likely', holds: (_, context) => context?.hardware === 'likely' },
  { id: 'intra-frame', holds: (clip) => clip.keyFrameDistance?.longestFrames === 1 },
] as const satisfies readonly { readonly id: string; readonly holds: VideoRule }[];

/** A still costs its scaling alone; one this large is scaled for longer than a usual frame may take. */
const veryLargeStillMegapixels = 20;
const stillRules = [
  { id: 'very-large-still', holds: (clip) => megapixelsOf(clip) >= veryLargeStillMegapixels },
  { id: 'still', holds: () => true },
] as const satisfies readonly { readonly id: string; readonly holds: (clip: StillFacts) => boolean }[];

const soundRules = [{ id: 'sound-only', holds: () => true }] as const satisfies readonly {
  readonly id: string;
  readonly holds: (clip: SoundFacts) => boolean;
}[];

export type ClipTrait =
  | (typeof videoRules)[number]['id']
  | (typeof stillRules)[number]['id']
  | (typeof soundRules)[number]['id'];

/** All trait ids, for messages and documents. */
export const clipTraits: readonly ClipTrait[] = [...videoRules, ...stillRules, ...soundRules].map((rule) => rule.id);

/** The traits of a clip, most telling first; without a context only those that the file alone shows. May be empty. */
export function findClipTraits(clip: ClipFacts, context: ClipContext | null = null): readonly ClipTrait[] {
  switch (clip.kind) {
    case 'video':
      return videoRules.filter((rule) => rule.holds(clip, context)).map((rule) => rule.id);
    case 'still':
      return stillRules.filter((rule) => rule.holds(clip)).map((rule) => rule.id);
    case 'sound':
      return soundRules.map((rule) => rule.id);
  }
}
