/**
 * Indexes drawn by their weights, `count` of them in rising order: the same luck for all places (systematic resampling),
 * so that each comes as often as its weight says, to less than one.
 *
 * @param luck 0 to below 1
 */
export function resampledIndexes(weights: Float64Array, count: number, luck: number): Int32Array {
  let total = 0;
  for (const weight of weights) total += weight;
  const step = total / count;
  let at = step * luck;
  let taken = 0;
  let sum = weights[0] as number;
  const from = new Int32Array(count);
  for (let i = 0; i < count; i++) {
    while (sum < at && taken < weights.length - 1) sum += weights[++taken] as number;
    from[i] = taken;
    at += step;
  }
  return from;
}
