/** The arithmetic mean; NaN for an empty list. O(n). */
export function meanOf(values: readonly number[] | Float32Array): number {
  let sum = 0;
  for (const value of values) sum += value;
  return sum / values.length;
}
