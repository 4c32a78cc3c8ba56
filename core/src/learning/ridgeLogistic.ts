import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { CoreError } from '../errors';

/** A fit of log odds to yes/no features. */
export interface LogisticFit {
  readonly intercept: number;
  /** Log odds ratio of each feature, and its standard error under the ridge. */
  readonly beta: readonly number[];
  readonly se: readonly number[];
  readonly status: 'converged' | 'stopped';
  readonly iterations: number;
}

export interface LogisticOptions {
  /** Pull towards no effect: 1 is a prior belief that an odds ratio lies within about sevenfold, two times in three within e. */
  readonly ridge?: number;
  readonly mostIterations?: number;
}

const [RIDGE, MOST_ITERATIONS, TOLERANCE] = [1, 50, 1e-8];
/** The intercept is pulled so little that it only keeps the sum solvable. */
const INTERCEPT_RIDGE = 1e-6;

/** One Newton step's sums: the gradient and the information, over rows that name the features they have. */
function sums(rows: readonly (readonly number[])[], y: readonly boolean[], beta: readonly number[]): { gradient: number[]; information: number[][] } {
  const size = beta.length;
  const gradient = new Array<number>(size).fill(0);
  const information = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  rows.forEach((row, r) => {
    // Index 0 is the intercept, so feature f is at f + 1.
    const eta = row.reduce((sum, f) => sum + beta[f + 1]!, beta[0]!);
    const mu = 1 / (1 + Math.exp(-eta));
    const [residual, weight] = [(y[r] ? 1 : 0) - mu, mu * (1 - mu)];
    const at = [-1, ...row];
    for (const i of at) {
      gradient[i + 1]! += residual;
      const line = information[i + 1]!;
      for (const j of at) line[j + 1]! += weight;
    }
  });
  return { gradient, information };
}

/** Penalised log likelihood, for the step's own check. */
function likelihood(rows: readonly (readonly number[])[], y: readonly boolean[], beta: readonly number[], ridge: readonly number[]): number {
  const fit = rows.reduce((sum, row, r) => {
    const eta = row.reduce((s, f) => s + beta[f + 1]!, beta[0]!);
    return sum - Math.log1p(Math.exp(-Math.abs(eta))) + ((y[r] ? eta : -eta) < 0 ? (y[r] ? eta : -eta) : 0);
  }, 0);
  return fit - 0.5 * beta.reduce((s, b, i) => s + ridge[i]! * b * b, 0);
}

/**
 * Ridge logistic regression on yes/no features by Newton's method with halved steps. Source: le Cessie and van
 * Houwelingen 1992; standard errors from the penalised information.
 * @param rows for each case, the indices of the features it has, 0 to `features` − 1
 * @param y the outcome of each case
 * @throws CoreError `out-of-range` where the lengths differ or a feature's index is outside
 */
export function ridgeLogistic(rows: readonly (readonly number[])[], y: readonly boolean[], features: number, { ridge = RIDGE, mostIterations = MOST_ITERATIONS }: LogisticOptions = {}): LogisticFit {
  if (rows.length !== y.length) throw new CoreError('out-of-range', `There are ${rows.length} rows and ${y.length} outcomes.`, 'y');
  if (rows.some((row) => row.some((f) => !(f >= 0 && f < features)))) throw new CoreError('out-of-range', `A feature lies outside 0 to ${features - 1}.`, 'rows');
  const pull = Array.from({ length: features + 1 }, (_, i) => (i === 0 ? INTERCEPT_RIDGE : ridge));
  const yes = y.filter(Boolean).length;
  let beta = [Math.log((yes + 0.5) / (y.length - yes + 0.5)), ...new Array<number>(features).fill(0)];
  let at = likelihood(rows, y, beta, pull);
  const solved = () => {
    const { gradient, information } = sums(rows, y, beta);
    const hessian = new Matrix(information.map((line, i) => line.map((v, j) => (i === j ? v + pull[i]! : v))));
    const slope = Matrix.columnVector(gradient.map((g, i) => g - pull[i]! * beta[i]!));
    return { factor: new CholeskyDecomposition(hessian), slope };
  };
  for (let iterations = 1; iterations <= mostIterations; iterations += 1) {
    const { factor, slope } = solved();
    const step = factor.solve(slope).to1DArray();
    let share = 1;
    let next = beta.map((b, i) => b + step[i]!);
    let there = likelihood(rows, y, next, pull);
    while (there < at && share > 1e-4) {
      share /= 2;
      next = beta.map((b, i) => b + share * step[i]!);
      there = likelihood(rows, y, next, pull);
    }
    const moved = Math.max(...step.map((s) => Math.abs(s * share)));
    if (there >= at) { beta = next; at = there; }
    if (moved < TOLERANCE || there < at || iterations === mostIterations) {
      const inverse = solved().factor.solve(Matrix.eye(features + 1));
      const se = beta.map((_, i) => Math.sqrt(Math.max(0, inverse.get(i, i))));
      return { intercept: beta[0]!, beta: beta.slice(1), se: se.slice(1), status: moved < 1e-4 ? 'converged' : 'stopped', iterations };
    }
  }
  return { intercept: beta[0]!, beta: beta.slice(1), se: beta.slice(1).map(() => Number.NaN), status: 'stopped', iterations: 0 };
}
