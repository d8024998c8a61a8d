import type { SetupState } from '../load/types';
import type { Range } from '../numbers/percentile';
import { fixCatalogue } from './catalogue';
import type { FixId, FixLevel } from './fix-facts';
import { gentlestOf } from './gentlest-level';
import type { FixDefinition, Sacrifice } from './types';

/** A fix with what is expected of it on this card. */
export interface RankedFix {
  readonly id: FixId;
  readonly level: FixLevel;
  readonly after: {
    readonly shownFps: Range;
    /** How likely the preview is usable with it, 0 to 1; null where only the estimate speaks. */
    readonly usableProbability: number | null;
  };
  /** The same for fixes that come to the same. */
  readonly effectKey: string;
  readonly effortMinutes: number;
  readonly sacrifice: Sacrifice;
  /** How much of the gap, in logarithms of rate and scrub time, it is expected to close; may be 0. */
  readonly gain: number;
  /** Gain for each minute-like unit of effort and sacrifice; the order of the list. */
  readonly score: number;
}

/** A full sacrifice weighs as much as this many minutes of effort. Assumption. */
const sacrificeMinutes = 20;
/** Taking a trial at all: reading the card, switching windows. */
const trialMinutes = 2;
/** Smaller gains than this are lost in any reading. */
export const leastGain = 0.03;

/** What fixes are weighed by: how far from usable it is, in logarithms, and how likely it is usable. */
export interface WeighedGap {
  readonly gap: number;
  readonly usableProbability: number;
}

/** All that is given up, as one figure. */
export const totalSacrifice = (sacrifice: Sacrifice): number =>
  Object.values(sacrifice).reduce((sum, part) => sum + part, 0);

/** What of a set-up fixes are weighed by. */
export interface FixScale {
  readonly gapNow: number;
  readonly gapWith: (fix: FixDefinition<FixId>, level: FixLevel) => WeighedGap;
  readonly effectKeyOf: (fix: FixDefinition<FixId>, level: FixLevel) => string;
  readonly expectOf: (fix: FixDefinition<FixId>, level: FixLevel) => RankedFix['after'];
}

function rankLevels(
  fix: FixDefinition<FixId>,
  state: SetupState,
  { gapNow, gapWith, effectKeyOf: keyOf, expectOf }: FixScale,
): RankedFix | null {
  const levels = fix.levelsFor(state).map((level) => {
    const { gap, usableProbability: cureProbability } = gapWith(fix, level);
    const gain = Math.max(0, gapNow - gap);
    const effortMinutes = fix.effortMinutes(state, level);
    const sacrifice = fix.sacrifice(state, level);
    const score = gain / (trialMinutes + effortMinutes + sacrificeMinutes * totalSacrifice(sacrifice));
    return { level, gain, cureProbability, effortMinutes, sacrifice, score };
  });
  const best = gentlestOf(levels);
  if (!best) return null;
  const { cureProbability: _, ...ranked } = best;
  return { id: fix.id, ...ranked, effectKey: keyOf(fix, best.level), after: expectOf(fix, best.level) };
}

/**
 * The fixes that can be made on this set-up, by what they are expected to bring against what they cost; each at the
 * gentlest level that does about as well as its best. Those that bring nothing come last, in the catalogue's order.
 */
export const rankFixes = (state: SetupState, scale: FixScale): readonly RankedFix[] =>
  fixCatalogue
    .filter(({ group }) => group !== 'export' && group !== 'upgrades')
    .map((fix) => rankLevels(fix, state, scale))
    .filter((ranked) => ranked !== null)
    .sort((a, b) => b.score - a.score);
