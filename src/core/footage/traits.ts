import { rationalToNumber } from '../numbers/rational';
import type { ClipFacts } from './types';

/**
 * What about a clip makes it heavy, light or unusual, most telling first. Ids are stable (docs/formats.md).
 * Each rule's number is where the cost on the reference machine becomes noticeable beside the other stages.
 */
const rules = [
  { id: 'long-key-frame-distance', holds: (clip: ClipFacts) => clip.keyFrameDistance.longestFrames >= 48 },
  { id: 'ten-bit', holds: (clip: ClipFacts) => clip.bitDepth >= 10 },
  { id: 'chroma-422', holds: (clip: ClipFacts) => clip.chroma === '4:2:2' },
  { id: 'chroma-444', holds: (clip: ClipFacts) => clip.chroma === '4:4:4' },
  { id: 'variable-frame-rate', holds: (clip: ClipFacts) => clip.isVariableFrameRate },
  { id: 'very-high-bitrate', holds: (clip: ClipFacts) => clip.bitrateMbitPerSec >= 120 },
  { id: 'large-picture', holds: (clip: ClipFacts) => clip.widthPx * clip.heightPx >= 6_000_000 },
  { id: 'high-frame-rate', holds: (clip: ClipFacts) => rationalToNumber(clip.frameRate) >= 47 },
  { id: 'hevc', holds: (clip: ClipFacts) => clip.codec === 'hevc' },
  { id: 'rotated', holds: (clip: ClipFacts) => clip.rotationDegrees !== 0 },
  { id: 'intra-frame', holds: (clip: ClipFacts) => clip.keyFrameDistance.longestFrames === 1 },
] as const satisfies readonly { readonly id: string; readonly holds: (clip: ClipFacts) => boolean }[];

export type ClipTrait = (typeof rules)[number]['id'];

/** All trait ids, for messages and documents. */
export const clipTraits: readonly ClipTrait[] = rules.map((rule) => rule.id);

/** The traits of a clip on its own, most telling first; may be empty. */
export const findClipTraits = (clip: ClipFacts): readonly ClipTrait[] =>
  rules.filter((rule) => rule.holds(clip)).map((rule) => rule.id);
