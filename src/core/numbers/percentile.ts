/** A range of plausible values: 10th, 50th and 90th percentile. */
export interface Range {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

/**
 * The value below which `ratio` (0 to 1) of the sorted values lie, linear between neighbours.
 * Throws for an empty list: there is no such value.
 */
export function percentileOfSorted(sorted: ArrayLike<number>, ratio: number): number {
  if (sorted.length === 0) throw new Error('percentileOfSorted: no values');
  const position = ratio * (sorted.length - 1);
  const below = Math.floor(position);
  const low = sorted[below] as number;
  const high = sorted[Math.min(below + 1, sorted.length - 1)] as number;
  return low + (high - low) * (position - below);
}

/** The 10th, 50th and 90th percentile of the values. O(n log n); leaves the input alone. */
export function rangeOf(values: Float64Array): Range {
  const sorted = Float64Array.from(values).sort();
  return {
    low: percentileOfSorted(sorted, 0.1),
    mid: percentileOfSorted(sorted, 0.5),
    high: percentileOfSorted(sorted, 0.9),
  };
}

/** The middle value, or the mean of the middle two. Throws for an empty list. O(n log n); leaves the input alone. */
export const medianOf = (values: readonly number[]): number =>
  percentileOfSorted(Float64Array.from(values).sort(), 0.5);

/** {@link medianOf}, or null for an empty list. */
export const medianOrNull = (values: readonly number[]): number | null =>
  values.length === 0 ? null : medianOf(values);
