import { requireNumber } from '../formats/errors';

/** Standard pressure at sea level, kPa. */
export const SEA_LEVEL_KPA = 101.325;
/** Coefficients of the standard atmosphere below 11 km (ISO 2533). */
const PER_METRE = 2.25577e-5;
const EXPONENT = 5.25588;

/**
 * Ambient pressure of the standard atmosphere at a height (ISO 2533).
 * @param altitudeM −500 to 6000 m
 * @returns kPa absolute
 * @throws CoreError `out-of-range`
 * @example ambientKPaAt(1500) // 84.56
 */
export function ambientKPaAt(altitudeM: number): number {
  requireNumber(altitudeM, 'altitudeM', -500, 6000);
  return SEA_LEVEL_KPA * (1 - PER_METRE * altitudeM) ** EXPONENT;
}
