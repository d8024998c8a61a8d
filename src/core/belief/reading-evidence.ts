import { groups } from 'd3-array';
import { keyOfFixes } from '../card/fixes-in-force';
import type { FixUse, PlayFeel, Reading, ScrubFeel } from '../card/types';
import { extentOf } from '../load/evaluate';
import { meterSpreadOf, rateBetweenFreezes } from '../meter';
import { medianOf } from '../numbers/percentile';
import { type Complaint, extentOfComplaint } from '../usable';
import { feltScrubMs, usableScrubMs } from '../usable/limits';
import { createBoundsWeigher, readingSpread } from './likelihood';
import { chancesOfStanding, extentOfStanding, longStandMs } from './questions';
import { type Evidence, type OutcomeName, weighBounds, weighEach, weighJudgement, weighValue } from './weighing';

/** A reading within this share of the most that can be shown says only "at least". */
const censoredRatio = 0.97;

const playBounds: Readonly<Record<PlayFeel, readonly [number, number]>> = {
  smooth: [0.9, Number.POSITIVE_INFINITY],
  'nearly-smooth': [0.72, 0.95],
  uneven: [0.48, 0.77],
  stumbles: [0.18, 0.52],
  'stands-still': [0, 0.22],
};

/** Milliseconds of a jump that feels so. Assumption: a second is unusable. */
const scrubBounds: Readonly<Record<ScrubFeel, readonly [number, number]>> = {
  fine: [0, usableScrubMs],
  jumpy: [usableScrubMs, 900],
  unusable: [900, Number.POSITIVE_INFINITY],
};

const weighFeltScrub = (low: number, high: number, spread: number) => {
  const weigh = createBoundsWeigher(low, high, spread);
  return weighEach(({ out, index }) =>
    weigh(feltScrubMs(out.scrubMs[index] as number, out.scrubSlowMs[index] as number)),
  );
};

/**
 * Jumps are few, and each lands where it lands between two key frames: the middle of twenty waits that are even between
 * nothing and a longest one is off by a fifth (0.5 / √22 of the range), and a part of every wait is alike. People go back
 * to the same places, so that it does not average out.
 */
const jumpSpread = 0.15;

/** How likely one thing that was read is under each sample, whatever the fixes; its key is the same for the same thing. */
type ReadingLikelihood = Omit<Evidence, 'fixes' | 'source'>;

const likelihoodOf = (name: OutcomeName, key: string, addTo: Evidence['addTo']): ReadingLikelihood => ({
  key: `${name} ${key}`,
  extent: extentOf(name),
  addTo,
});

/** Readings of one moment under one list of fixes. */
interface ReadingGroup {
  readonly fixes: readonly FixUse[];
  readonly moment: Reading['moment'];
  readonly readings: readonly Reading[];
}

/**
 * Repeats of one reading as one: the middle of them, because one in ten is an outlier. What the measuring is off by
 * grows smaller with their number; what the model is off by does not, and is added where the figure is weighed.
 */
const likelihoodOfFigures = (
  name: OutcomeName,
  how: string,
  figures: readonly number[],
  spread: number,
  steadySpread = 0,
): ReadingLikelihood => {
  const read = Math.exp(medianOf(figures.map(Math.log)));
  const weighed = weighValue(name, read, Math.hypot(spread / Math.sqrt(figures.length), steadySpread));
  return likelihoodOf(name, `${read} ${how} ${figures.length}`, weighed);
};

/** What a rate is off by for how it was read, and for what the meter doubts. */
const spreadOf = ({ how, measured }: Reading): number =>
  Math.hypot(readingSpread[how], measured ? meterSpreadOf(measured) : 0);

/**
 * How many times more than the meter saw may have been shown, where it says "at least": between freezes no more than is
 * wanted. Freezes are seen whatever comes between the frames.
 */
const openRatioOf = ({ measured }: Reading, targetFps: number): number =>
  measured?.isAtLeast && measured.intervalsMs.length > 0
    ? Math.max(1, targetFps / rateBetweenFreezes(measured.intervalsMs))
    : 1;
/** What is open by less than this is as good as seen. */
const leastOpenRatio = 1.1;

const likelihoodBetween = (
  name: OutcomeName,
  how: string,
  low: number,
  high: number,
  spread: number,
): ReadingLikelihood => likelihoodOf(name, `${low} to ${high} ${how}`, weighBounds(name, low, high, spread));

