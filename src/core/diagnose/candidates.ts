import type { Belief } from '../belief';
import type { FixUse, JobCard } from '../card';
import { applyFixes, type FixDefinition, type FixId, type FixLevel, fixCatalogue } from '../fixes';
import type { SetupState } from '../load';

/** A fix at one of its levels that could be made now. */
export interface Candidate {
  readonly fix: FixDefinition<FixId>;
  readonly id: FixId;
  readonly level: FixLevel;
  readonly minutes: number;
}

const isSame = (a: FixUse, b: FixUse): boolean => a.id === b.id && a.level === b.level;

/** Whether two fixes must not be in force together; it is enough that one of them says so. */
export const excludeEachOther = (a: FixDefinition<FixId>, b: FixDefinition<FixId>): boolean =>
  a.id === b.id || a.excludes.includes(b.id) || b.excludes.includes(a.id);

/** Groups whose fixes bring the preview nothing now, or are bought. */
const outOfReach: readonly FixDefinition['group'][] = ['export', 'upgrades'];

/**
 * Every fix and level within reach: it can apply to the set-up with the fixes in force, is not in force or excluded
 * by one that is, and was neither refused nor undone before.
 */
export function listCandidates(card: JobCard, belief: Belief, inForce: readonly FixUse[]): readonly Candidate[] {
  const state = applyFixes(belief.base, inForce);
  const undone = card.trials.filter((trial) => trial.status === 'undone').map((trial) => trial.fix);
  const isRefused = (use: FixUse): boolean => [...card.refused, ...undone].some((other) => isSame(other, use));
  const held = fixCatalogue.filter(({ id }) => inForce.some((use) => use.id === id));
  return fixCatalogue.flatMap((fix) => {
    if (outOfReach.includes(fix.group) || held.some((other) => excludeEachOther(other, fix))) return [];
    return levelsOf(fix, state)
      .filter((level) => !isRefused({ id: fix.id, level }))
      .map((level) => ({ fix, id: fix.id, level, minutes: fix.effortMinutes(state, level) }));
  });
}

const levelsOf = (fix: FixDefinition<FixId>, state: SetupState): readonly FixLevel[] => fix.levelsFor(state);
