/**
 * Solves a tridiagonal system in place by Thomas' algorithm; `right` becomes the solution. Stable for the diagonally
 * dominant matrices of conduction; no pivoting.
 * @param lower `lower[i]` couples row i to i − 1; `lower[0]` is not read
 * @param upper `upper[i]` couples row i to i + 1; the last is not read
 * @param work of the same length, overwritten
 */
export function solveTridiagonal(
  lower: Float64Array,
  diagonal: Float64Array,
  upper: Float64Array,
  right: Float64Array,
  work: Float64Array,
): void {
  const n = diagonal.length;
  let pivot = diagonal[0]!;
  right[0] = right[0]! / pivot;
  for (let i = 1; i < n; i += 1) {
    work[i] = upper[i - 1]! / pivot;
    pivot = diagonal[i]! - lower[i]! * work[i]!;
    right[i] = (right[i]! - lower[i]! * right[i - 1]!) / pivot;
  }
  for (let i = n - 2; i >= 0; i -= 1) right[i] = right[i]! - work[i + 1]! * right[i + 1]!;
}
