import { CoreError } from '../formats/errors';
import { cholesky, type Cholesky } from '../numeric/cholesky';

/** A fit of log odds to yes/no features. */
export interface LogisticFit extends FittedOdds {
  /** The standard error of each feature's log odds ratio, under the ridge. */
  readonly se: readonly number[];
}

/** The same, whose standard errors are worked out as they are asked for: each takes as long as a step of the fit. */
export interface FittedOdds {
  readonly intercept: number;
  /** Log odds ratio of each feature. */
  readonly beta: readonly number[];
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
  /** A fit of nearly the same cases to begin at; there is one best fit, and it is found from anywhere. */
  readonly start?: FittedOdds | undefined;
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
function etaOf({ features }: Kind, beta: readonly number[]): number {
  let eta = beta[0]!;
  for (let i = 0; i < features.length; i += 1) eta += beta[features[i]! + 1]!;
  return eta;
}

/** One Newton step's sums: the gradient, and the information row by row. */
function sums(kinds: readonly Kind[], beta: readonly number[]): { gradient: Float64Array; information: Float64Array } {
  const size = beta.length;
  const [gradient, information] = [new Float64Array(size), new Float64Array(size * size)];
  for (const kind of kinds) {
    const { features, n, yes } = kind;
    const mu = 1 / (1 + Math.exp(-etaOf(kind, beta)));
    const [residual, weight] = [yes - n * mu, n * mu * (1 - mu)];
    for (let a = -1; a < features.length; a += 1) {
      const i = a < 0 ? 0 : features[a]! + 1;
      gradient[i]! += residual;
      information[i * size]! += weight;
      for (let b = 0; b < features.length; b += 1) information[i * size + features[b]! + 1]! += weight;
    }
  }
  return { gradient, information };
}

/** ln(1 + e^v) without overflow. */
const softplus = (v: number) => Math.max(v, 0) + Math.log1p(Math.exp(-Math.abs(v)));

/** Penalised log likelihood, for the step's own check. */
function likelihood(kinds: readonly Kind[], beta: readonly number[], ridge: readonly number[]): number {
  let fit = 0;
  for (const kind of kinds) {
    const eta = etaOf(kind, beta);
    // ln(1 + e^−v) is ln(1 + e^v) less v.
    fit += kind.yes * eta - kind.n * softplus(eta);
  }
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
  const { errorOf, ...fit } = ridgeLogisticOf(kindsOf(rows, y), features, options);
  return { ...fit, se: fit.beta.map((_, feature) => errorOf(feature)) };
}

/** The same of cases that are counted by kind already; their features lie within 0 to `features` − 1. */
export function ridgeLogisticOf(
  kinds: readonly Kind[],
  features: number,
  { ridge = RIDGE, maxIterations = MAX_ITERATIONS, start }: LogisticOptions = {},
): FittedOdds & { readonly errorOf: (feature: number) => number } {
  const pull = Array.from({ length: features + 1 }, (_, i) => (i === 0 ? INTERCEPT_RIDGE : ridge));
  const [all, yes] = kinds.reduce(([n, k], kind) => [n + kind.n, k + kind.yes], [0, 0]);
  const plain = [Math.log((yes + 0.5) / (all - yes + 0.5)), ...new Array<number>(features).fill(0)];
  let beta = start?.beta.length === features ? [start.intercept, ...start.beta] : plain;
  let at = likelihood(kinds, beta, pull);
  const solved = () => {
    const { gradient, information } = sums(kinds, beta);
    for (let i = 0; i < beta.length; i += 1) information[i * beta.length + i]! += pull[i]!;
    return { factor: cholesky(information, beta.length), slope: gradient.map((g, i) => g - pull[i]! * beta[i]!) };
  };
  for (let iterations = 1; iterations <= maxIterations; iterations += 1) {
    const { factor, slope } = solved();
    const step = [...factor.solve(slope)];
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
      let last: Cholesky | null = null;
      return {
        intercept: beta[0]!,
        beta: beta.slice(1),
        errorOf: (feature) => Math.sqrt(Math.max(0, (last ??= solved().factor).inverseAt(feature + 1))),
        status: moved < 1e-4 ? 'converged' : 'stopped',
        iterations,
      };
    }
  }
  return {
    intercept: beta[0]!,
    beta: beta.slice(1),
    errorOf: () => Number.NaN,
    status: 'stopped',
    iterations: 0,
  };
}
