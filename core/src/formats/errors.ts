/** What went wrong in a sum, as data; the sentence is for people, the code and path for programs. */
export type CoreErrorCode =
  | 'ratio-not-stated'
  | 'out-of-range'
  | 'additives-fill-it'
  | 'kinetics-not-known'
  | 'pot-life-not-stated'
  | 'did-not-converge'
  | 'too-dark'
  | 'card-burnt-out'
  | 'card-too-dark'
  | 'past-the-end'
  | 'column-refused';

/** Thrown for input that a public function of the core cannot use. `path` names the field to mend. */
export class CoreError extends Error {
  constructor(
    readonly code: CoreErrorCode,
    message: string,
    readonly path: string,
  ) {
    super(message);
    this.name = 'CoreError';
  }
}

/** A range as a person says it: the least number above nought is "more than 0", and what is unbounded is not named. */
function rangeWords(low: number, high: number): string {
  const above = Number.isFinite(low) ? `${low} or more` : '';
  const from = low === Number.MIN_VALUE ? 'more than 0' : above;
  const to = Number.isFinite(high) && high < Number.MAX_VALUE ? `at most ${high}` : '';
  return [from, to].filter(Boolean).join(' and ') || 'a number';
}

/** @throws CoreError `out-of-range` unless `value` is a finite number within the range */
export function requireNumber(value: number, path: string, low = -Infinity, high = Infinity): number {
  if (!Number.isFinite(value) || value < low || value > high) {
    throw new CoreError('out-of-range', `${path} must be ${rangeWords(low, high)}, not ${value}.`, path);
  }
  return value;
}
