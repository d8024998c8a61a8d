import type { JobCard, LagMoment } from '../card/types';

/** Respects in which a preview can be complained of; only those that are count as a gap. */
export const respects = ['playing', 'scrubbing', 'later', 'opening', 'looking', 'cuts', 'waiting'] as const;
export type Respect = (typeof respects)[number];
/** What is complained of, in the order of the respects. */
export type Complaint = readonly Respect[];

const respectOfMoment: Readonly<Record<LagMoment, Respect>> = {
  playing: 'playing',
  scrubbing: 'scrubbing',
  'with-effects': 'playing',
  'with-layers': 'playing',
  'at-opening': 'opening',
  'switching-programs': 'playing',
  'after-a-while': 'later',
  'at-cuts': 'cuts',
  'looking-through-clips': 'looking',
  'waiting-for-the-picture': 'waiting',
};

/** What is complained of on a card; plain playing where nothing was said. */
export function complaintOf({ symptoms }: Pick<JobCard, 'symptoms'>): Complaint {
  const named = new Set(symptoms.moments.map((moment) => respectOfMoment[moment]));
  return named.size === 0 ? ['playing'] : respects.filter((respect) => named.has(respect));
}

/** Whether it is complained of playing, from the start or after a while. */
export const isOfPlaying = (complaint: Complaint): boolean =>
  complaint.includes('playing') || complaint.includes('later');
