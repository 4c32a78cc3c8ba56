import { requireNumber } from '../formats/errors';

/** Standard gravity, m/s². */
const GRAVITY = 9.80665;

/**
 * Terminal rise of a small bubble with a rigid surface (Stokes 1851), `ρ g d²/(18 η)`.
 * @returns mm/s; valid while the bubble is small and the liquid thick (Reynolds number well under 1)
 * @throws CoreError `out-of-range`
 * @example stokesVelocityMmPerS({ diameterMm: 1, densityGPerML: 1.05, viscosityMPaS: 350 }) // 1.634
 */
export function stokesVelocityMmPerS(bubble: {
  diameterMm: number;
  densityGPerML: number;
  viscosityMPaS: number;
}): number {
  const diameterM = requireNumber(bubble.diameterMm, 'diameterMm', 0, 100) / 1000;
  const density = requireNumber(bubble.densityGPerML, 'densityGPerML', 1e-3, 25) * 1000;
  const viscosity = requireNumber(bubble.viscosityMPaS, 'viscosityMPaS', 1e-3) / 1000;
  return ((density * GRAVITY * diameterM ** 2) / (18 * viscosity)) * 1000;
}

/** Fluidity over time, ∫dt/η in min/(mPa·s), from a viscosity that may grow without bound. */
export function fluidityIntegral(
  minutes: readonly number[],
  viscosityMPaS: readonly number[],
  fromMin: number,
  toMin: number,
): number {
  let sum = 0;
  for (let i = 1; i < minutes.length; i += 1) {
    const [t0, t1] = [minutes[i - 1]!, minutes[i]!];
    const [f0, f1] = [1 / viscosityMPaS[i - 1]!, 1 / viscosityMPaS[i]!];
    const [low, high] = [Math.max(t0, fromMin), Math.min(t1, toMin)];
    if (high <= low) continue;
    const at = (t: number) => f0 + ((t - t0) / (t1 - t0)) * (f1 - f0);
    sum += ((at(low) + at(high)) / 2) * (high - low);
  }
  return sum;
}

/**
 * The smallest bubble that rises out of a depth in the time given: `sqrt(h / ∫ρ g/(18 η) dt)`.
 * @param fluidity ∫dt/η over the rest, min/(mPa·s); for a constant viscosity, minutes divided by mPa·s
 * @returns diameter in mm; infinite where there was no time
 * @example smallestClearedMm({ depthMm: 25, densityGPerML: 1.05, fluidity: 10 / 350 }) // 0.16
 */
export function smallestClearedMm(rest: { depthMm: number; densityGPerML: number; fluidity: number }): number {
  requireNumber(rest.depthMm, 'depthMm', 0, 10_000);
  requireNumber(rest.fluidity, 'fluidity', 0);
  // ρ g/18 with ρ in kg/m³, then mPa·s and minutes carried to SI.
  const perM = ((rest.densityGPerML * 1000 * GRAVITY) / 18) * rest.fluidity * 60 * 1000;
  return perM === 0 ? Infinity : Math.sqrt(rest.depthMm / 1000 / perM) * 1000;
}
