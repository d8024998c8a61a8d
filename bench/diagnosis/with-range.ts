import { percentileOfSorted } from '@/core/numbers/percentile';
import { createRandom } from '@/core/numbers/random';

/** A figure with the range that it takes over redrawn cases: the middle 90 % of 400 draws. */
export function withRange<Row>(over: readonly Row[], figure: (rows: readonly Row[]) => number) {
  const random = createRandom(20261125);
  const draws = Array.from({ length: 400 }, () => figure(over.map(() => random.pick(over)))).sort((a, b) => a - b);
  const round = (value: number): number => Math.round(value * 1000) / 1000;
  return {
    value: round(figure(over)),
    low: round(percentileOfSorted(draws, 0.05)),
    high: round(percentileOfSorted(draws, 0.95)),
  };
}

/** The middle of what each row has. */
export const medianOf =
  <Row>(pick: (row: Row) => number) =>
  (over: readonly Row[]): number =>
    percentileOfSorted(
      over.map(pick).sort((a, b) => a - b),
      0.5,
    );
