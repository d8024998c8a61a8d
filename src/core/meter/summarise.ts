import { percentileOfSorted } from '../numbers/percentile';
import { fail, type Result, succeed } from '../result';
import {
  comesInPairs,
  filmedTellableRatio,
  isLongestFreezeUneven,
  mostFilmedChangedRatio,
  withoutBlends,
} from './filmed';
import { countFreezes, rateBetweenFreezes } from './freezes';
import { type NewPictures, tellNewInExact, tellNewPictures } from './tell-new';
import type { Confidence, ConfidenceReason, MeterFailure, MeterResult } from './types';

/** Above this share of the recorded rate, new pictures fall between its frames. */
const tellableRatio = 0.85;
/**
 * The same where frames are stored in another order than shown (B-frames): a recorder may then blend one picture over
 * the frames beside it, and with few repeats between them nothing tells.
 */
const reorderedRatio = 0.7;
/** Changes below this, in grey levels, are no movement. */
const leastMovement = 0.5;
/** The same where nothing but the picture itself can change its pixels. */
const leastExactMovement = 0.1;
const leastMs = 1000;
/** The frames that came quickest, as a share of all. */
const quickestRatio = 0.05;
/** A rate above this share of the clip's own is the clip's. */
const wholeRatio = 0.97;
/** The rate has settled when a second shows this share of what the later part does. */
const settledRatio = 0.9;

/** What results are relied on by; weighed on recordings of bench:meter that were made for tuning, the doubt also on its draws 31 and 32. */
const limits = {
  fewPictures: 12,
  faintChange: 1.2,
  repeatChange: 1.5,
  doubtfulRatio: 0.02,
  contrast: 5,
} as const;

/** How many times fall into each stretch of `ms` that begins at one of them. */
function countsAfter(timesMs: readonly number[], ms: number): readonly number[] {
  let to = 0;
  return timesMs.map((atMs, from) => {
    to = Math.max(to, from);
    while (to + 1 < timesMs.length && (timesMs[to + 1] as number) <= atMs + ms) to++;
    return to - from;
  });
}

const rateOf = (timesMs: readonly number[]): number => {
  const [first, last] = [timesMs[0] as number, timesMs.at(-1) as number];
  return last > first ? ((timesMs.length - 1) * 1000) / (last - first) : 0;
};

/** The rate that the longest hundredth of the intervals would make, the longest one at least. */
export function worstOnePercentFps(intervalsMs: readonly number[]): number {
  const order = Float64Array.from(intervalsMs).sort();
  const worst = order.slice(-Math.max(1, Math.floor(order.length / 100)));
  return (1000 * worst.length) / worst.reduce((sum, ms) => sum + ms, 0);
}

/** Rates of every whole second that begins with a new picture, and when it begins. */
function listSeconds(timesMs: readonly number[]): readonly { readonly atMs: number; readonly fps: number }[] {
  const lastMs = timesMs.at(-1) as number;
  return countsAfter(timesMs, 1000).flatMap((fps, i) => {
    const atMs = timesMs[i] as number;
    return atMs + 1000 <= lastMs ? [{ atMs, fps }] : [];
  });
}

/** The rate of the later part, and when seconds begin to come near it. */
function settlingOf(timesMs: readonly number[], seconds: ReturnType<typeof listSeconds>) {
  const firstMs = timesMs[0] as number;
  const middleMs = (firstMs + (timesMs.at(-1) as number)) / 2;
  const later = timesMs.filter((atMs) => atMs >= middleMs);
  const settledFps = later.length > 2 ? rateOf(later) : rateOf(timesMs);
  const settled = seconds.find(({ fps }) => fps >= settledRatio * settledFps - 1);
  return { settledFps, settledAfterMs: settled ? settled.atMs - firstMs : 0 };
}

/** How near the rate is to all that could have been seen. */
interface Nearness {
  /** To the rate that was recorded, or that sharing was asked for. */
  readonly isNearMost: boolean;
  /** In a shared window, next to no frame came without a new picture, and the clip has more of them. */
  readonly isOftenAsShared: boolean;
}

function judge(
  { doubtfulRatio, contrast, isFreezeDoubtful, strongestChange, repeatChange, newAt }: NewPictures,
  { isExact, isNeverStill }: { readonly isExact: boolean; readonly isNeverStill: boolean },
  { isNearMost, isOftenAsShared }: Nearness,
): { readonly confidence: Confidence; readonly reason: ConfidenceReason } {
  if (!isExact && (isNeverStill || comesInPairs(newAt))) return { confidence: 'low', reason: 'looks-filmed' };
  if (repeatChange > limits.repeatChange) return { confidence: 'low', reason: 'strong-compression' };
  if (!isExact && strongestChange < limits.faintChange) return { confidence: 'low', reason: 'faint-movement' };
  if (newAt.length < limits.fewPictures) return { confidence: 'low', reason: 'few-pictures' };
  // With next to no repeats there is nothing to hold new pictures against: a recorder may have spread one picture over
  // several frames. A shared window is sent as it is shown.
  if (isNearMost) return { confidence: isExact ? 'medium' : 'low', reason: 'at-recorded-rate' };
  if (isOftenAsShared) return { confidence: 'medium', reason: 'as-often-as-shared' };
  return doubtfulRatio <= limits.doubtfulRatio && contrast >= limits.contrast && !isFreezeDoubtful
    ? { confidence: 'high', reason: 'clear' }
    : { confidence: 'low', reason: 'unclear-changes' };
}

