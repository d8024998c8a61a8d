import { assertNever } from '../../assert-never';
import { type Belief, gapUnder } from '../../belief';
import {
  areSameFixes,
  findReading,
  fixesInForce,
  isSameFix,
  type JobCard,
  keptFixes,
  type PlayFeel,
  playFeels,
  type Reading,
  type ScrubFeel,
  scrubFeels,
  type Trial,
} from '../../card';
import type { CompareFailure } from '../../meter';
import { compareCardReadings } from '../../readings';
import { isUsable, type Respect } from '../../usable';
import { remainingPlan } from '../plan/chosen-plan';

/** `mixed`: better in one respect, and worse in another. */
export type TrialVerdict = 'better' | 'no-clear-change' | 'mixed' | 'worse';

/** Why a trial should end as it is advised. */
export type AdviceReason =
  | 'better'
  | 'worse'
  | 'no-clear-change'
  /** Better and worse, and by all that is known it brings more than it takes; or it does not, or nothing is known. */
  | 'better-on-the-whole'
  | 'mixed'
  /** The two readings say one thing and all that is known another: that it brings nothing, or that it helps. */
  | 'better-unexpectedly'
  | 'worse-unexpectedly'
  /** No figure tells, and the person says that they can edit like this now. */
  | 'usable-now'
  /** Others of the chosen plan have to come first before it can show. */
  | 'part-of-plan'
  /** A fix was taken away again, and is not missed; or it is. */
  | 'not-missed'
  | 'missed';

/** What a trial's two readings speak for. */
export interface TrialAdvice {
  readonly verdict: TrialVerdict;
  readonly recommended: 'kept' | 'undone';
  readonly reason: AdviceReason;
  /** One reading in ten is far off, and this one may be: measuring once more comes before the decision. */
  readonly isDoubtful: boolean;
  /** How much the shown rate changed at least, as a share: 0.2 for a fifth; null where no two measured rates tell. */
  readonly atLeastRatio: number | null;
  /** Why the measured readings cannot be held against each other, or null. */
  readonly failure: CompareFailure | null;
}

/**
 * Rates that were read off or felt count from this ratio on. One person's readings of one thing differ by less than typed ones do
 * from the truth, and by more than a meter's.
 */
const leastTypedRatio = 1.15;
/**
 * Jumps from this: few are taken, and each lands anywhere between two key frames, so that the middle of twenty differs by
 * a fifth from the next twenty (`jumpSpread` in belief).
 */
const leastJumpRatio = 1.4;
/** Times that were stopped by hand, and stutters that were counted, repeat less well. Assumption. */
const leastTimedRatio = 1.2;

/** 1 for clearly better, −1 for clearly worse, 0 for neither; null where the two do not say. */
type Sign = 1 | 0 | -1 | null;

const signOf = (ratio: number, least: number): Sign => (ratio >= least ? 1 : ratio <= 1 / least ? -1 : 0);

/** Compares two figures of which more is better, or less. */
function compareFigures(before: number | null, after: number | null, least: number, isMoreBetter: boolean): Sign {
  if (before === null || after === null) return null;
  const ratio = Math.max(after, 1e-3) / Math.max(before, 1e-3);
  return signOf(isMoreBetter ? ratio : 1 / ratio, least);
}

const rankDifference = <T extends string>(order: readonly T[], before: T | null, after: T | null): Sign =>
  before === null || after === null ? null : (Math.sign(order.indexOf(after) - order.indexOf(before)) as 1 | 0 | -1);

const worstFirst: readonly ScrubFeel[] = [...scrubFeels].reverse();
const playOrder: readonly PlayFeel[] = playFeels;

const stuttersAMinute = ({ tapped }: Reading): number | null =>
  tapped ? (60_000 * (tapped.stutterCount + tapped.freezesMs.length)) / tapped.lengthMs : null;

/** What the two readings say of the shown rate: by their intervals where both were measured. */
function compareRates(card: JobCard, before: Reading, after: Reading) {
  if (before.measured && after.measured) {
    const change = compareCardReadings(card, new Set([before.id, after.id]))[1]?.change;
    if (change?.ok) {
      const sign: Sign = change.value.verdict === 'better' ? 1 : change.value.verdict === 'worse' ? -1 : 0;
      return { sign, atLeastRatio: change.value.atLeastRatio, failure: null };
    }
    if (change) return { sign: null, atLeastRatio: null, failure: change.failure };
  }
  const sign = compareFigures(before.shownFps, after.shownFps, leastTypedRatio, true);
  return { sign, atLeastRatio: null, failure: null };
}

/** Whether people say that they can edit like this, which they did not before. */
const hasBecomeGood = (before: Reading, after: Reading): boolean =>
  after.isGoodEnough === 'yes' && before.isGoodEnough === 'no';

/** What the two readings say of something that can be complained of. */
interface Comparison {
  /** Any of these is what it says something of; none for what no belief is about. */
  readonly respects: readonly Respect[];
  readonly sign: Sign;
}

function verdictOf(comparisons: readonly Comparison[]): TrialVerdict {
  const has = (sign: Sign): boolean => comparisons.some((comparison) => comparison.sign === sign);
  const [isBetter, isWorse] = [has(1), has(-1)];
  if (isWorse) return isBetter ? 'mixed' : 'worse';
  return isBetter ? 'better' : 'no-clear-change';
}

/** A gap that a fix closes by less than this is nothing that speaks for it. */
const leastClosedGap = 0.02;

