import { medianOf, percentileOfSorted } from '../numbers/percentile';

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
/** New pictures and repeats are told apart in windows of this length, one every step. */
const windowMs = 1000;
const stepMs = 250;
/** Two groups of changes this many times apart are new pictures and repeats. */
const leastContrast = 3;
/** What is under this share of a window's upper tenth is taken as one. */
const repeatRatio = 0.04;
/** Lines are taken from windows so near. */
const reachMs = 2500;
/** A change within this factor of the dividing line could be either. */
const doubtfulFactor = 1.3;
/**
 * A change or a few in a row, alone in a still stretch and this much smaller than usual, are the recorder writing the
 * picture anew: a key frame, and what refines it. One that could be either weighs more than others in doubt: taken
 * wrongly, it makes a freeze or ends one.
 */
const lone = { quietMs: 280, ratio: 0.3, doubtfulFactor: 2, weight: 3, mostInRow: 3, rowMs: 60 } as const;

interface Division {
  /** Half-way between the two groups, in logarithms. */
  readonly line: number;
  readonly contrast: number;
  readonly upper: number;
}

/**
 * The line that makes two groups most alike within themselves (Otsu 1979), on sorted logarithms; where they part is
 * chosen with what lies under `floor` taken as equal.
 */
function divide(order: ArrayLike<number>, floor: number): Division {
  const count = order.length;
  const raised = (i: number): number => Math.max(floor, order[i] as number);
  let total = 0;
  for (let i = 0; i < count; i++) total += raised(i);
  let below = 0;
  let most = -1;
  let at = 1;
  for (let i = 1; i < count; i++) {
    below += raised(i - 1);
    const gap = (total - below) / (count - i) - below / i;
    const between = i * (count - i) * gap * gap;
    if (between > most) {
      most = between;
      at = i;
    }
  }
  let lower = 0;
  let upper = 0;
  for (let i = 0; i < count; i++)
    if (i < at) lower += (order[i] as number) / at;
    else upper += (order[i] as number) / (count - at);
  return { line: (lower + upper) / 2, contrast: Math.exp(upper - lower), upper };
}

/** First index whose time is not before `ms`. */
function firstFrom(timesMs: ArrayLike<number>, ms: number): number {
  let [low, high] = [0, timesMs.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((timesMs[middle] as number) < ms) low = middle + 1;
    else high = middle;
  }
  return low;
}

interface Window extends Division {
  readonly atMs: number;
}

/** Windows in which two groups stand apart. */
function listWindows(logs: Float64Array, timesMs: ArrayLike<number>): readonly Window[] {
  const windows: Window[] = [];
  const endMs = timesMs[timesMs.length - 1] as number;
  for (let atMs = (timesMs[0] as number) + windowMs / 2; atMs <= endMs; atMs += stepMs) {
    const from = Math.max(1, firstFrom(timesMs, atMs - windowMs / 2));
    const inside = logs.slice(from, firstFrom(timesMs, atMs + windowMs / 2)).sort();
    if (inside.length < 6) continue;
    // Still frames and those that a recorder re-draws are repeats alike: both are far below a window's own upper tenth.
    const floor = percentileOfSorted(inside, 0.9) + Math.log(repeatRatio);
    const division = divide(inside, floor);
    if (division.contrast >= leastContrast) windows.push({ ...division, atMs });
  }
  if (windows.length === 0) return [];
  // A window in which nothing moves still divides its noise: its upper group is far below what others call new.
  const usual = medianOf(windows.map(({ upper }) => upper));
  return windows.filter(({ upper }) => upper > usual + Math.log(lone.ratio) - 1);
}

/** Windows to either side of a frame among which its nearest are: no more begin within half a window's length. */
const mostNear = 1 + windowMs / stepMs;

/** The line at each frame: the middle of those of the windows near it. O(frames), because windows stand in order. */
function linesAt(windows: readonly Window[], timesMs: ArrayLike<number>): Float64Array {
  const lines = new Float64Array(timesMs.length);
  const windowTimesMs = windows.map(({ atMs }) => atMs);
  for (let i = 0; i < lines.length; i++) {
    const atMs = timesMs[i] as number;
    const middle = firstFrom(windowTimesMs, atMs);
    const byDistance = windows
      .slice(Math.max(0, middle - mostNear), middle + mostNear)
      .map(({ line, atMs: windowAtMs }) => ({ line, distanceMs: Math.abs(windowAtMs - atMs) }))
      .sort((a, b) => a.distanceMs - b.distanceMs);
    const near = byDistance.filter(({ distanceMs }, k) => k < 3 || distanceMs <= windowMs / 2);
    lines[i] = medianOf(near.filter(({ distanceMs }, k) => k === 0 || distanceMs <= reachMs).map(({ line }) => line));
  }
  return lines;
}

