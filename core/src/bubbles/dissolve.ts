import { SEA_LEVEL_KPA } from '../air/ambient';
import { requireNumber } from '../formats/errors';

/** Diffusivity of air in liquid resin, m²/s; a default of the right order, not a measurement of the product. */
export const AIR_DIFFUSIVITY_M2_PER_S = 2e-10;
/** Solubility of air in liquid resin: volume of gas held by a volume of liquid. */
export const AIR_SOLUBILITY = 0.1;

export interface Dissolving {
  readonly gaugeKPa: number;
  /** Time at that pressure while still liquid, min. */
  readonly minutes: number;
  readonly ambientKPa?: number | undefined;
  readonly diffusivityM2PerS?: number | undefined;
  readonly solubility?: number | undefined;
}

/**
 * The largest bubble that dissolves under pressure in the time given: `t = R²/(2·D·S·(1 − P0/(P0+P)))` solved for R
 * (Epstein & Plesset 1950, without surface tension, liquid saturated at the room's pressure).
 * @returns diameter under that pressure, mm; divided by `boyleDiameterRatio` it is
 * the diameter before pressing. 0 without pressure or time
 * @throws CoreError `out-of-range`
 * @example largestDissolvedMm({ gaugeKPa: 300, minutes: 10 }) // 0.268
 */
export function largestDissolvedMm(d: Dissolving): number {
  const ambientKPa = requireNumber(d.ambientKPa ?? SEA_LEVEL_KPA, 'ambientKPa', 1, 200);
  requireNumber(d.gaugeKPa, 'gaugeKPa', 0, 1e5);
  requireNumber(d.minutes, 'minutes', 0, 1e7);
  const D = requireNumber(d.diffusivityM2PerS ?? AIR_DIFFUSIVITY_M2_PER_S, 'diffusivityM2PerS', 0, 1e-6);
  const S = requireNumber(d.solubility ?? AIR_SOLUBILITY, 'solubility', 0, 10);
  const undersaturation = 1 - ambientKPa / (ambientKPa + d.gaugeKPa);
  return 2 * Math.sqrt(2 * D * S * undersaturation * d.minutes * 60) * 1000;
}
