/**
 * Solves a · x = b in place of b, where `a` is symmetric and positive definite, row by row, its lower half read and written
 * over (Cholesky). False where it is not positive definite, and b is of no use. O(n³).
 */
export function solveSymmetric(a: Float64Array, b: Float64Array): boolean {
  const n = b.length;
  const at = (row: number, column: number): number => a[row * n + column] as number;
  for (let row = 0; row < n; row++)
    for (let column = 0; column <= row; column++) {
      let rest = at(row, column);
      for (let k = 0; k < column; k++) rest -= at(row, k) * at(column, k);
      if (row !== column) a[row * n + column] = rest / at(column, column);
      else if (rest > 0) a[row * n + row] = Math.sqrt(rest);
      else return false;
    }
  for (let row = 0; row < n; row++) {
    for (let k = 0; k < row; k++) b[row] = (b[row] as number) - at(row, k) * (b[k] as number);
    b[row] = (b[row] as number) / at(row, row);
  }
  for (let row = n - 1; row >= 0; row--) {
    for (let k = row + 1; k < n; k++) b[row] = (b[row] as number) - at(k, row) * (b[k] as number);
    b[row] = (b[row] as number) / at(row, row);
  }
  return true;
}
