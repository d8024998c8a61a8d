import { findFix, type RankedFix } from '@/core/fixes';
import { formatChance } from '@/messages/diagnosis';
import { describeEffort, fixTexts } from '@/messages/fixes';
import { formatFpsRange } from '@/messages/format';

/** One line of what is said beside a fix. */
export interface FixFact {
  readonly name: string;
  readonly value: string;
}

/** Effort and cost of a fix, as they stand beside it everywhere. */
export function describeFixFacts(ranked: RankedFix): readonly FixFact[] {
  const requires = findFix(ranked.id)?.requires ?? [];
  const { shownFps, usableProbability } = ranked.after;
  const usable = usableProbability === null ? '' : `; usable ${formatChance(usableProbability)}`;
  return [
    { name: 'brings', value: `${formatFpsRange(shownFps)} a second${usable}` },
    { name: 'takes', value: describeEffort(ranked.effortMinutes, requires) },
    { name: 'costs', value: fixTexts[ranked.id].cost },
  ];
}
