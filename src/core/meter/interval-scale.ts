import { medianOf, percentileOfSorted } from '../numbers/percentile';

/** How intervals between new pictures are drawn, so that one long stop does not flatten all others. */
export interface IntervalScale {
  /** What is usual in this reading, in milliseconds. */
  readonly usualMs: number;
  /** Upper edge of the drawing, in milliseconds. */
  readonly topMs: number;
  /** How many intervals are longer than that, and the longest of all. */
  readonly overCount: number;
  readonly longestMs: number;
}

/** Room over what nineteen of twenty intervals take, and at least so many deadlines. */
const room = { overMost: 1.6, deadlines: 3 } as const;

/** The scale of a drawing of intervals. No intervals: three deadlines. O(n log n). */
export function scaleIntervals(intervalsMs: readonly number[], deadlineMs: number): IntervalScale {
  if (intervalsMs.length === 0)
    return { usualMs: deadlineMs, topMs: room.deadlines * deadlineMs, overCount: 0, longestMs: 0 };
  const sorted = Float64Array.from(intervalsMs).sort();
  const longestMs = sorted[sorted.length - 1] as number;
  const edgeMs = Math.max(room.overMost * percentileOfSorted(sorted, 0.95), room.deadlines * deadlineMs);
  // Where the longest lies just over the edge, the edge makes way for it.
  const topMs = longestMs <= 1.25 * edgeMs ? Math.max(longestMs, room.deadlines * deadlineMs) : edgeMs;
  return {
    usualMs: medianOf(intervalsMs),
    topMs,
    overCount: intervalsMs.filter((ms) => ms > topMs).length,
    longestMs,
  };
}
