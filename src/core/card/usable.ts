import { usableRateRatio } from '../load/usable';
import { targetFpsOf } from './derive-setup';
import type { JobCard, Reading } from './types';

/** What is complained of: playing unless only scrubbing was named. */
export function complaintOf(card: JobCard): { readonly isPlaying: boolean; readonly isScrubbing: boolean } {
  const { moments } = card.symptoms;
  const isScrubbing = moments.includes('scrubbing');
  return { isPlaying: !isScrubbing || moments.length > 1, isScrubbing };
}

/** Whether a typed reading is usable in every respect complained of; what it does not say does not count against it. */
export function isUsable(card: JobCard, reading: Reading): boolean {
  const { isPlaying, isScrubbing } = complaintOf(card);
  const doesPlay = reading.shownFps === null ? !isPlaying : reading.shownFps >= usableRateRatio * targetFpsOf(card);
  const doesScrub = reading.scrubFeel === null ? !isScrubbing : reading.scrubFeel === 'fine';
  return (!isPlaying || doesPlay) && (!isScrubbing || doesScrub);
}
