import { type Belief, gapUnder } from '../belief';
import type { FixUse } from '../card';
import type { FixAtLevel } from '../fixes';
import type { Candidate } from './candidates';

/** The fix that brings the preview nearest to usable for its minutes, where nothing within reach makes it usable. */
export interface Relief {
  readonly fix: FixAtLevel;
  readonly minutes: number;
  /** Share of the gap that it is expected to close, 0 to 1. */
  readonly closedRatio: number;
}

/** Less than this share is not worth a trial. */
const leastClosed = 0.08;

/** The best relief there is, or null. O(candidates × samples): asked only where no step cures or tells anything. */
export function findRelief(
  belief: Belief,
  inForce: readonly FixUse[],
  candidates: readonly Candidate[],
): Relief | null {
  const before = gapUnder(belief, inForce).gap;
  if (before <= 0) return null;
  let best: Relief | null = null;
  for (const { id, level, minutes } of candidates) {
    const closedRatio = 1 - gapUnder(belief, [...inForce, { id, level }]).gap / before;
    if (closedRatio < leastClosed) continue;
    const relief = { fix: { id, level }, minutes, closedRatio };
    if (!best || closedRatio / (5 + minutes) > best.closedRatio / (5 + best.minutes)) best = relief;
  }
  return best;
}
