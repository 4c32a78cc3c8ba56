import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cholesky } from './cholesky';

/** A matrix that is positive definite: a square of any, and something on its diagonal. */
const definite = fc
  .integer({ min: 1, max: 9 })
  .chain((size) =>
    fc.tuple(
      fc.array(fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: size, maxLength: size }), {
        minLength: size,
        maxLength: size,
      }),
      fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: size, maxLength: size }),
    ),
  )
  .map(([rows, b]) => {
    const m = new Matrix(rows);
    return { a: m.mmul(m.transpose()).add(Matrix.eye(rows.length)), b };
  });

describe('Cholesky’s decomposition', () => {
  it('solves what a general package solves, and knows the inverse’s diagonal', () => {
    fc.assert(
      fc.property(definite, ({ a, b }) => {
        const size = b.length;
        const ours = cholesky(Float64Array.from(a.to1DArray()), size);
        const theirs = new CholeskyDecomposition(a);
        const x = theirs.solve(Matrix.columnVector(b)).to1DArray();
        ours.solve(b).forEach((v, i) => {
          expect(v).toBeCloseTo(x[i]!, 7);
        });
        const inverse = theirs.solve(Matrix.eye(size));
        b.forEach((_, i) => {
          expect(ours.inverseAt(i)).toBeCloseTo(inverse.get(i, i), 7);
        });
      }),
    );
  });
  it('gives no figure for what is not positive definite', () => {
    expect(
      cholesky(Float64Array.of(1, 2, 2, 1), 2)
        .solve([1, 1])
        .some(Number.isNaN),
    ).toBe(true);
  });
});
