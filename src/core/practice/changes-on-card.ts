import type { FixUse } from '../card';
import { applyFixes } from '../fixes';
import type { SetupState } from '../load';
import type { RigChange } from '../simulate';

/** Clips that have a proxy now and had none before. */
function newlyCopied(before: SetupState, after: SetupState): ReadonlySet<string> {
  const without = new Set(before.setup.clips.filter(({ proxy }) => proxy === null).map(({ id }) => id));
  return new Set(after.setup.clips.filter(({ id, proxy }) => proxy !== null && without.has(id)).map(({ id }) => id));
}

/**
 * Fixes as they are made on a simulated machine that fits a card: small copies are made of the clips that Oil Can lists
 * for them, which it knows from the card, and not of those that are too heavy in truth.
 *
 * @param base the card's set-up before any fix
 */
export function listChanges(base: SetupState, fixes: readonly FixUse[]): readonly RigChange[] {
  const videoIds = base.setup.clips.filter(({ original }) => original.codec !== 'still').map(({ id }) => id);
  let state = base;
  return fixes.map((fix) => {
    const before = state;
    state = applyFixes(before, [fix]);
    const copied = newlyCopied(before, state);
    return { ...fix, clipIndexes: videoIds.flatMap((id, i) => (copied.has(id) ? [i] : [])) };
  });
}
