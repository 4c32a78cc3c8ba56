import { requireNumber } from '../formats/errors';
import { errorAgainst, type Parts } from './ratio';

/** Amounts that a scale can show, and how far their ratio is off by the rounding alone. */
export interface Rounded {
  readonly massAG: number;
  readonly massBG: number;
  readonly errorPct: number;
}

const tidy = (value: number) => Number(value.toPrecision(12));
const onStep = (value: number, stepG: number, way: (v: number) => number) =>
  stepG === 0 ? value : tidy(way(value / stepG - (way === Math.ceil ? 1e-9 : 0)) * stepG);

/**
 * Both parts rounded to a scale's step: A up, so that there is enough,
 * and B to the step nearest to what that A asks for.
 * @param stepG 0 leaves the amounts as they are
 * @throws CoreError `out-of-range`
 * @example roundToScale({ a: 100, b: 82 }, 104.23, 0.1).massBG // 85.5
 */
export function roundToScale(parts: Parts, massAG: number, stepG: number): Rounded {
  requireNumber(massAG, 'massAG', Number.MIN_VALUE, 1e7);
  requireNumber(stepG, 'stepG', 0, 1e6);
  const a = Math.max(onStep(massAG, stepG, Math.ceil), stepG);
  const b = parts.b === 0 ? 0 : Math.max(onStep((a * parts.b) / parts.a, stepG, Math.round), stepG);
  return { massAG: a, massBG: b, errorPct: parts.b === 0 ? 0 : errorAgainst(parts, a, b) };
}

/** Steps of a round number within its power of ten, as people round up at a bench. */
const NICE_STEPS = [1, 1.2, 1.5, 1.6, 1.8, 2, 2.5, 3, 3.5, 4, 4.5, 5, 6, 7, 7.5, 8, 9, 10];

/**
 * The next round number at or above a mass: two figures at most, so that it is read across a room and kept in mind.
 * @example nextNiceG(104.2) // 120
 */
export function nextNiceG(massG: number): number {
  requireNumber(massG, 'massG', Number.MIN_VALUE, 1e7);
  const ten = 10 ** Math.floor(Math.log10(massG));
  const step = NICE_STEPS.find((s) => s * ten >= massG * (1 - 1e-9)) ?? 10;
  return tidy(step * ten);
}
