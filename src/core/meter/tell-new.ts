import { medianOf, percentileOfSorted } from '../numbers/percentile';
import { findLines } from './dividing-lines';
import { lone, withoutRecorder } from './recorder-changes';

/** Which frames show a new picture, and how clearly they stand apart from those that do not. */
export interface NewPictures {
  /** Index of each frame that shows a new picture, in order; the first frame is none. */
  readonly newAt: readonly number[];
  /** Share of the new pictures about which it could as well be otherwise. */
  readonly doubtfulRatio: number;
  /** How many times more a new picture changes than the upper tenth of the repeats beside it. */
  readonly contrast: number;
  /** Whether something in or at the end of the longest freeze could be a picture as well, or else none. */
  readonly isFreezeDoubtful: boolean;
  /** What the strongest changes of the stretch come to, in grey levels. */
  readonly strongestChange: number;
  /** What a recorder changes in repeats at most, leaving out one in a hundred, in grey levels; 0 without repeats. */
  readonly repeatChange: number;
}

/** Less than this many grey levels is nothing that anybody sees, and no recorder keeps; nor is this share of the strongest. */
export const leastChange = 0.05;
const leastRatio = 0.008;
/** A change within this factor of the dividing line could be either. */
const doubtfulFactor = 1.3;

/**
 * A repeat that changed so much more than three quarters of the repeats did, and more than this share of what all but a
 * tenth of the new pictures did, could be a picture that hardly differs from the one before: a face at the turn of a
 * movement. Missed ones make freezes longer and rates lower, so each weighs more than others in doubt.
 */
const standingOut = { repeatFactor: 2.5, newRatio: 0.3, weight: 3 } as const;

/** How many repeats, and changes that were taken for a recorder finishing a picture, could be pictures that were missed. */
function countStandingOut(
  repeatChanges: readonly number[],
  takenOut: readonly number[],
  newChanges: readonly number[],
): number {
  if (repeatChanges.length === 0 || newChanges.length === 0) return 0;
  const usual = percentileOfSorted(Float64Array.from(repeatChanges).sort(), 0.75);
  const small = percentileOfSorted(Float64Array.from(newChanges).sort(), 0.1);
  const limit = Math.max(leastChange, standingOut.repeatFactor * usual, standingOut.newRatio * small);
  return [...repeatChanges, ...takenOut].filter((change) => change > limit).length;
}

/** Each frame that changes at all is a new picture. */
function listChanged(changes: ArrayLike<number>): readonly number[] {
  const newAt: number[] = [];
  for (let i = 1; i < changes.length; i++) if ((changes[i] as number) > leastChange) newAt.push(i);
  return newAt;
}

/** A preview that shows fewer new pictures a second than this is not told from a still one. */
const leastFps = 0.6;

/** What the strongest changes come to: as many as the slowest preview that is still told would have new pictures. */
function strongestOf(changes: ArrayLike<number>, timesMs: ArrayLike<number>): number {
  const count = changes.length;
  if (count < 2) return 0;
  const rest = Float64Array.from({ length: count - 1 }, (_, i) => changes[i + 1] as number).sort();
  const seconds = ((timesMs[count - 1] as number) - (timesMs[0] as number)) / 1000;
  return rest[Math.max(0, rest.length - Math.max(3, Math.floor(leastFps * seconds)))] as number;
}

/**
 * The same where frames come as they were shown, not through a recorder: what has not changed is the same to the last
 * pixel, and a frame that shows any change shows a new picture.
 */
export function tellNewInExact(changes: ArrayLike<number>, timesMs: ArrayLike<number>): NewPictures {
  const newAt = listChanged(changes);
  const strongestChange = strongestOf(changes, timesMs);
  return {
    newAt,
    doubtfulRatio: 0,
    contrast: Number.POSITIVE_INFINITY,
    isFreezeDoubtful: false,
    strongestChange,
    repeatChange: 0,
  };
}

/** What is looked at beside the longest freeze: a repeat that changed more than repeats do, a new picture that changed less. */
const freezeEdge = { repeatFactor: 1.25, newRatio: 0.75, leastMs: 700, usualCount: 3, pauseCount: 2 } as const;

/**
 * Whether the longest freeze could have been longer or shorter. Inside of it, a repeat that changed more than repeats
 * do may have been a picture; at either end, a small picture with a pause beyond it may have been the recorder's.
 */
