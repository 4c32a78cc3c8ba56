import { requireNumber } from '../formats/errors';

/** Volume share at which a powder no longer flows (random packing), and the exponent to it. */
const MAX_PACKED = 0.64;
const EXPONENT = 1.6;

/**
 * How many times thicker a liquid is with powder in it: `(1 − φ/0.64)^(−1.6)` (Krieger & Dougherty 1959).
 * @param volumeShare of the powder in the whole, 0 to 1
 * @returns 1 without powder; infinite from 0.64 on, where it is a paste
 * @throws CoreError `out-of-range`
 * @example powderThickening(0.2) // 1.82
 */
export function powderThickening(volumeShare: number): number {
  requireNumber(volumeShare, 'volumeShare', 0, 1);
  return volumeShare >= MAX_PACKED ? Infinity : (1 - volumeShare / MAX_PACKED) ** -EXPONENT;
}
