import { medianOf } from '../numbers/percentile';

/**
 * Of a screen that was filmed, at most this share of the filmed rate can be told. A camera lights each frame for a while,
 * and a picture that comes meanwhile lies over the one before, so that two frames in a row change for one picture: only
 * pictures that come three frames apart are surely two.
 */
export const filmedTellableRatio = 1 / 3;
/** Where this share of the frames changes, a filmed picture cannot be told from the camera's noise. */
export const mostFilmedChangedRatio = 0.9;

/** New pictures of a filmed screen: of frames that change in a row, the second belongs to the picture of the first. */
export function withoutBlends(newAt: readonly number[]): readonly number[] {
  const kept: number[] = [];
  for (const at of newAt) if (kept.at(-1) !== at - 1) kept.push(at);
  return kept;
}

/** What looks filmed: this share of the pictures are pairs, and the pictures themselves are so many frames apart. */
const paired = { leastCount: 8, leastRatio: 0.3, leastFrames: 4 } as const;

/**
 * Whether changes come in pairs although pictures are frames apart, as where a camera has filmed the screen. A recorder
 * writes one frame a picture; a player that is late shows the next one soon after, but not as a rule.
 */
export function comesInPairs(newAt: readonly number[]): boolean {
  const begins = newAt.filter((at, k) => newAt[k - 1] !== at - 1);
  if (begins.length < paired.leastCount) return false;
  const isNew = new Set(newAt);
  const pairCount = begins.filter((at) => isNew.has(at + 1) && !isNew.has(at + 2)).length;
  const apart = begins.slice(1).map((at, k) => at - (begins[k] as number));
  return pairCount >= paired.leastRatio * begins.length && medianOf(apart) >= paired.leastFrames;
}

/**
 * In a freeze nothing but the camera's noise changes, and that is even: a frame in it that changes this many times as much
 * as the middle one was a dark or faint picture more likely. Freezes of so many frames at least say something.
 */
const unevenFreeze = { factor: 1.5, leastFrames: 6 } as const;

/** Whether the longest freeze may hold pictures that were too faint to tell; of a filmed screen's new pictures and all changes. */
export function isLongestFreezeUneven(newAt: readonly number[], changes: ArrayLike<number>): boolean {
  let [from, to] = [0, 0];
  for (const [k, at] of newAt.entries()) {
    const before = newAt[k - 1] ?? at;
    if (at - before > to - from) [from, to] = [before, at];
  }
  // The frame after a picture may be the rest of it.
  const within = Array.from({ length: Math.max(0, to - from - 2) }, (_, i) => changes[from + 2 + i] as number);
  return within.length >= unevenFreeze.leastFrames && Math.max(...within) > unevenFreeze.factor * medianOf(within);
}
