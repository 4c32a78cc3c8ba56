import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { CoreError } from '../formats/errors';

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
  /**
   * Pull towards no effect: 1 is a prior belief that an odds ratio lies
   * within about sevenfold, two times in three within e.
   */
  readonly ridge?: number;
  readonly maxIterations?: number;
}

const [RIDGE, MAX_ITERATIONS, TOLERANCE] = [1, 50, 1e-8];
/** The intercept is pulled so little that it only keeps the sum solvable. */
const INTERCEPT_RIDGE = 1e-6;

/** Cases that have the same features, counted together: a long log has few kinds of them. */
export interface Kind {
  readonly features: readonly number[];
  n: number;
  yes: number;
}

function kindsOf(rows: readonly (readonly number[])[], y: readonly boolean[]): Kind[] {
  const kinds = new Map<string, Kind>();
  rows.forEach((features, i) => {
    const key = features.join();
    const kind = kinds.get(key) ?? { features, n: 0, yes: 0 };
    kind.n += 1;
    if (y[i]) kind.yes += 1;
    kinds.set(key, kind);
  });
  return [...kinds.values()];
}

/** Log odds of a kind; index 0 is the intercept, so feature f is at f + 1. */
const etaOf = ({ features }: Kind, beta: readonly number[]) =>
  features.reduce((sum, f) => sum + beta[f + 1]!, beta[0]!);

/** One Newton step's sums: the gradient and the information. */
function sums(kinds: readonly Kind[], beta: readonly number[]): { gradient: number[]; information: number[][] } {
  const size = beta.length;
  const gradient = new Array<number>(size).fill(0);
  const information = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  for (const kind of kinds) {
    const mu = 1 / (1 + Math.exp(-etaOf(kind, beta)));
    const [residual, weight] = [kind.yes - kind.n * mu, kind.n * mu * (1 - mu)];
    const at = [-1, ...kind.features];
    for (const i of at) {
      gradient[i + 1]! += residual;
      const line = information[i + 1]!;
      for (const j of at) line[j + 1]! += weight;
    }
  }
  return { gradient, information };
}

/** ln(1 + e^v) without overflow. */
const softplus = (v: number) => Math.max(v, 0) + Math.log1p(Math.exp(-Math.abs(v)));

/** Penalised log likelihood, for the step's own check. */
function likelihood(kinds: readonly Kind[], beta: readonly number[], ridge: readonly number[]): number {
  const fit = kinds.reduce((sum, kind) => {
    const eta = etaOf(kind, beta);
    return sum - kind.yes * softplus(-eta) - (kind.n - kind.yes) * softplus(eta);
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
export function ridgeLogistic(
  rows: readonly (readonly number[])[],
  y: readonly boolean[],
  features: number,
  options: LogisticOptions = {},
): LogisticFit {
  if (rows.length !== y.length)
    throw new CoreError('out-of-range', `There are ${rows.length} rows and ${y.length} outcomes.`, 'y');
  if (rows.some((row) => row.some((f) => !(f >= 0 && f < features))))
    throw new CoreError('out-of-range', `A feature lies outside 0 to ${features - 1}.`, 'rows');
  return ridgeLogisticOf(kindsOf(rows, y), features, options);
}

/** The same of cases that are counted by kind already; their features lie within 0 to `features` − 1. */
export function ridgeLogisticOf(
  kinds: readonly Kind[],
  features: number,
  { ridge = RIDGE, maxIterations = MAX_ITERATIONS }: LogisticOptions = {},
): LogisticFit {
  const pull = Array.from({ length: features + 1 }, (_, i) => (i === 0 ? INTERCEPT_RIDGE : ridge));
  const [all, yes] = kinds.reduce(([n, k], kind) => [n + kind.n, k + kind.yes], [0, 0]);
  let beta = [Math.log((yes + 0.5) / (all - yes + 0.5)), ...new Array<number>(features).fill(0)];
  let at = likelihood(kinds, beta, pull);
  const solved = () => {
    const { gradient, information } = sums(kinds, beta);
    const hessian = new Matrix(information.map((line, i) => line.map((v, j) => (i === j ? v + pull[i]! : v))));
    const slope = Matrix.columnVector(gradient.map((g, i) => g - pull[i]! * beta[i]!));
    return { factor: new CholeskyDecomposition(hessian), slope };
  };
  for (let iterations = 1; iterations <= maxIterations; iterations += 1) {
    const { factor, slope } = solved();
    const step = factor.solve(slope).to1DArray();
    let share = 1;
    let next = beta.map((b, i) => b + step[i]!);
    let there = likelihood(kinds, next, pull);
    while (there < at && share > 1e-4) {
      share /= 2;
      next = beta.map((b, i) => b + share * step[i]!);
      there = likelihood(kinds, next, pull);
    }
    const moved = Math.max(...step.map((s) => Math.abs(s * share)));
    if (there >= at) {
      beta = next;
      at = there;
    }
    if (moved < TOLERANCE || there < at || iterations === maxIterations) {
      const inverse = solved().factor.solve(Matrix.eye(features + 1));
      const se = beta.map((_, i) => Math.sqrt(Math.max(0, inverse.get(i, i))));
      return {
        intercept: beta[0]!,
        beta: beta.slice(1),
        se: se.slice(1),
        status: moved < 1e-4 ? 'converged' : 'stopped',
        iterations,
      };
    }
  }
  return {
    intercept: beta[0]!,
    beta: beta.slice(1),
    se: beta.slice(1).map(() => Number.NaN),
    status: 'stopped',
    iterations: 0,
  };
}
