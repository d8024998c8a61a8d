import { type Belief, gapUnder } from '../../belief';
import type { FixUse } from '../../card';
import { type FixAtLevel, isGeneralRemedy } from '../../fixes';
import type { Candidate } from './candidates';

/**
 * Where nothing within reach makes the preview usable, or all that is known says that it is usable and the person says that
 * it is not: the fix that closes most of what may be missing for its minutes, else what now and then helps where nothing
 * explains it.
 */
export interface Relief {
  readonly fix: FixAtLevel;
  readonly minutes: number;
  /** Share of the gap that it is expected to close, 0 to 1; null where nothing is expected of it by what is known. */
  readonly closedRatio: number | null;
  /** By all that is known the preview should be usable already. */
  readonly isHeldUsable: boolean;
}

/** A preview that is usable with this probability is held for usable. */
const heldUsable = 0.5;
export const isHeldUsable = (usableProbability: number): boolean => usableProbability >= heldUsable;

/** Less than this share is not worth a trial. */
const leastClosed = 0.08;

/** The best relief there is, or null. O(candidates × samples): asked only where no step cures or tells anything. */
export function findRelief(
  belief: Belief,
  inForce: readonly FixUse[],
  candidates: readonly Candidate[],
): Relief | null {
  const { gap: before, usableProbability } = gapUnder(belief, inForce);
  const isHeld = isHeldUsable(usableProbability);
  if (before <= 0) return quickestGeneral(candidates, isHeld);
  let best: (Relief & { readonly closedRatio: number }) | null = null;
  for (const { id, level, minutes } of candidates) {
    const closedRatio = 1 - gapUnder(belief, [...inForce, { id, level }]).gap / before;
    if (closedRatio < leastClosed) continue;
    const relief = { fix: { id, level }, minutes, closedRatio, isHeldUsable: isHeld };
    if (!best || closedRatio / (5 + minutes) > best.closedRatio / (5 + best.minutes)) best = relief;
  }
  return best ?? quickestGeneral(candidates, isHeld);
}

function quickestGeneral(candidates: readonly Candidate[], isHeld: boolean): Relief | null {
  const [first] = candidates.filter(({ id }) => isGeneralRemedy(id)).sort((a, b) => a.minutes - b.minutes);
  if (!first) return null;
  const { id, level, minutes } = first;
  return { fix: { id, level }, minutes, closedRatio: null, isHeldUsable: isHeld };
}
