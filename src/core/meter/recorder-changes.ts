import { binomialTail } from '../numbers/binomial';
import { medianOf } from '../numbers/percentile';

/**
 * A change or a few in a row, alone in a still stretch and this much smaller than usual, are the recorder writing the
 * picture anew: a key frame, and what refines it. One that could be either weighs more than others in doubt: taken
 * wrongly, it makes a freeze or ends one.
 */
export const lone = { quietMs: 280, ratio: 0.3, doubtfulFactor: 2, weight: 3, mostInRow: 3, rowMs: 60 } as const;

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

/** Takes out what only finishes a picture that has come already. */
const withoutFinishing = (newAt: readonly number[], logs: Float64Array): readonly number[] =>
  newAt.filter((i, k) => {
    const [before, next] = [newAt[k - 1], newAt[k + 1]];
    if (before !== i - 1) return true;
    const own = (logs[i] as number) - Math.log(finishingRatio);
    return own > (logs[before] as number) || (next !== undefined && own > (logs[next] as number));
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

/**
 * A recorder's key frames come at even distances from the first frame; each, or the frame after it, shows a change of its
 * own, out of step with the new pictures. A distance is believed where most of its places have such a change, and luck
 * would put as many there once in ten thousand times.
 */
const keyFrames = {
  changeRatio: 0.6,
  inStep: [0.75, 1.5],
  leastFrames: 10,
  mostFrames: 300,
  leastCount: 3,
  leastRatio: 0.5,
  mostLuck: 1e-4,
} as const;

/** New pictures that are smaller than most, and do not come when one would be due. */
function listStrays(newAt: readonly number[], logs: Float64Array): ReadonlySet<number> {
  const limit = medianOf(newAt.map((i) => logs[i] as number)) + Math.log(keyFrames.changeRatio);
  const framesTo = (k: number): number =>
    (newAt[k] ?? Number.POSITIVE_INFINITY) - (newAt[k - 1] ?? Number.NEGATIVE_INFINITY);
  const usual = medianOf(newAt.slice(1).map((_, k) => framesTo(k + 1)));
  const [least, most] = keyFrames.inStep;
  const isDue = (frames: number): boolean => frames >= least * usual && frames <= most * usual;
  return new Set(
    newAt.filter((i, k) => (logs[i] as number) < limit && !(isDue(framesTo(k)) && isDue(framesTo(k + 1)))),
  );
}

/** The small changes at the recorder's own key frames. O(frames · logarithm of the distances tried). */
function listKeyFrames(newAt: readonly number[], logs: Float64Array): ReadonlySet<number> {
  const { leastFrames, mostFrames, leastCount, leastRatio, mostLuck } = keyFrames;
  if (newAt.length < leastCount) return new Set();
  const strays = listStrays(newAt, logs);
  const chance = Math.min(1, (2 * strays.size) / logs.length);
  let everyFrames = Number.POSITIVE_INFINITY;
  let luck: number = mostLuck;
  for (let every = leastFrames; every <= mostFrames; every++) {
    let [hits, count] = [0, 0];
    for (let i = every; i < logs.length; i += every) {
      count++;
      if (strays.has(i) || strays.has(i + 1)) hits++;
    }
    if (hits < Math.max(leastCount, leastRatio * count)) continue;
    const own = binomialTail(count, hits, chance);
    if (own >= luck) continue;
    everyFrames = every;
    luck = own;
  }
  return new Set([...strays].filter((i) => i >= everyFrames && i % everyFrames <= 1));
}

/** Rows to either side of one among which it is small or not: in a fade, all that is near is small. */
const nearRows = 3;

/** New pictures without lone small changes in still stretches; and how many lone ones could be either. */
function withoutLone(
  newAt: readonly number[],
  logs: Float64Array,
  timesMs: ArrayLike<number>,
): { readonly newAt: readonly number[]; readonly doubtfulCount: number } {
  const rows = listRows(newAt, timesMs);
  if (rows.length < 2) return { newAt, doubtfulCount: 0 };
  const limitAt = (k: number): number => {
    const near = [...rows.slice(Math.max(0, k - nearRows), k), ...rows.slice(k + 1, k + 1 + nearRows)];
    return medianOf(near.flat().map((i) => logs[i] as number)) + Math.log(lone.ratio);
  };
  const timeOf = (i: number | undefined, otherwise: number): number =>
    i === undefined ? otherwise : (timesMs[i] as number);
  let doubtfulCount = 0;
  const kept = rows.filter((row, k) => {
    if (row.length > lone.mostInRow) return true;
    const sinceMs = timeOf(row[0], 0) - timeOf(rows[k - 1]?.at(-1), Number.NEGATIVE_INFINITY);
    const untilMs = timeOf(rows[k + 1]?.[0], Number.POSITIVE_INFINITY) - timeOf(row.at(-1), 0);
    // The very first frames finish the picture with which the recording begins.
    const isBeginning = k === 0 && timeOf(row[0], 0) - (timesMs[0] as number) < 2 * lone.rowMs;
    if (!isBeginning && Math.min(sinceMs, untilMs) <= lone.quietMs) return true;
    const over = Math.max(...row.map((i) => logs[i] as number)) - limitAt(k);
    if (!isBeginning && Math.abs(over) < Math.log(lone.doubtfulFactor)) doubtfulCount++;
    return over >= 0;
  });
  return { newAt: kept.flat(), doubtfulCount };
}

/** New pictures, without what a recorder changed by itself. */
export interface WithoutRecorder {
  readonly newAt: readonly number[];
  /** Taken out for sure: at its key frames. */
  readonly keyAt: ReadonlySet<number>;
  /** How many of the others, left or taken out, could as well be the other, each as often as it weighs. */
  readonly doubtfulCount: number;
}

/** New pictures among the frames that changed, without what a recorder changed by itself. */
export function withoutRecorder(
  changedAt: readonly number[],
  logs: Float64Array,
  timesMs: ArrayLike<number>,
): WithoutRecorder {
  const finished = withoutFinishing(changedAt, logs);
  const keyAt = listKeyFrames(finished, logs);
  const { newAt, doubtfulCount } = withoutLone(
    finished.filter((i) => !keyAt.has(i)),
    logs,
    timesMs,
  );
  return { newAt, keyAt, doubtfulCount: lone.weight * doubtfulCount + countOutOfStep(newAt, logs) };
}
