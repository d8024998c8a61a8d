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
  const all = new Float64Array(count);
  const weights = new Float64Array(count);
  let at = 0;
  let total = 0;
  for (const { values, weight } of groups)
    for (let i = 0; i < values.length; i++) {
      all[at] = values[i] as number;
      weights[at++] = weight;
      total += weight;
    }
  const order = Uint32Array.from({ length: count }, (_, i) => i).sort(
    (a, b) => (all[a] as number) - (all[b] as number),
  );
  /** One pass finds all three: the ratios rise. */
  let sum = 0;
  let place = -1;
  const valueAt = (ratio: number): number => {
    while (sum < ratio * total && place < count - 1) sum += weights[order[++place] as number] as number;
    return all[order[Math.max(0, place)] as number] as number;
  };
  return { low: valueAt(0.1), mid: valueAt(0.5), high: valueAt(0.9) };
}