/** A camera's noise and what lies over each other leave doubt in every picture: never more than fairly sure. */
function judgeFilmed(
  { contrast, isFreezeDoubtful, newAt }: NewPictures,
  isAtLeast: boolean,
  isFreezeUneven: boolean,
): { readonly confidence: Confidence; readonly reason: ConfidenceReason } {
  if (newAt.length < limits.fewPictures) return { confidence: 'low', reason: 'few-pictures' };
  const isClear = contrast >= limits.contrast && !isFreezeDoubtful && !isFreezeUneven && !isAtLeast;
  return { confidence: isClear ? 'medium' : 'low', reason: 'filmed' };
}

/** What of a recording is known beside its frames. */
export interface SummaryOptions {
  /** The rate of the clip that plays. */
  readonly clipFps?: number;
  /** The most frames a second that the recording can hold; without it, what it mostly holds. */
  readonly ceilingFps?: number;
  /** Whether the frames come as they were shown, and only when something changes: shared, not recorded. */
  readonly isExact?: boolean;
  /** Whether the recording stores its frames in another order than it shows them. */
  readonly isReordered?: boolean;
  /** Whether a camera filmed the screen, so that pictures may lie over each other. */
  readonly isFilmed?: boolean;
  /** Whether all of the window differs from frame to frame, as where a camera has filmed it. */
  readonly isNeverStill?: boolean;
  /** How long the stretch was measured, where no frame need mark its end. */
  readonly measuredMs?: number;
}

/**
 * The result of a stretch of frames, from how far each differs from the one before (ChangeMeasure) and when it was
 * taken. What comes before the first and after the last new picture does not count.
 */
export function summariseChanges(
  changes: ArrayLike<number>,
  timesMs: readonly number[],
  {
    clipFps,
    ceilingFps,
    isExact = false,
    isReordered = false,
    isFilmed = false,
    isNeverStill = false,
    measuredMs,
  }: SummaryOptions = {},
): Result<MeterResult, MeterFailure> {
  const startMs = timesMs[0] ?? 0;
  const durationMs = measuredMs ?? (timesMs.at(-1) ?? 0) - startMs;
  if (durationMs < leastMs || (!isExact && timesMs.length < 8)) return fail({ code: 'too-short', durationMs, leastMs });
  const told = isExact ? tellNewInExact(changes, timesMs) : tellNewPictures(changes, timesMs);
  const { strongestChange } = told;
  const newAt = isFilmed ? withoutBlends(told.newAt) : told.newAt;
  if (strongestChange < (isExact ? leastExactMovement : leastMovement))
    return fail({ code: 'not-enough-movement', strongestChange });
  if (isFilmed && (newAt.length < 3 || told.newAt.length > mostFilmedChangedRatio * timesMs.length))
    return fail({ code: 'filmed-unclear' });
  if (newAt.length < 3) return fail({ code: 'not-enough-movement', strongestChange });
  const newMs = newAt.map((i) => timesMs[i] as number);
  const intervalsMs = newMs.slice(1).map((atMs, i) => atMs - (newMs[i] as number));
  const frameMs = Float64Array.from(timesMs.slice(1), (atMs, i) => atMs - (timesMs[i] as number)).sort();
  const shownFps = rateOf(newMs);
  // A shared window sends frames only when something changes: the quickest show what it can send for sure.
  const seenFps = 1000 / percentileOfSorted(frameMs, isExact ? quickestRatio : 0.5);
  const betweenFps = rateBetweenFreezes(intervalsMs);
  const nearRatio = betweenFps / (ceilingFps ?? (isExact ? Number.POSITIVE_INFINITY : seenFps));
  const isAtLeast = nearRatio > (isFilmed ? filmedTellableRatio : tellableRatio);
  const isWhole = clipFps !== undefined && shownFps >= wholeRatio * clipFps;
  const order = Float64Array.from(intervalsMs).sort();
  const deadlineMs = clipFps ? 1000 / clipFps : percentileOfSorted(order, 0.5);
  const seconds = listSeconds(newMs);
  const spanMs = (newMs.at(-1) as number) - (newMs[0] as number);
  return succeed({
    shownFps,
    isAtLeast,
    slowestSecondFps: seconds.reduce((least, { fps }) => Math.min(least, fps), shownFps),
    worstOnePercentFps: worstOnePercentFps(intervalsMs),
    longestFreezeMs: order[order.length - 1] as number,
    freezesPerMinute: (countFreezes(intervalsMs) * 60_000) / spanMs,
    startDelayMs: (newMs[0] as number) - startMs,
    ...settlingOf(newMs, seconds),
    deadlineMs,
    ...(isFilmed
      ? judgeFilmed(told, isAtLeast, isLongestFreezeUneven(newAt, changes))
      : judge(
          told,
          { isExact, isNeverStill },
          {
            isNearMost: isReordered ? nearRatio > reorderedRatio : isAtLeast,
            isOftenAsShared: isExact && !isWhole && betweenFps > tellableRatio * seenFps,
          },
        )),
    intervalsMs,
  });
}
