import type { Belief } from '../../belief';
import { type FixUse, isSameFix, type JobCard } from '../../card';
import {
  applyFixes,
  type FixDefinition,
  type FixId,
  type FixLevel,
  findFix,
  fixCatalogue,
  isForFinished,
  isLongFilm,
  splittingId,
} from '../../fixes';
import type { SetupState } from '../../load';

/** A fix at one of its levels that could be made now. */
export interface Candidate {
  readonly fix: FixDefinition<FixId>;
  readonly id: FixId;
  readonly level: FixLevel;
  readonly minutes: number;
}

/** Whether two fixes must not be in force together; it is enough that one of them says so. */
export const excludeEachOther = (a: FixDefinition<FixId>, b: FixDefinition<FixId>): boolean =>
  a.id === b.id || a.excludes.includes(b.id) || b.excludes.includes(a.id);

/** Groups whose fixes bring the preview nothing now, or are bought. */
const outOfReach: readonly FixDefinition['group'][] = ['export', 'upgrades'];

/**
 * Every fix and level within reach: it can apply to the set-up with the fixes in force, is not in force or excluded
 * by one that is, was neither refused nor undone before, is not for finished sections while the film is being cut, and the
 * editor is not known to lack it.
 */
export function listCandidates(card: JobCard, belief: Belief, inForce: readonly FixUse[]): readonly Candidate[] {
  const state = applyFixes(belief.base, inForce);
  const isRefused = createRefusal(card);
  const held = fixCatalogue.filter(({ id }) => inForce.some((use) => use.id === id));
  return fixCatalogue.flatMap((fix) => {
    if (outOfReach.includes(fix.group) || held.some((other) => excludeEachOther(other, fix))) return [];
    if (isTooEarly(card, fix.id)) return [];
    return levelsOf(fix, state)
      .filter((level) => !isRefused({ id: fix.id, level }))
      .map((level) => ({ fix, id: fix.id, level, minutes: fix.effortMinutes(state, level) }));
  });
}

/** Whether a fix is for finished sections, and nobody said that there are any; a long film is cut in parts from the start. */
export const isTooEarly = ({ filmStage, timeline }: JobCard, fixId: string): boolean =>
  isForFinished(fixId) && filmStage !== 'finishing' && !(fixId === splittingId && isLongFilm(timeline));

/** Answers whether a fix at a level is not to be offered: refused, undone before, or none that the editor has. */
export function createRefusal(card: JobCard): (use: FixUse) => boolean {
  const undone = card.trials.filter(({ status, direction }) => status === 'undone' && direction === 'make');
  const refused = [...card.refused, ...undone.map(({ fix }) => fix)];
  const { lacks, attachWay } = card.editorProfile;
  const isOtherWay = ({ id, level }: FixUse): boolean =>
    attachWay !== 'unknown' && findFix(id)?.levelKind === 'attach-way' && level !== attachWay;
  return (use) => lacks.includes(use.id) || isOtherWay(use) || refused.some((other) => isSameFix(other, use));
}

const levelsOf = (fix: FixDefinition<FixId>, state: SetupState): readonly FixLevel[] => fix.levelsFor(state);
