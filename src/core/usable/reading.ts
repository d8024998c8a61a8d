import { playFeels, scrubFeels } from '../card/schema';
import { targetFpsOf } from '../card/target-fps';
import type { JobCard, Reading } from '../card/types';
import { usableFreezeMs, usableOpeningSec, usableRateRatio, usableScrubMs, usableSpanSec } from './limits';
import { complaintOf, isOfPlaying, type Respect } from './respects';

/** Whether the preview played at the target, by rate or by feel; null where the reading says nothing of it. */
function playsAtTarget(card: JobCard, { shownFps, playFeel }: Reading): boolean | null {
  if (shownFps !== null) return shownFps >= usableRateRatio * targetFpsOf(card);
  return playFeel === null ? null : playFeel === playFeels.at(-1);
}

const within = (value: number | null, limit: number): boolean | null => (value === null ? null : value <= limit);

/** What a reading says of each respect: usable or not; null where it says nothing of it. */
const verdictOf: Readonly<Record<Respect, (card: JobCard, reading: Reading) => boolean | null>> = {
  playing: playsAtTarget,
  // At the target nothing is late; below it a rate alone says nothing of sound and pictures, and the person's word counts.
  'in-time': (card, reading) => playsAtTarget(card, reading) || null,
  'every-picture': (card, reading) => playsAtTarget(card, reading) || null,
  // How it plays soon after the start says nothing of how it plays after a while, unless it is slow from the start.
  later: (card, reading) => {
    const plays = playsAtTarget(card, reading);
    return reading.moment === 'later' || plays === false ? plays : null;
  },
  scrubbing: (_, { scrubMs, scrubFeel }) =>
    within(scrubMs, usableScrubMs) ?? (scrubFeel === null ? null : scrubFeel === scrubFeels[0]),
  opening: (_, { openingSec }) => within(openingSec, usableOpeningSec),
  // Nothing of looking through clips is written down in a reading.
  looking: () => null,
  cuts: (_, { measured }) => within(measured?.longestFreezeMs ?? null, usableFreezeMs),
  waiting: (_, { fitSec }) => (fitSec === null ? null : fitSec >= usableSpanSec),
};

/**
 * Whether a reading is usable in every respect complained of. What it does not say does not count against it, but for
 * playing; where it says nothing of what is complained of, the person's own word counts.
 */
export function isUsable(card: JobCard, reading: Reading): boolean {
  const complaint = complaintOf(card);
  const verdicts = complaint.map((respect) => verdictOf[respect](card, reading));
  if (reading.isGoodEnough === 'no' || verdicts.includes(false)) return false;
  const isSilentOfPlaying =
    isOfPlaying(complaint) && complaint.every((respect, i) => !isOfPlaying([respect]) || verdicts[i] === null);
  const isMute = verdicts.every((verdict) => verdict === null) || isSilentOfPlaying;
  return isMute ? reading.isGoodEnough === 'yes' : true;
}