interface RateRead {
  readonly fps: number;
  readonly openRatio: number;
}

const likelihoodOfOpenRates = (
  name: OutcomeName,
  how: string,
  rates: readonly RateRead[],
  spread: number,
): ReadingLikelihood => {
  const low = medianOf(rates.map(({ fps }) => fps));
  return likelihoodBetween(name, how, low, low * medianOf(rates.map(({ openRatio }) => openRatio)), spread);
};

/**
 * The rates that were read, by the way in which they were and by how far they can be relied on. Those near the most that
 * can be shown say "at least"; those of which the meter says so, that it may have been more.
 */
const rateLikelihoods = (
  name: OutcomeName,
  readings: readonly Reading[],
  targetFps: number,
): readonly ReadingLikelihood[] => {
  const full = censoredRatio * targetFps;
  return groups(readings, (reading) => `${reading.how} ${spreadOf(reading)}`).flatMap(([how, taken]) => {
    const rates: readonly RateRead[] = taken.flatMap((reading) =>
      reading.shownFps === null
        ? []
        : [{ fps: Math.max(0.05, reading.shownFps), openRatio: openRatioOf(reading, targetFps) }],
    );
    const spread = Math.max(...taken.map(spreadOf));
    const spreadOfAll = (count: number): number => spread / Math.sqrt(count);
    const fullCount = rates.filter(({ fps }) => fps >= full).length;
    const below = rates.filter(({ fps }) => fps < full);
    const open = below.filter(({ openRatio }) => openRatio >= leastOpenRatio);
    const told = below.filter(({ openRatio }) => openRatio < leastOpenRatio).map(({ fps }) => fps);
    return [
      ...(told.length > 0 ? [likelihoodOfFigures(name, how, told, spread)] : []),
      ...(open.length > 0
        ? [likelihoodOfOpenRates(name, `${how} ${open.length}`, open, spreadOfAll(open.length))]
        : []),
      ...(fullCount > 0
        ? [likelihoodBetween(name, `${how} ${fullCount}`, full, Number.POSITIVE_INFINITY, spreadOfAll(fullCount))]
        : []),
    ];
  });
};

const scrubLikelihoods = (readings: readonly Reading[]): readonly ReadingLikelihood[] =>
  groups(readings, ({ how }) => how).flatMap(([how, taken]) => {
    const times = taken.flatMap(({ scrubMs }) => (scrubMs === null ? [] : [Math.max(1, scrubMs)]));
    return times.length > 0 ? [likelihoodOfFigures('scrubMs', how, times, readingSpread[how] * 2, jumpSpread)] : [];
  });

const openingLikelihoods = (readings: readonly Reading[]): readonly ReadingLikelihood[] => {
  const times = readings.flatMap(({ openingSec }) => (openingSec === null ? [] : [Math.max(0.1, openingSec)]));
  return times.length > 0 ? [likelihoodOfFigures('openingSec', 'timed', times, readingSpread.timed)] : [];
};

/** A monitor's figure near the top says only "at least": it cannot go further. */
const fullUsePercent = 95;
/** Monitors average over seconds, and what they show jumps. Assumption. */
const monitorSpread = 0.25;

/** What the system's monitor showed while it played. */
const monitorLikelihoods = (name: OutcomeName, percents: readonly (number | null)[]): readonly ReadingLikelihood[] => {
  const read = percents.flatMap((percent) => (percent === null ? [] : [Math.max(1, percent)]));
  if (read.length === 0) return [];
  const middle = medianOf(read);
  if (middle < fullUsePercent) return [likelihoodOfFigures(name, 'monitor', [middle / 100], monitorSpread)];
  return [likelihoodOf(name, 'full', weighBounds(name, fullUsePercent / 100, Number.POSITIVE_INFINITY, monitorSpread))];
};

/** The longest stand that the meter saw while it played; null where it saw none, or doubts what it saw. */
export const meteredStandMs = ({ measured, doing }: Reading): number | null =>
  measured === null || doing !== 'playing' || measured.confidence === 'low' ? null : measured.longestFreezeMs;

