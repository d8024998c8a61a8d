import { priorBelief } from '../../belief';
import { isCardUsable, type JobCard, latestReading, type Reading, readingInForce, targetFpsOf } from '../../card';
import { leastGain, type RankedFix } from '../../fixes';
import { computeFindings, type Findings } from '../answer/findings';
import { createRefusal, isTooEarly } from '../moves/candidates';
import { findNextStep, type NextStep } from '../moves/next-step';
import { rankCardFixes } from '../moves/rank-card-fixes';

/** A card's state at a glance: the gauge and the list of cards show the same. */
export interface CardOverview {
  readonly targetFps: number;
  readonly findings: Findings;
  /** The reading that stands for now: under the set-up in force, else the newest. */
  readonly reading: Reading | null;
  readonly isReadingInForce: boolean;
  readonly isUsable: boolean;
  readonly next: NextStep;
}

/** The fix that by the estimate alone brings most for what it costs, of those not given up; null where none is left. */
export function firstByEstimate(card: JobCard): RankedFix | null {
  const isRefused = createRefusal(card);
  return (
    rankCardFixes(card, priorBelief(card)).find(
      (fix) => fix.gain >= leastGain && !isRefused(fix) && !isTooEarly(card, fix.id),
    ) ?? null
  );
}

/** Everything that is shown of a card at a glance. O(clips log clips). */
export function summariseCard(card: JobCard): CardOverview {
  const inForce = readingInForce(card);
  return {
    targetFps: targetFpsOf(card),
    findings: computeFindings(card),
    reading: inForce ?? latestReading(card),
    isReadingInForce: inForce !== null,
    isUsable: isCardUsable(card),
    next: findNextStep(card),
  };
}
