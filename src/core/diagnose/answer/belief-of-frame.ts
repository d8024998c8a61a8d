import { type Belief, conditionOnRate, rangesUnder } from '../../belief';
import { fixesInForce, type JobCard, readingInForce } from '../../card';

/**
 * What of a belief the frame’s time is shown by: what agrees with the rate that was read of the set-up in force; before the
 * first reading, with the middle of what is expected, so that bars and rate say the same. After readings of other set-ups
 * alone, all of it. O(samples).
 */
export function beliefOfFrame(card: JobCard, belief: Belief): Belief {
  const inForce = fixesInForce(card);
  const readFps = readingInForce(card)?.shownFps ?? null;
  if (readFps) return conditionOnRate(belief, inForce, readFps);
  if (card.readings.length > 0) return belief;
  return conditionOnRate(belief, inForce, rangesUnder(belief, inForce, ['shownFps']).shownFps.mid);
}