function isFreezeDoubtful(
  newAt: readonly number[],
  changes: ArrayLike<number>,
  timesMs: ArrayLike<number>,
  repeatChange: number,
): boolean {
  if (newAt.length < 4) return false;
  const msBetween = (k: number): number =>
    (timesMs[newAt[k + 1] as number] as number) - (timesMs[newAt[k] as number] as number);
  let longest = 0;
  for (let k = 1; k < newAt.length - 1; k++) if (msBetween(k) > msBetween(longest)) longest = k;
  const [from, to] = [newAt[longest] as number, newAt[longest + 1] as number];
  for (let i = from + 1; i < to; i++)
    if ((changes[i] as number) > Math.max(leastChange, freezeEdge.repeatFactor * repeatChange)) return true;
  const usualMs = medianOf(newAt.slice(1).map((_, k) => msBetween(k)));
  const usualChange = medianOf(newAt.map((i) => changes[i] as number));
  const longMs = Math.max(freezeEdge.leastMs, freezeEdge.usualCount * usualMs);
  // A few pictures in a row at an end of the freeze, with a pause beyond them, all of them small.
  const isLoneAt = (k: number, step: 1 | -1): boolean => {
    let at = k;
    while (newAt[at + step] !== undefined && msBetween(step > 0 ? at : at - 1) <= lone.rowMs) at += step;
    const pauseMs = newAt[at + step] === undefined ? Number.POSITIVE_INFINITY : msBetween(step > 0 ? at : at - 1);
    if (Math.abs(at - k) >= lone.mostInRow || pauseMs < freezeEdge.pauseCount * usualMs) return false;
    const row = newAt.slice(Math.min(k, at), Math.max(k, at) + 1);
    return row.every((i) => (changes[i] as number) < freezeEdge.newRatio * usualChange);
  };
  return msBetween(longest) > longMs && (isLoneAt(longest, -1) || isLoneAt(longest + 1, 1));
}

/**
 * Tells new pictures from repeats by how far each frame differs from the one before. What that comes to differs between
 * recordings and within one, so it is learned as it goes: in each second two groups are looked for, and the line
 * between them holds for the frames near it.
 *
 * @param changes of each frame against the one before, the first being 0 (ChangeMeasure)
 * @param timesMs when each frame was taken, rising
 */
export function tellNewPictures(changes: ArrayLike<number>, timesMs: ArrayLike<number>): NewPictures {
  const count = changes.length;
  const strongestChange = strongestOf(changes, timesMs);
  const least = Math.max(leastChange, leastRatio * strongestChange);
  const logs = Float64Array.from({ length: count }, (_, i) => Math.log(Math.max(least, changes[i] as number)));
  const lines = findLines(logs, timesMs);
  // One group only, so that nothing tells repeats.
  if (lines === null)
    return {
      newAt: listChanged(changes),
      doubtfulRatio: 0,
      contrast: 1,
      isFreezeDoubtful: false,
      strongestChange,
      repeatChange: 0,
    };
  const above: number[] = [];
  const repeats: number[] = [];
  const repeatChanges: number[] = [];
  let doubtfulCount = 0;
  for (let i = 1; i < count; i++) {
    const over = (logs[i] as number) - (lines[i] as number);
    if (over > 0) above.push(i);
    else {
      repeats.push(over);
      repeatChanges.push(changes[i] as number);
    }
    if (Math.abs(over) < Math.log(doubtfulFactor)) doubtfulCount++;
  }
  const { newAt, keyAt, doubtfulCount: recorderCount } = withoutRecorder(above, logs, timesMs);
  const newChanges = newAt.map((i) => changes[i] as number);
  const isNew = new Set(newAt);
  const takenOut = above.filter((i) => !isNew.has(i) && !keyAt.has(i)).map((i) => changes[i] as number);
  doubtfulCount += recorderCount + standingOut.weight * countStandingOut(repeatChanges, takenOut, newChanges);
  // Where all was taken out again, nothing stands apart.
  const lift = newAt.length === 0 ? 0 : medianOf(newAt.map((i) => (logs[i] as number) - (lines[i] as number)));
  const repeatChange =
    repeatChanges.length === 0 ? 0 : percentileOfSorted(Float64Array.from(repeatChanges).sort(), 0.99);
  const upperRepeat = repeats.length === 0 ? 0 : percentileOfSorted(Float64Array.from(repeats).sort(), 0.9);
  return {
    newAt,
    doubtfulRatio: newAt.length === 0 ? 1 : Math.min(1, doubtfulCount / newAt.length),
    contrast: Math.exp(lift - upperRepeat),
    isFreezeDoubtful: isFreezeDoubtful(newAt, changes, timesMs, repeatChange),
    strongestChange,
    repeatChange,
  };
}
