/** A symmetric positive definite matrix as the lower triangle that it is the square of. */
export interface Cholesky {
  /** The solution of `A x = b`. */
  readonly solve: (b: ArrayLike<number>) => Float64Array;
  /** A figure of the diagonal of the inverse. @param i its row, from 0 */
  readonly inverseAt: (i: number) => number;
}

/**
 * Cholesky's decomposition in numbers side by side: a regression asks for it hundreds of times.
 * @param matrix `size` rows of `size`; only its lower triangle is read, and it is written over
 * @returns figures that are not numbers where it is not positive definite
 */
export function cholesky(matrix: Float64Array, size: number): Cholesky {
  for (let i = 0; i < size; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i * size + j]!;
      for (let k = 0; k < j; k += 1) sum -= matrix[i * size + k]! * matrix[j * size + k]!;
      matrix[i * size + j] = i === j ? Math.sqrt(sum) : sum / matrix[j * size + j]!;
    }
  /** `L y = b`, from a row on: those before are nought. */
  const forward = (b: ArrayLike<number>, from: number): Float64Array => {
    const y = new Float64Array(size);
    for (let i = from; i < size; i += 1) {
      let sum = b[i]!;
      for (let k = from; k < i; k += 1) sum -= matrix[i * size + k]! * y[k]!;
      y[i] = sum / matrix[i * size + i]!;
    }
    return y;
  };
  return {
    solve: (b) => {
      const x = forward(b, 0);
      for (let i = size - 1; i >= 0; i -= 1) {
        let sum = x[i]!;
        for (let k = i + 1; k < size; k += 1) sum -= matrix[k * size + i]! * x[k]!;
        x[i] = sum / matrix[i * size + i]!;
      }
      return x;
    },
    // The inverse is the square of the triangle's own, column by column.
    inverseAt: (i) => {
      const unit = new Float64Array(size);
      unit[i] = 1;
      const column = forward(unit, i);
      let sum = 0;
      for (let k = i; k < size; k += 1) sum += column[k]! * column[k]!;
      return sum;
    },
  };
}
