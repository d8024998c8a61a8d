import {
  fixesInForce,
  isCardUsable,
  type JobCard,
  latestReading,
  type Reading,
  readingInForce,
  targetFpsOf,
} from '../../card';
import { findNextStep, type NextStep } from '../moves/next-step';

/** What the wall of cards tells of each beside its last answer: nothing is worked out for it, so that the first page stays light. */
export interface CardGlance {
  readonly targetFps: number;
  /** The reading that stands for now, or null. */
  readonly reading: Reading | null;
  readonly isUsable: boolean;
  readonly fixCount: number;
  readonly next: NextStep;
}

/** A card's state at a glance. O(card). */
export const glanceAtCard = (card: JobCard): CardGlance => ({
  targetFps: targetFpsOf(card),
  reading: readingInForce(card) ?? latestReading(card),
  isUsable: isCardUsable(card),
  fixCount: fixesInForce(card).length,
  next: findNextStep(card),
});
