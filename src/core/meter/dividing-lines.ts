import { bisectLeft } from 'd3-array';
import { medianOf, percentileOfSorted } from '../numbers/percentile';

/** New pictures and repeats are told apart in windows of this length, one every step. */
const windowMs = 1000;
const stepMs = 250;
/** Two groups of changes this many times apart are new pictures and repeats. */
const leastContrast = 3;
/** What is under this share of the upper tenth is taken as one: still frames and those that a recorder re-draws are repeats alike. */
const repeatRatio = 0.04;
/** Lines are taken from windows so near. */
const reachMs = 2500;
/** A window whose new pictures change this much less than usual, in logarithms, divides its noise: nothing moves in it. */
const leastUpper = Math.log(0.3) - 1;
/**
 * Where two groups part, the changes next to each other are apart: this is worth so much of the share of the variance that
 * a division explains. Repeats are alike and new pictures are not, so that the variance alone would divide the new pictures
 * where there are few repeats. Weighed on the draws 21 to 23 of bench:meter, as are the figures of the valley.
 */
const gapWorth = { ofVariance: 0.6, most: 0.7 } as const;

interface Division {
  /** In the middle of the gap between the two groups, in logarithms. */
  readonly line: number;
  readonly contrast: number;
  readonly upper: number;
}

/**
 * The line between two groups on sorted logarithms: where what is explained of the variance (Otsu 1979) and the gap between
 * neighbours together are largest, with what lies under `floor` taken as equal.
 */
function divide(order: ArrayLike<number>, floor: number): Division {
  const count = order.length;
  const raised = (i: number): number => Math.max(floor, order[i] as number);
  let total = 0;
  let squares = 0;
  for (let i = 0; i < count; i++) {
    total += raised(i);
    squares += raised(i) ** 2;
  }
  const variance = squares / count - (total / count) ** 2;
  let below = 0;
  let most = -1;
  let at = 1;
  for (let i = 1; i < count; i++) {
    below += raised(i - 1);
    const between = (total - below) / (count - i) - below / i;
    const explained = variance > 1e-9 ? (i * (count - i) * between * between) / (count * count * variance) : 0;
    const worth = explained + gapWorth.ofVariance * Math.min(gapWorth.most, raised(i) - raised(i - 1));
    if (worth > most) {
      most = worth;
      at = i;
    }
  }
  let lower = 0;
  let upper = 0;
  for (let i = 0; i < count; i++)
    if (i < at) lower += (order[i] as number) / at;
    else upper += (order[i] as number) / (count - at);
  return { line: (raised(at - 1) + raised(at)) / 2, contrast: Math.exp(upper - lower), upper };
}

const floorOf = (order: Float64Array): number => percentileOfSorted(order, 0.9) + Math.log(repeatRatio);

interface Window extends Division {
  readonly atMs: number;
}

/** Windows in which two groups stand apart. */
function listWindows(logs: Float64Array, timesMs: ArrayLike<number>): readonly Window[] {
  const windows: Window[] = [];
  const endMs = timesMs[timesMs.length - 1] as number;
  for (let atMs = (timesMs[0] as number) + windowMs / 2; atMs <= endMs; atMs += stepMs) {
    const from = Math.max(1, bisectLeft(timesMs, atMs - windowMs / 2));
    const inside = logs.slice(from, bisectLeft(timesMs, atMs + windowMs / 2)).sort();
    if (inside.length < 6) continue;
    const division = divide(inside, floorOf(inside));
    if (division.contrast >= leastContrast) windows.push({ ...division, atMs });
  }
  if (windows.length === 0) return [];
  const usual = medianOf(windows.map(({ upper }) => upper));
  return windows.filter(({ upper }) => upper > usual + leastUpper);
}

/** Windows to either side of a frame among which its nearest are: no more begin within half a window's length. */
const mostNear = 1 + windowMs / stepMs;