/** What is believed of a fix, with both readings on the card. */
interface Believed {
  /** Whether it closes the gap by all that is known. */
  readonly doesClose: boolean;
  /** Whether everything that changed was complained of: what was not is no part of the gap. */
  readonly isAboutChange: boolean;
}

function believedOf(belief: Belief, card: JobCard, { fix }: Trial, comparisons: readonly Comparison[]): Believed {
  const inForce = fixesInForce(card);
  const others = inForce.filter((other) => !isSameFix(other, fix));
  return {
    doesClose: gapUnder(belief, others).gap - gapUnder(belief, inForce).gap > leastClosedGap,
    isAboutChange: comparisons.every(
      ({ sign, respects }) => !sign || respects.some((respect) => belief.complaint.includes(respect)),
    ),
  };
}

/** Whether the set-up as it is now was read no more than once. */
const isReadOnce = (card: JobCard): boolean =>
  card.readings.filter(({ fixes }) => areSameFixes(fixes, fixesInForce(card))).length <= 1;

type Recommended = Pick<TrialAdvice, 'recommended' | 'reason' | 'isDoubtful'>;

/** A fix that is made to be quicker: what was read, held against all that is known. */
function recommendMade(
  card: JobCard,
  trial: Trial,
  verdict: TrialVerdict,
  isGoodNow: boolean,
  believed: Believed | null,
): Recommended {
  const settled = { isDoubtful: false } as const;
  const doubtful = { isDoubtful: isReadOnce(card) };
  switch (verdict) {
    case 'worse':
      return believed?.isAboutChange && believed.doesClose
        ? { recommended: 'undone', reason: 'worse-unexpectedly', ...doubtful }
        : { recommended: 'undone', reason: 'worse', ...settled };
    case 'better':
      return believed?.isAboutChange && !believed.doesClose
        ? { recommended: 'kept', reason: 'better-unexpectedly', ...doubtful }
        : { recommended: 'kept', reason: 'better', ...settled };
    case 'mixed':
      return believed?.doesClose
        ? { recommended: 'kept', reason: 'better-on-the-whole', ...doubtful }
        : { recommended: 'undone', reason: 'mixed', ...doubtful };
    case 'no-clear-change': {
      if (isGoodNow) return { recommended: 'kept', reason: 'usable-now', ...settled };
      const isOfPlan = card.chosenPlan.some(({ id }) => id === trial.fix.id) && remainingPlan(card).length > 0;
      return isOfPlan
        ? { recommended: 'kept', reason: 'part-of-plan', ...settled }
        : { recommended: 'undone', reason: 'no-clear-change', ...settled };
    }
    default:
      return assertNever(verdict);
  }
}

function recommend(
  card: JobCard,
  trial: Trial,
  comparisons: readonly Comparison[],
  [before, after]: readonly [Reading, Reading],
  belief: Belief | null,
): Recommended {
  const { direction, fix } = trial;
  const verdict = verdictOf(comparisons);
  // A milder level of a fix that did is tried to have less given up, not to be quicker.
  const isEasing = isUsable(card, before) && keptFixes(card).some(({ id }) => id === fix.id);
  if (direction === 'make' && !isEasing)
    return recommendMade(
      card,
      trial,
      verdict,
      hasBecomeGood(before, after),
      belief && believedOf(belief, card, trial, comparisons),
    );
  const isWorse = verdict === 'worse' || verdict === 'mixed';
  const isMissed = isUsable(card, before) ? !isUsable(card, after) : isWorse;
  return isMissed
    ? { recommended: 'undone', reason: 'missed', isDoubtful: false }
    : { recommended: 'kept', reason: 'not-missed', isDoubtful: false };
}

/**
 * What the two readings of a trial speak for; null until both are there. What is better in one respect and worse in another
 * is weighed by what is believed of the card, and undone where nothing is. Undoing is the default where nothing clear
 * changed, because every kept change costs something.
 *
 * @param belief of this card with both readings on it; null where it is not worked out yet
 */
export function adviseTrial(card: JobCard, trial: Trial, belief: Belief | null): TrialAdvice | null {
  const before = findReading(card, trial.beforeReadingId);
  const after = findReading(card, trial.afterReadingId);
  if (!before || !after) return null;
  const { sign, atLeastRatio, failure } = compareRates(card, before, after);
  const hasRates = sign !== null;
  const playing: readonly Respect[] = ['playing', 'later'];
  const comparisons: readonly Comparison[] = [
    { respects: playing, sign },
    { respects: playing, sign: hasRates ? null : rankDifference(playOrder, before.playFeel, after.playFeel) },
    {
      respects: ['scrubbing'],
      sign:
        compareFigures(before.scrubMs, after.scrubMs, leastJumpRatio, false) ??
        rankDifference(worstFirst, before.scrubFeel, after.scrubFeel),
    },
    { respects: ['opening'], sign: compareFigures(before.openingSec, after.openingSec, leastTimedRatio, false) },
    { respects: ['waiting'], sign: compareFigures(before.waitSec, after.waitSec, leastTimedRatio, false) },
    { respects: ['waiting'], sign: compareFigures(before.fitSec, after.fitSec, leastTimedRatio, true) },
    { respects: [], sign: compareFigures(before.exportMinutes, after.exportMinutes, leastTimedRatio, false) },
    {
      respects: playing,
      sign: hasRates ? null : compareFigures(stuttersAMinute(before), stuttersAMinute(after), leastTimedRatio, false),
    },
  ];
  return {
    verdict: verdictOf(comparisons),
    ...recommend(card, trial, comparisons, [before, after], belief),
    atLeastRatio,
    failure,
  };
}
