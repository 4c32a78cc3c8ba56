import { solveTridiagonal } from '../numeric/tridiagonal';
import type { SlabState, SlabSystem } from './slabSystem';

/** γ of the L-stable two-stage Rosenbrock method ROS2 (Verwer, Spee, Blom & Hundsdorfer 1999). */
const GAMMA = 1 - Math.SQRT1_2;

/**
 * One ROS2 step of length `h`, min. Conversion couples to its own node's temperature alone, so it is eliminated and one
 * tridiagonal system a stage is left. The error is against the embedded first-order step.
 */
export function rosenbrockStep(
  s: SlabSystem,
  state: SlabState,
  h: number,
): { next: SlabState; alphaError: number; temperatureErrorK: number } {
  const g = GAMMA * h;
  const { byAlpha, byTemperature } = s.derivatives(state);
  const [lower, diagonal, upper, work] = [
    new Float64Array(s.all),
    new Float64Array(s.all),
    new Float64Array(s.all),
    new Float64Array(s.all),
  ];

  /** Solves (I − γhJ) k = right for both unknowns; `right` is overwritten with k. */
  const stage = (right: SlabState): void => {
    for (let i = 0; i < s.all; i += 1) {
      lower[i] = -g * s.above[i]!;
      upper[i] = -g * s.below[i]!;
      diagonal[i] = 1 + g * (s.above[i]! + s.below[i]! + s.boundaryLossPerMin[i]!);
      if (i < s.nodes) {
        const own = 1 - g * byAlpha[i]!;
        diagonal[i] = diagonal[i]! - g * s.riseK * byTemperature[i]! * (1 + (g * byAlpha[i]!) / own);
        right.temperature[i] = right.temperature[i]! + (g * s.riseK * byAlpha[i]! * right.alpha[i]!) / own;
      }
    }
    solveTridiagonal(lower, diagonal, upper, right.temperature, work);
    for (let i = 0; i < s.nodes; i += 1)
      right.alpha[i] = (right.alpha[i]! + g * byTemperature[i]! * right.temperature[i]!) / (1 - g * byAlpha[i]!);
  };

  const k1 = s.slopes(state);
  stage(k1);
  const middle: SlabState = {
    temperature: state.temperature.map((v, i) => v + h * k1.temperature[i]!),
    alpha: state.alpha.map((v, i) => v + h * k1.alpha[i]!),
  };
  const k2 = s.slopes(middle);
  for (let i = 0; i < s.all; i += 1) k2.temperature[i] = k2.temperature[i]! - 2 * k1.temperature[i]!;
  for (let i = 0; i < s.nodes; i += 1) k2.alpha[i] = k2.alpha[i]! - 2 * k1.alpha[i]!;
  stage(k2);
  const [temperature, alpha] = [new Float64Array(s.all), new Float64Array(s.nodes)];
  let [alphaError, temperatureErrorK] = [0, 0];
  for (let i = 0; i < s.all; i += 1) {
    temperature[i] = state.temperature[i]! + h * (1.5 * k1.temperature[i]! + 0.5 * k2.temperature[i]!);
    temperatureErrorK = Math.max(temperatureErrorK, Math.abs((h / 2) * (k1.temperature[i]! + k2.temperature[i]!)));
  }
  for (let i = 0; i < s.nodes; i += 1) {
    alpha[i] = state.alpha[i]! + h * (1.5 * k1.alpha[i]! + 0.5 * k2.alpha[i]!);
    alphaError = Math.max(alphaError, Math.abs((h / 2) * (k1.alpha[i]! + k2.alpha[i]!)));
  }
  return {
    next: { temperature, alpha },
    alphaError,
    temperatureErrorK,
  };
}
