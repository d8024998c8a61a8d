import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { propertyRuns } from '../../../tests/arbitrary/setup';
import { solveSymmetric } from './solve';

describe('solveSymmetric', () => {
  it('finds what a positive definite matrix turns into the right side', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 1, max: 6 })
          .chain((n) =>
            fc.tuple(
              fc.constant(n),
              fc.array(fc.integer({ min: -9, max: 9 }), { minLength: n * n, maxLength: n * n }),
              fc.array(fc.integer({ min: -9, max: 9 }), { minLength: n, maxLength: n }),
            ),
          ),
        ([n, factor, wanted]) => {
          const at = (row: number, column: number): number => factor[row * n + column] as number;
          const dot = (a: number, b: number): number =>
            Array.from({ length: n }, (_, k) => at(k, a) * at(k, b)).reduce((sum, part) => sum + part, 0);
          // A matrix times itself turned over, and one more along the diagonal.
          const a = Float64Array.from({ length: n * n }, (_, i) => {
            const [row, column] = [Math.floor(i / n), i % n];
            return dot(row, column) + (row === column ? 1 : 0);
          });
          const b = Float64Array.from({ length: n }, (_, row) =>
            wanted.reduce((sum, value, column) => sum + (a[row * n + column] as number) * value, 0),
          );
          expect(solveSymmetric(a, b)).toBe(true);
          for (const [k, value] of wanted.entries()) expect(b[k]).toBeCloseTo(value, 5);
        },
      ),
      propertyRuns,
    );
  });

  it('says where a matrix is none of these', () => {
    expect(solveSymmetric(Float64Array.of(1, 2, 2, 1), Float64Array.of(1, 1))).toBe(false);
    expect(solveSymmetric(Float64Array.of(0), Float64Array.of(1))).toBe(false);
    expect(solveSymmetric(Float64Array.of(Number.NaN), Float64Array.of(1))).toBe(false);
  });
});
