import type { JobCard, LagMoment } from '../card/types';

/** Respects in which a preview can be complained of; only those that are count as a gap. */
export const respects = [
  'playing',
  'in-time',
  'every-picture',
  'scrubbing',
  'later',
  'opening',
  'looking',
  'cuts',
  'waiting',
] as const;
export type Respect = (typeof respects)[number];
/** What is complained of, in the order of the respects. */
export type Complaint = readonly Respect[];

/** What playing is asked for, by what is enough for a person: the whole rate, or one of the two that stand in for it. */
const playingFor = {
  smooth: 'playing',
  'in-time': 'in-time',
  'every-picture': 'every-picture',
} as const satisfies Readonly<Record<JobCard['symptoms']['enough'], Respect>>;
const waysOfPlaying: readonly Respect[] = Object.values(playingFor);

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

/** What is complained of on a card; playing where nothing was said. */
export function complaintOf({ symptoms }: Pick<JobCard, 'symptoms'>): Complaint {
  const playing = playingFor[symptoms.enough];
  const named = new Set(
    symptoms.moments.map((moment) => (respectOfMoment[moment] === 'playing' ? playing : respectOfMoment[moment])),
  );
  return named.size === 0 ? [playing] : respects.filter((respect) => named.has(respect));
}

/** The respects that somebody may complain of or not, who asks so much of playing: one way of playing, and all else. */
export const respectsAsked = ({ symptoms }: Pick<JobCard, 'symptoms'>): readonly Respect[] =>
  respects.filter((respect) => !waysOfPlaying.includes(respect) || respect === playingFor[symptoms.enough]);

/** Whether it is complained of playing, from the start or after a while. */
export const isOfPlaying = (complaint: Complaint): boolean =>
  complaint.some((respect) => respect === 'later' || waysOfPlaying.includes(respect));
