import { type Belief, type BeliefForecast, forecastUnder } from '../../belief';
import { fixesInForce, isSameFix, type JobCard } from '../../card';
import {
  applyFixes,
  type FixAtLevel,
  type FixDefinition,
  type FixId,
  findFix,
  noSacrifice,
  type Sacrifice,
} from '../../fixes';
import type { SetupState } from '../../load';
import { type AverageStages, averageStages } from '../answer/average-stages';
import { excludeEachOther } from '../moves/candidates';

/** What any set of fixes would come to. */
export interface SetForecast extends BeliefForecast, AverageStages {
  readonly fixes: readonly FixAtLevel[];
  /** All that is given up with them; each kind at most 1. */
  readonly sacrifice: Sacrifice;
  /** Minutes of making those that are not in force. */
  readonly minutes: number;
}

/** The same state with fixes one after another, and what each of them takes and costs on the way. */
function takeStock(base: SetupState, fixes: readonly FixAtLevel[], inForce: readonly FixAtLevel[]) {
  let state = base;
  let minutes = 0;
  const sacrifice = { ...noSacrifice };
  for (const { id, level } of fixes) {
    const fix = findFix(id);
    if (!fix) continue;
    const own = fix.sacrifice(state, level);
    for (const kind of Object.keys(sacrifice) as (keyof Sacrifice)[])
      sacrifice[kind] = Math.min(1, sacrifice[kind] + own[kind]);
    if (!inForce.some((held) => isSameFix(held, { id, level }))) minutes += fix.effortMinutes(state, level);
    state = fix.applyTo(state, level);
  }
  return { sacrifice, minutes };
}

/**
 * What to expect with a set of fixes in force and no others; the frame's time by what of the belief agrees with the last
 * reading, where that is given, as it is shown everywhere else. O(hypotheses × clips + samples).
 */
export const forecastSet = (
  belief: Belief,
  fixes: readonly FixAtLevel[],
  inForce: readonly FixAtLevel[],
  ofFrame: Belief = belief,
): SetForecast => ({
  fixes,
  ...forecastUnder(belief, fixes),
  ...averageStages(ofFrame, fixes),
  ...takeStock(belief.base, fixes, inForce),
});

/** The set-up as it is now against the same with further fixes; each takes the place of another level of itself. */
export function computeWhatIf(
  card: JobCard,
  belief: Belief,
  fixes: readonly FixAtLevel[],
): { readonly before: SetForecast; readonly after: SetForecast } {
  const inForce = fixesInForce(card);
  const others = inForce.filter((held) => !fixes.some(({ id }) => id === held.id));
  return {
    before: forecastSet(belief, inForce, inForce),
    after: forecastSet(belief, [...others, ...fixes], inForce),
  };
}

/** Why a fix cannot be put to a set, or null where it can. */
export function findObstacle(
  base: SetupState,
  chosen: readonly FixAtLevel[],
  fix: FixDefinition<FixId>,
): { readonly code: 'excluded'; readonly by: string } | { readonly code: 'cannot-apply' } | null {
  const others = chosen.filter(({ id }) => id !== fix.id);
  const by = others.find(({ id }) => {
    const other = findFix(id);
    return other !== undefined && excludeEachOther(other, fix);
  });
  if (by) return { code: 'excluded', by: by.id };
  return fix.levelsFor(applyFixes(base, others)).length > 0 ? null : { code: 'cannot-apply' };
}
