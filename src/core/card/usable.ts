import { usableOpeningSec, usableRateRatio, usableScrubMs } from '../load/usable';
import { targetFpsOf } from './derive-setup';
import { playFeels, scrubFeels } from './schema';
import type { JobCard, Reading } from './types';

/** What is complained of: playing unless only other things were named. */
export function complaintOf(card: JobCard): {
  readonly isPlaying: boolean;
  readonly isScrubbing: boolean;
  readonly isLater: boolean;
  readonly isOpening: boolean;
} {
  const { moments } = card.symptoms;
  const isPlaying =
    moments.length === 0 ||
    moments.some((moment) =>
      ['playing', 'with-effects', 'with-layers', 'switching-programs', 'after-a-while'].includes(moment),
    );
  return {
    isPlaying,
    isScrubbing: moments.includes('scrubbing'),
    isLater: moments.includes('after-a-while'),
    isOpening: moments.includes('at-opening'),
  };
}

/** What a reading says of playing, scrubbing and opening: usable or not; null where it says nothing. */
function verdictsOf(card: JobCard, reading: Reading) {
  const { shownFps, playFeel, scrubMs, scrubFeel, openingSec } = reading;
  return {
    playing:
      shownFps !== null
        ? shownFps >= usableRateRatio * targetFpsOf(card)
        : playFeel === null
          ? null
          : playFeel === playFeels.at(-1),
    scrubbing: scrubMs !== null ? scrubMs <= usableScrubMs : scrubFeel === null ? null : scrubFeel === scrubFeels[0],
    opening: openingSec === null ? null : openingSec <= usableOpeningSec,
  };
}

/**
 * Whether a reading is usable in every respect complained of. What it does not say does not count against it, but for
 * playing; where it says nothing of what is complained of, the person's own word counts.
 */
export function isUsable(card: JobCard, reading: Reading): boolean {
  const { isPlaying, isScrubbing, isOpening } = complaintOf(card);
  const { playing, scrubbing, opening } = verdictsOf(card, reading);
  const asked = [...(isPlaying ? [playing] : []), ...(isScrubbing ? [scrubbing] : []), ...(isOpening ? [opening] : [])];
  if (reading.isGoodEnough === 'no' || asked.includes(false)) return false;
  const isMute = asked.every((verdict) => verdict === null) || (isPlaying && playing === null);
  return isMute ? reading.isGoodEnough === 'yes' : true;
}
