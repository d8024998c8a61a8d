import type { VideoFacts } from '../footage/types';

const megapixelsPerSecOf = ({ widthPx, heightPx, frameRate }: VideoFacts): number =>
  (widthPx * heightPx * frameRate.num) / frameRate.den / 1e6;

/** How unlike two clips are to a decoder: doublings of pixels a second, and a step for depth and chroma each. */
function distanceOf(a: VideoFacts, b: VideoFacts): number {
  const doublings = Math.abs(Math.log2(megapixelsPerSecOf(a) / megapixelsPerSecOf(b)));
  return doublings + (a.bitDepth === b.bitDepth ? 0 : 1) + (a.chroma === b.chroma ? 0 : 1);
}

/**
 * The clip most like `wanted` among those that can be played here; null where there is none. The first of equals.
 * Where a browser cannot decode a clip, this one tells most of the machine.
 */
export function findNearestClip<T extends { readonly facts: VideoFacts }>(
  wanted: VideoFacts,
  playable: readonly T[],
): T | null {
  let nearest: T | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const candidate of playable) {
    const distance = distanceOf(wanted, candidate.facts);
    if (distance < least) {
      least = distance;
      nearest = candidate;
    }
  }
  return nearest;
}
