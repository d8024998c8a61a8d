import { medianOrNull } from '../numbers/percentile';
import { fail, type Result } from '../result';
import { type CompareFailure, compareReadings, type ReadingChange, type ReadingPool, usualRateOf } from './compare';
import { countFreezes } from './freezes';
import { meterSpreadOf } from './spread';
import { summariseChanges, worstOnePercentFps } from './summarise';
import { leastChange } from './tell-new';
import { confidences, type MeterResult } from './types';

/** The frames of a window that was watched: how far each differs from the one before it (ChangeMeasure), and when it came. */
export interface ChangeCourse {
  readonly changes: readonly number[];
  /** Rising, by the same clock as the presses. */
  readonly timesMs: readonly number[];
}

/** Somebody switched a setting to and fro: how it was at first, and as it is with the change. */
export const watchedSetups = ['as-before', 'changed'] as const;
export type WatchedSetup = (typeof watchedSetups)[number];

/** From here on the other set-up stood. */
export interface SwitchPress {
  readonly atMs: number;
  readonly to: WatchedSetup;
}

/** What is to be cut. */
export interface WatchedRun {
  readonly course: ChangeCourse;
  readonly startMs: number;
  readonly endMs: number;
  /** The set-up that it began with. */
  readonly first: WatchedSetup;
  readonly presses: readonly SwitchPress[];
  readonly clipFps: number;
  /** The most frames a second that sharing gives; null where the browser does not say. */
  readonly ceilingFps: number | null;
}

/** One set-up, played for a while without a press. */
export interface Stretch {
  readonly setup: WatchedSetup;
  readonly fromMs: number;
  readonly toMs: number;
  readonly result: MeterResult;
}

export interface CutRun {
  readonly stretches: readonly Stretch[];
  /** How many were too short, or showed too few new pictures to say anything. */
  readonly leftOutCount: number;
}

/**
 * What is left out around a press. Nobody presses in the very moment: the hand goes from one program to the other, and
 * the editor needs a moment to play by the new setting. Where playing stands still meanwhile, all of that goes too.
 * The beginning is left out as what follows a press is: an editor, and a browser that begins to share, need that moment too.
 */
const aroundPress = { beforeMs: 1500, afterMs: 2000, stillMs: 1000, stillIntervals: 4, settleMs: 500 } as const;
/** A shorter stretch says nothing, nor does one with fewer intervals: comparing wants as many. */
const least = { stretchMs: 2500, intervals: 8 } as const;

interface Span {
  readonly fromMs: number;
  readonly toMs: number;
}

/** Times between one new picture and the next. */
function listGaps({ changes, timesMs }: ChangeCourse): readonly Span[] {
  const newMs = timesMs.filter((_, i) => i > 0 && (changes[i] as number) > leastChange);
  return newMs.slice(1).map((toMs, i) => ({ fromMs: newMs[i] as number, toMs }));
}

const usualMsOf = (gaps: readonly Span[]): number => medianOrNull(gaps.map(({ fromMs, toMs }) => toMs - fromMs)) ?? 0;

/**
 * What is left out around a press at `atMs`, longer where playing stood still in it. A slow preview does not stand still:
 * a stop is long beside what is usual on either side of the press, up to the next.
 */
function leftOutAround(atMs: number, gaps: readonly Span[], previousMs: number, nextMs: number): Span {
  const before = gaps.filter(({ fromMs, toMs }) => fromMs >= previousMs && toMs <= atMs);
  const after = gaps.filter(({ fromMs, toMs }) => fromMs >= atMs && toMs <= nextMs);
  const usualMs = Math.max(usualMsOf(before), usualMsOf(after));
  const stillMs = Math.max(aroundPress.stillMs, aroundPress.stillIntervals * usualMs);
  let out: Span = { fromMs: atMs - aroundPress.beforeMs, toMs: atMs + aroundPress.afterMs };
  for (const { fromMs, toMs } of gaps)
    if (toMs - fromMs > stillMs && fromMs < out.toMs && toMs > out.fromMs)
      out = { fromMs: Math.min(out.fromMs, fromMs), toMs: Math.max(out.toMs, toMs + aroundPress.settleMs) };
  return out;
}

/** What the frames of one stretch show; null where that says nothing. */
function measureStretch(run: WatchedRun, setup: WatchedSetup, { fromMs, toMs }: Span): Stretch | null {
  if (toMs - fromMs < least.stretchMs) return null;
  const { changes, timesMs } = run.course;
  const within = timesMs.flatMap((atMs, i) => (atMs >= fromMs && atMs <= toMs ? [i] : []));
  const result = summariseChanges(
    within.map((i, k) => (k === 0 ? 0 : (changes[i] as number))),
    within.map((i) => timesMs[i] as number),
    {
      clipFps: run.clipFps,
      isExact: true,
      measuredMs: toMs - fromMs,
      ...(run.ceilingFps === null ? {} : { ceilingFps: run.ceilingFps }),
    },
  );
  if (!result.ok || result.value.intervalsMs.length < least.intervals) return null;
  return { setup, fromMs, toMs, result: result.value };
}

/** Cuts a run at the presses, leaves out its beginning and what is around them, and measures the rest. O(presses · frames). */
export function cutStretches(run: WatchedRun): CutRun {
  const gaps = listGaps(run.course);
  const began = [{ atMs: run.startMs, to: run.first }, ...run.presses];
  const outs = began.map(({ atMs }, i) =>
    leftOutAround(atMs, gaps, began[i - 1]?.atMs ?? run.startMs, began[i + 1]?.atMs ?? run.endMs),
  );
  const spans = began.map(({ to }, i) => ({
    setup: to,
    fromMs: (outs[i] as Span).toMs,
    toMs: outs[i + 1]?.fromMs ?? run.endMs,
  }));
  const stretches = spans.flatMap(({ setup, ...span }) => measureStretch(run, setup, span) ?? []);
  return { stretches, leftOutCount: spans.length - stretches.length };
}