/** What the meter saw of pictures that stand: the answer that somebody who watched would give. */
const standLikelihoods = (readings: readonly Reading[]): readonly ReadingLikelihood[] => {
  const longestMs = readings.map(meteredStandMs).filter((ms) => ms !== null);
  if (longestMs.length === 0) return [];
  const answer = medianOf(longestMs) >= longStandMs ? 0 : 1;
  return [
    {
      key: `standMs metered ${answer}`,
      extent: extentOfStanding,
      addTo: weighEach((view) => Math.log(chancesOfStanding(view)[answer] ?? 1)),
    },
  ];
};

/** How much played after the wait, in editors that compute first. */
const fitLikelihoods = (readings: readonly Reading[]): readonly ReadingLikelihood[] => {
  const seconds = readings.flatMap(({ fitSec }) => (fitSec === null ? [] : [Math.max(0.1, fitSec)]));
  return seconds.length > 0 ? [likelihoodOfFigures('fitSec', 'timed', seconds, readingSpread.timed)] : [];
};

/** What was felt where nothing was read. */
const feelLikelihoods = (
  name: OutcomeName,
  readings: readonly Reading[],
  targetFps: number,
): readonly ReadingLikelihood[] => {
  const plays = readings.flatMap(({ shownFps, playFeel }) =>
    shownFps === null && playFeel !== null ? [playFeel] : [],
  );
  const jumps = readings.flatMap(({ scrubMs, scrubFeel }) =>
    scrubMs === null && scrubFeel !== null ? [scrubFeel] : [],
  );
  return [
    ...groups(plays, (feel) => feel).map(([feel, { length }]): ReadingLikelihood => {
      const [low, high] = playBounds[feel];
      const spread = readingSpread.felt / 2 / Math.sqrt(length);
      return likelihoodOf(name, `${feel} ${length}`, weighBounds(name, low * targetFps, high * targetFps, spread));
    }),
    ...groups(jumps, (feel) => feel).map(
      ([feel, { length }]): ReadingLikelihood =>
        likelihoodOf(
          'scrubMs',
          `${feel} ${length}`,
          weighFeltScrub(...scrubBounds[feel], readingSpread.felt / Math.sqrt(length)),
        ),
    ),
  ];
};

/** Whether somebody could edit like this: what they said more often, because they judge one thing alike each time. */
function judgementLikelihoods(readings: readonly Reading[], complaint: Complaint): readonly ReadingLikelihood[] {
  const count = (said: Reading['isGoodEnough']): number => readings.filter((r) => r.isGoodEnough === said).length;
  const balance = count('yes') - count('no');
  if (balance === 0) return [];
  return [
    {
      key: `good enough ${balance > 0}`,
      extent: extentOfComplaint(complaint),
      addTo: weighJudgement(balance > 0, complaint),
    },
  ];
}

function likelihoodsOf(
  { moment, readings }: ReadingGroup,
  targetFps: number,
  complaint: Complaint,
): readonly ReadingLikelihood[] {
  const rateName: OutcomeName = moment === 'later' ? 'laterFps' : 'shownFps';
  return [
    ...rateLikelihoods(rateName, readings, targetFps),
    ...scrubLikelihoods(readings),
    ...openingLikelihoods(readings),
    ...fitLikelihoods(readings),
    ...monitorLikelihoods(
      'coreUseRatio',
      readings.map(({ coreUsePercent }) => coreUsePercent),
    ),
    ...monitorLikelihoods(
      'memoryRatio',
      readings.map(({ memoryUsePercent }) => memoryUsePercent),
    ),
    ...standLikelihoods(readings),
    ...feelLikelihoods(rateName, readings, targetFps),
    ...judgementLikelihoods(readings, complaint),
  ];
}

/**
 * All that readings say. Those of one set-up are taken together: the model errs alike for each of them, so ten readings
 * of one set-up must not weigh as much as one of each of ten.
 */
export function listReadingEvidence(
  readings: readonly Reading[],
  targetFps: number,
  complaint: Complaint,
): readonly Evidence[] {
  const ofOneSetup = groups(readings, ({ fixes, moment }) => `${keyOfFixes(fixes)} ${moment}`);
  return ofOneSetup.flatMap(([key, taken]) => {
    const [{ fixes, moment }] = taken as readonly Reading[] as readonly [Reading];
    const group = { fixes, moment, readings: taken };
    return likelihoodsOf(group, targetFps, complaint).map((likelihood) => ({
      ...likelihood,
      key: `${key} ${likelihood.key}`,
      fixes,
      source: { kind: 'readings' as const, fixes, moment },
    }));
  });
}