/** A change right after a new picture, this much smaller than it and than the next, is the recorder finishing it. */
const finishingRatio = 0.25;

/** A new picture this much smaller than most, and so much sooner after or before another than most, is out of step. */
const outOfStep = { changeRatio: 0.4, frames: 1, leastUsualFrames: 3 } as const;

/** How many new pictures could be a recorder's key frame that writes the one beside it anew. */
function countOutOfStep(newAt: readonly number[], logs: Float64Array): number {
  const { changeRatio, frames, leastUsualFrames } = outOfStep;
  if (newAt.length < 3) return 0;
  const framesTo = (k: number): number => (newAt[k + 1] as number) - (newAt[k] as number);
  if (medianOf(newAt.slice(1).map((_, k) => framesTo(k))) < leastUsualFrames) return 0;
  const limit = medianOf(newAt.map((i) => logs[i] as number)) + Math.log(changeRatio);
  return newAt.filter(
    (i, k) => (logs[i] as number) < limit && (framesTo(k) <= frames || (k > 0 && framesTo(k - 1) <= frames)),
  ).length;
}

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

/** Takes out what only finishes a picture that has come already. */
const withoutFinishing = (newAt: readonly number[], logs: Float64Array): readonly number[] =>
  newAt.filter((i, k) => {
    const [before, next] = [newAt[k - 1], newAt[k + 1]];
    if (before !== i - 1 || next === undefined) return true;
    const own = (logs[i] as number) - Math.log(finishingRatio);
    return own > (logs[before] as number) || own > (logs[next] as number);
  });

/** New pictures in rows: each begins where the one before is longer ago than from one recorded frame to the next few. */
function listRows(newAt: readonly number[], timesMs: ArrayLike<number>): readonly (readonly number[])[] {
  const rows: number[][] = [];
  let lastMs = Number.NEGATIVE_INFINITY;
  for (const i of newAt) {
    const atMs = timesMs[i] as number;
    if (atMs - lastMs > lone.rowMs) rows.push([i]);
    else rows.at(-1)?.push(i);
    lastMs = atMs;
  }
  return rows;
}

/** New pictures without lone small changes in still stretches; and how many lone ones could be either. */
function withoutLone(
  newAt: readonly number[],
  logs: Float64Array,
  timesMs: ArrayLike<number>,
): { readonly newAt: readonly number[]; readonly doubtfulCount: number } {
  if (newAt.length < 3) return { newAt, doubtfulCount: 0 };
  const limit = medianOf(newAt.map((i) => logs[i] as number)) + Math.log(lone.ratio);
  const rows = listRows(newAt, timesMs);
  const timeOf = (i: number | undefined, otherwise: number): number =>
    i === undefined ? otherwise : (timesMs[i] as number);
  let doubtfulCount = 0;
  const kept = rows.filter((row, k) => {
    if (row.length > lone.mostInRow) return true;
    const sinceMs = timeOf(row[0], 0) - timeOf(rows[k - 1]?.at(-1), Number.NEGATIVE_INFINITY);
    const untilMs = timeOf(rows[k + 1]?.[0], Number.POSITIVE_INFINITY) - timeOf(row.at(-1), 0);
    if (Math.min(sinceMs, untilMs) <= lone.quietMs) return true;
    const over = Math.max(...row.map((i) => logs[i] as number)) - limit;
    if (Math.abs(over) < Math.log(lone.doubtfulFactor)) doubtfulCount++;
    return over >= 0;
  });
  return { newAt: kept.flat(), doubtfulCount };
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
  const windows = count < 8 ? [] : listWindows(logs, timesMs);
  // One group only, so that nothing tells repeats.
  if (windows.length === 0)
    return {
      newAt: listChanged(changes),
      doubtfulRatio: 0,
      contrast: 1,
      isFreezeDoubtful: false,
      strongestChange,
      repeatChange: 0,
    };
  const lines = linesAt(windows, timesMs);
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
  const { newAt, doubtfulCount: doubtfulLoneCount } = withoutLone(withoutFinishing(above, logs), logs, timesMs);
  const newChanges = newAt.map((i) => changes[i] as number);
  const isNew = new Set(newAt);
  const takenOut = above.filter((i) => !isNew.has(i)).map((i) => changes[i] as number);
  doubtfulCount +=
    lone.weight * doubtfulLoneCount +
    countOutOfStep(newAt, logs) +
    standingOut.weight * countStandingOut(repeatChanges, takenOut, newChanges);
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