/** Stretches of one set-up as one measurement: as sure as the least sure of them. */
export function mergeStretches(stretches: readonly Stretch[]): MeterResult {
  const results = stretches.map(({ result }) => result);
  const [first, ...others] = results;
  if (!first) throw new Error('mergeStretches: no stretch');
  if (others.length === 0) return first;
  const intervalsMs = results.flatMap((result) => result.intervalsMs);
  const playedMs = intervalsMs.reduce((sum, ms) => sum + ms, 0);
  const shownFps = (1000 * intervalsMs.length) / playedMs;
  const leastSure = results.reduce((lowest, result) =>
    confidences.indexOf(result.confidence) > confidences.indexOf(lowest.confidence) ? result : lowest,
  );
  return {
    ...first,
    shownFps,
    isAtLeast: results.some(({ isAtLeast }) => isAtLeast),
    slowestSecondFps: Math.min(...results.map(({ slowestSecondFps }) => slowestSecondFps)),
    worstOnePercentFps: worstOnePercentFps(intervalsMs),
    longestFreezeMs: Math.max(...intervalsMs),
    freezesPerMinute: (countFreezes(intervalsMs) * 60_000) / playedMs,
    settledFps: shownFps,
    confidence: leastSure.confidence,
    reason: leastSure.reason,
    intervalsMs,
  };
}

const poolOf = (stretches: readonly Stretch[], scaleOf: (stretch: Stretch) => number = () => 1): ReadingPool =>
  stretches.map((stretch) => {
    const { intervalsMs, shownFps, isAtLeast } = stretch.result;
    const scale = scaleOf(stretch);
    return {
      intervalsMs: scale === 1 ? intervalsMs : intervalsMs.map((ms) => ms * scale),
      shownFps: shownFps / scale,
      kind: {},
      isAtLeast,
      meterSpread: meterSpreadOf(stretch.result),
    };
  });

const middleMs = ({ fromMs, toMs }: Span): number => (fromMs + toMs) / 2;
const meanMs = (stretches: readonly Span[]): number =>
  stretches.reduce((sum, stretch) => sum + middleMs(stretch), 0) / stretches.length;

/** How the logarithm of the rate moved by itself, a millisecond; and the standard deviation of that. */
interface Drift {
  readonly perMs: number;
  readonly deviation: number;
}

/**
 * What moved by itself while somebody watched, as with a machine that warms up: told from stretches of one set-up at
 * different times (least squares with a level of its own for each set-up). Null where no set-up was played twice.
 */
function findDrift(groups: readonly (readonly Stretch[])[]): Drift | null {
  let squares = 0;
  let products = 0;
  let variance = 0;
  let count = 0;
  for (const group of groups) {
    const rates = group.map((stretch) => usualRateOf(poolOf([stretch])));
    const meanLog = rates.reduce((sum, { log }) => sum + log, 0) / rates.length;
    const groupMs = meanMs(group);
    group.forEach((stretch, i) => {
      const { log, deviation } = rates[i] as (typeof rates)[number];
      const sinceMs = middleMs(stretch) - groupMs;
      squares += sinceMs ** 2;
      products += sinceMs * (log - meanLog);
      variance += deviation ** 2;
      count++;
    });
  }
  return squares === 0 ? null : { perMs: products / squares, deviation: Math.sqrt(variance / count / squares) };
}

/** A drift that chance alone would hardly make is said. */
const clearDrift = 2;

/** What a run says of the change. */
export interface WatchVerdict {
  /** With the change, against as it was before; what moved by itself meanwhile is taken away where that can be told. */
  readonly change: Result<ReadingChange, CompareFailure | { readonly code: 'one-set-up' }>;
  /** Of each stretch, against the one before it; the first has none. */
  readonly steps: readonly (Result<ReadingChange, CompareFailure> | null)[];
  /** How the rate moved by itself over the run, as a share; null where that is not clear. */
  readonly driftRatio: number | null;
}

/** Whether the preview changed with the setting: of the whole run, and from stretch to stretch. */
export function compareStretches(stretches: readonly Stretch[]): WatchVerdict {
  const steps = stretches.map((stretch, i) => {
    const before = stretches[i - 1];
    return before ? compareReadings(poolOf([before]), poolOf([stretch])) : null;
  });
  const [before, changed] = watchedSetups.map((setup) => stretches.filter((stretch) => stretch.setup === setup));
  if (!before?.length || !changed?.length) return { change: fail({ code: 'one-set-up' }), steps, driftRatio: null };
  const drift = findDrift([before, changed]);
  if (!drift) return { change: compareReadings(poolOf(before), poolOf(changed)), steps, driftRatio: null };
  const centreMs = meanMs(stretches);
  const withoutDrift = (stretch: Stretch): number => Math.exp(drift.perMs * (middleMs(stretch) - centreMs));
  const openDrift = Math.abs(meanMs(changed) - meanMs(before)) * drift.deviation;
  const lengthMs = (stretches.at(-1) as Stretch).toMs - (stretches[0] as Stretch).fromMs;
  return {
    change: compareReadings(poolOf(before, withoutDrift), poolOf(changed, withoutDrift), { sharedSpread: openDrift }),
    steps,
    driftRatio: Math.abs(drift.perMs) > clearDrift * drift.deviation ? Math.expm1(drift.perMs * lengthMs) : null,
  };
}
