import type { Range } from './percentile';

/** Values of one weight each. */
export interface WeightedValues {
  readonly values: ArrayLike<number>;
  readonly weight: number;
}

/** The 10th, 50th and 90th percentile of values with weights. Throws where there are none. O(n log n). */
export function weightedRangeOf(groups: readonly WeightedValues[]): Range {
  const count = groups.reduce((sum, { values }) => sum + values.length, 0);
  if (count === 0) throw new Error('weightedRangeOf: no values');
  const sorted = new Float64Array(count);
  let at = 0;
  let total = 0;
  for (const { values, weight } of groups) {
    for (let i = 0; i < values.length; i++) sorted[at++] = values[i] as number;
    total += values.length * weight;
  }
  // Sorting numbers alone is several times quicker than sorting places by them; weights are summed where they are asked.
  sorted.sort();
  const weightUpTo = (limit: number): number => {
    let sum = 0;
    for (const { values, weight } of groups) {
      let below = 0;
      for (let i = 0; i < values.length; i++) if ((values[i] as number) <= limit) below++;
      sum += below * weight;
    }
    return sum;
  };
  /** The smallest value up to which lies this share of the weight. */
  const valueAt = (ratio: number): number => {
    let [low, high] = [0, count - 1];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (weightUpTo(sorted[middle] as number) >= ratio * total * (1 - 1e-12)) high = middle;
      else low = middle + 1;
    }
    return sorted[low] as number;
  };
  return { low: valueAt(0.1), mid: valueAt(0.5), high: valueAt(0.9) };
}
