import type { Belief } from '../../belief';
import { applyFixes, type FixAtLevel } from '../../fixes';
import type { SetupState } from '../../load';

/** Whether two fixes come to the same is asked of this many of the likeliest hypotheses. */
const mostStates = 6;

/** The set-up under some fixes as it is stated, and as the likeliest hypotheses have it. */
export const statesToTellBy = (belief: Belief, fixes: readonly FixAtLevel[]): readonly SetupState[] => [
  applyFixes(belief.base, fixes),
  ...[...belief.components]
    .sort((a, b) => b.weight - a.weight)
    .slice(0, mostStates)
    .map(({ hypothesis }) => applyFixes(hypothesis.state, fixes)),
];
