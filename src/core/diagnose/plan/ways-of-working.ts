import { type Belief, type BeliefForecast, forecastUnder } from '../../belief';
import type { JobCard } from '../../card';
import { applyFixes, type FixAtLevel, type FixId, fixCatalogue, isWayOfWorking } from '../../fixes';
import type { Respect } from '../../usable';
import { createRefusal } from '../moves/candidates';

/** A habit that keeps a project light, with what it would bring on this card. */
export interface WayOfWorking extends FixAtLevel {
  readonly id: FixId;
  readonly minutes: number;
  readonly before: BeliefForecast;
  readonly after: BeliefForecast;
  /** The respect in which it brings most, and by how much, in logarithms. */
  readonly respect: 'shownFps' | 'scrubMs' | 'openingSec' | 'lookMs';
  readonly gain: number;
  /** Whether that is what is complained of. */
  readonly isComplaint: boolean;
}

/** A tenth: less is lost in any reading. */
const leastGain = Math.log(1.1);
const moreIsBetter = { shownFps: true, scrubMs: false, openingSec: false, lookMs: false } as const;

/** What a complaint looks at; the others are of no figure here. */
const respectOf: Readonly<Partial<Record<Respect, WayOfWorking['respect']>>> = {
  playing: 'shownFps',
  'in-time': 'shownFps',
  'every-picture': 'shownFps',
  later: 'shownFps',
  scrubbing: 'scrubMs',
  opening: 'openingSec',
  looking: 'lookMs',
};

/** Where it brings most: among what is complained of where it brings anything there, else in any respect. */
function strongest(
  { complaint }: Belief,
  before: BeliefForecast,
  after: BeliefForecast,
): Pick<WayOfWorking, 'respect' | 'gain' | 'isComplaint'> {
  const named = new Set(complaint.map((respect) => respectOf[respect]));
  const respects = Object.keys(moreIsBetter) as (keyof typeof moreIsBetter)[];
  const gains = respects.map((respect) => {
    const ratio = Math.log(Math.max(1e-3, after[respect].mid) / Math.max(1e-3, before[respect].mid));
    return { respect, gain: moreIsBetter[respect] ? ratio : -ratio };
  });
  const most = (list: typeof gains) => list.reduce((best, each) => (each.gain > best.gain ? each : best));
  const ofComplaint = gains.filter(({ respect, gain }) => named.has(respect) && gain >= leastGain);
  return ofComplaint.length > 0 ? { ...most(ofComplaint), isComplaint: true } : { ...most(gains), isComplaint: false };
}

/** The ways of working that would bring a tenth or more here in any respect: what is complained of first, the most first. */
export function listWaysOfWorking(
  card: JobCard,
  belief: Belief,
  inForce: readonly FixAtLevel[],
): readonly WayOfWorking[] {
  const before = forecastUnder(belief, inForce);
  const state = applyFixes(belief.base, inForce);
  const isRefused = createRefusal(card);
  return fixCatalogue
    .filter(({ id }) => isWayOfWorking(id) && !inForce.some((fix) => fix.id === id))
    .flatMap((fix) => {
      const level = fix.levelsFor(state)[0];
      if (level === undefined || isRefused({ id: fix.id, level })) return [];
      const after = forecastUnder(belief, [...inForce, { id: fix.id, level }]);
      const way = { id: fix.id, level, minutes: fix.effortMinutes(state, level), before, after };
      return [{ ...way, ...strongest(belief, before, after) }];
    })
    .filter(({ gain }) => gain >= leastGain)
    .sort((a, b) => Number(b.isComplaint) - Number(a.isComplaint) || b.gain - a.gain);
}
