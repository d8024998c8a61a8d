import { type Belief, gapUnder } from '../belief';
import type { FixUse } from '../card';
import { type FixAtLevel, isGeneralRemedy } from '../fixes';
import type { Candidate } from './candidates';

/**
 * Where nothing within reach makes the preview usable: the fix that brings it nearest for its minutes, else what now and
 * then helps where nothing explains it.
 */
export interface Relief {
  readonly fix: FixAtLevel;
  readonly minutes: number;
  /** Share of the gap that it is expected to close, 0 to 1; null where nothing is expected of it by what is known. */
  readonly closedRatio: number | null;
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
  let best: (Relief & { readonly closedRatio: number }) | null = null;
  for (const { id, level, minutes } of candidates) {
    const closedRatio = 1 - gapUnder(belief, [...inForce, { id, level }]).gap / before;
    if (closedRatio < leastClosed) continue;
    const relief = { fix: { id, level }, minutes, closedRatio };
    if (!best || closedRatio / (5 + minutes) > best.closedRatio / (5 + best.minutes)) best = relief;
  }
  return best ?? quickestGeneral(candidates);
}

function quickestGeneral(candidates: readonly Candidate[]): Relief | null {
  const [first] = candidates.filter(({ id }) => isGeneralRemedy(id)).sort((a, b) => a.minutes - b.minutes);
  return first ? { fix: { id: first.id, level: first.level }, minutes: first.minutes, closedRatio: null } : null;
}
