import { requireNumber } from '../formats/errors';
import { SEA_LEVEL_KPA } from './ambient';

/**
 * How much narrower a bubble gets under pressure (Boyle): `(P0/(P0+P))^(1/3)`.
 * @param gaugeKPa 0 or more; 0 leaves the bubble as it is
 * @param ambientKPa absolute pressure of the room
 * @returns diameter under pressure over diameter before, above 0 and up to 1
 * @throws CoreError `out-of-range`
 * @example boyleDiameterRatio(300) // 0.632
 */
export function boyleDiameterRatio(gaugeKPa: number, ambientKPa = SEA_LEVEL_KPA): number {
  requireNumber(gaugeKPa, 'gaugeKPa', 0, 1e5);
  requireNumber(ambientKPa, 'ambientKPa', 1, 200);
  return Math.cbrt(ambientKPa / (ambientKPa + gaugeKPa));
}

/**
 * How many times a bubble's volume grows under vacuum (Boyle): `P0/Pabs`. The foam rises by as much until it breaks.
 * @param absoluteKPa above 0, at most the room's pressure
 * @returns 1 or more; its cube root is the growth in diameter
 * @throws CoreError `out-of-range`
 * @example vacuumGrowth(3) // 33.775
 */
export function vacuumGrowth(absoluteKPa: number, ambientKPa = SEA_LEVEL_KPA): number {
  requireNumber(ambientKPa, 'ambientKPa', 1, 200);
  requireNumber(absoluteKPa, 'absoluteKPa', 1e-6, ambientKPa);
  return ambientKPa / absoluteKPa;
}

/** Times its own volume that a liquid under vacuum needs in its cup before the foam breaks (studio practice). */
export const VACUUM_HEADROOM = 4;