/** The line at each frame: the middle of those of the windows near it. O(frames), because windows stand in order. */
function linesAt(windows: readonly Window[], timesMs: ArrayLike<number>): Float64Array {
  const lines = new Float64Array(timesMs.length);
  const windowTimesMs = windows.map(({ atMs }) => atMs);
  for (let i = 0; i < lines.length; i++) {
    const atMs = timesMs[i] as number;
    const middle = bisectLeft(windowTimesMs, atMs);
    const byDistance = windows
      .slice(Math.max(0, middle - mostNear), middle + mostNear)
      .map(({ line, atMs: windowAtMs }) => ({ line, distanceMs: Math.abs(windowAtMs - atMs) }))
      .sort((a, b) => a.distanceMs - b.distanceMs);
    const near = byDistance.filter(({ distanceMs }, k) => k < 3 || distanceMs <= windowMs / 2);
    lines[i] = medianOf(near.filter(({ distanceMs }, k) => k === 0 || distanceMs <= reachMs).map(({ line }) => line));
  }
  return lines;
}

/** A valley between two heaps of changes: how wide a change is smeared, in logarithms, and how deep and even it has to be. */
const valleyLimits = { step: 0.05, smear: 0.2, mostDepth: 0.05, floorDepth: 0.01, leastShare: 0.05 } as const;

/** How many changes lie at and near each step, counted with a bell's weight. */
function smearedCounts(counts: Float64Array): Float64Array {
  const { step, smear } = valleyLimits;
  const reach = Math.ceil((3 * smear) / step);
  return counts.map((_, i) => {
    let sum = 0;
    for (let k = Math.max(0, i - reach); k <= Math.min(counts.length - 1, i + reach); k++)
      sum += (counts[k] as number) * Math.exp(-0.5 * (((k - i) * step) / smear) ** 2);
    return sum;
  });
}

/**
 * The line through the emptiest place between two heaps, over all of a recording: where repeats are alike everywhere it is
 * surer than any second by itself. Null where no place is as good as empty.
 */
function findValley(logs: Float64Array): number | null {
  const { step, mostDepth, floorDepth, leastShare } = valleyLimits;
  const order = logs.slice(1).sort();
  const floor = floorOf(order);
  const counts = new Float64Array(Math.round(((order.at(-1) as number) - floor) / step) + 1);
  for (const value of order) {
    const at = Math.round((Math.max(floor, value) - floor) / step);
    counts[at] = (counts[at] as number) + 1;
  }
  const density = smearedCounts(counts);
  const mostAfter = new Float64Array(density.length);
  for (let i = density.length - 2; i >= 0; i--)
    mostAfter[i] = Math.max(mostAfter[i + 1] as number, density[i + 1] as number);
  let [below, mostBefore] = [0, 0];
  const depths = density.map((count, i) => {
    below += (counts[i] as number) / order.length;
    const depth = count / Math.min(mostBefore, mostAfter[i] as number);
    mostBefore = Math.max(mostBefore, count);
    return below >= leastShare && below <= 1 - leastShare ? depth : Number.POSITIVE_INFINITY;
  });
  const deepest = depths.reduce((least, depth) => Math.min(least, depth), Number.POSITIVE_INFINITY);
  if (deepest >= mostDepth) return null;
  // The middle of the floor, where a valley is wide.
  const isFloor = (i: number): boolean => (depths[i] as number) <= deepest + floorDepth;
  const from = depths.indexOf(deepest);
  let to = from;
  while (to + 1 < depths.length && isFloor(to + 1)) to++;
  return floor + ((from + to) / 2) * step;
}

/**
 * The line between new pictures and repeats at each frame; null where nothing parts them.
 *
 * @param logs logarithms of how far each frame differs from the one before; the first does not count
 * @param timesMs when each frame was taken, rising
 */
export function findLines(logs: Float64Array, timesMs: ArrayLike<number>): Float64Array | null {
  const windows = logs.length < 8 ? [] : listWindows(logs, timesMs);
  if (windows.length === 0) return null;
  const valley = findValley(logs);
  return valley === null ? linesAt(windows, timesMs) : new Float64Array(logs.length).fill(valley);
}
