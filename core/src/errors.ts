/** What went wrong in a sum, as data; the sentence is for people, the code and path for programs. */
export type CoreErrorCode =
  | 'ratio-not-stated'
  | 'out-of-range'
  | 'kinetics-not-known'
  | 'pot-life-not-stated'
  | 'did-not-converge'
  | 'too-dark'
  | 'card-burnt-out'
  | 'card-too-dark';

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

/** @throws CoreError `out-of-range` unless `value` is a finite number within the range */
export function requireNumber(value: number, path: string, low = -Infinity, high = Infinity): number {
  if (!Number.isFinite(value) || value < low || value > high) {
    throw new CoreError('out-of-range', `${path} must be a number from ${low} to ${high}, not ${value}.`, path);
  }
  return value;
}
