/**
 * Solves a × x = b in place by elimination with the largest pivot of each column. The networks here have a handful of
 * nodes, so a dense matrix is the fast one.
 * @param a n × n numbers, row by row, overwritten
 * @param b n numbers, overwritten by x
 * @returns false when the matrix is singular
 */
export function solveLinear(a: Float64Array, b: Float64Array): boolean {
  const n = b.length;
  for (let column = 0; column < n; column++) {
    let best = column;
    for (let row = column + 1; row < n; row++) {
      if (Math.abs(a[row * n + column] ?? 0) > Math.abs(a[best * n + column] ?? 0)) best = row;
    }
    const pivot = a[best * n + column] ?? 0;
    if (!(Math.abs(pivot) > 1e-300)) return false;
    if (best !== column) {
      for (let k = column; k < n; k++) {
        const kept = a[best * n + k] ?? 0;
        a[best * n + k] = a[column * n + k] ?? 0;
        a[column * n + k] = kept;
      }
      const kept = b[best] ?? 0;
      b[best] = b[column] ?? 0;
      b[column] = kept;
    }
    for (let row = column + 1; row < n; row++) {
      const factor = (a[row * n + column] ?? 0) / pivot;
      if (factor === 0) continue;
      for (let k = column; k < n; k++) a[row * n + k] = (a[row * n + k] ?? 0) - factor * (a[column * n + k] ?? 0);
      b[row] = (b[row] ?? 0) - factor * (b[column] ?? 0);
    }
  }
  for (let row = n - 1; row >= 0; row--) {
    let sum = b[row] ?? 0;
    for (let k = row + 1; k < n; k++) sum -= (a[row * n + k] ?? 0) * (b[k] ?? 0);
    b[row] = sum / (a[row * n + row] ?? 1);
  }
  return true;
}
