import { requireNumber } from '../formats/errors';

/** mJ/cm² that 1 mW/cm² gives in a minute. */
const MJ_PER_MW_MIN = 60;
/** More than any lamp of a studio gives, mW/cm². */
const MAX_IRRADIANCE = 100_000;

/**
 * How long a lamp must stand over a face to give it a dose: dose over irradiance.
 * @param doseMJPerCM2 what the face is to get, mJ/cm²
 * @param irradianceMWPerCM2 what the lamp gives at the work, mW/cm²; more than 0
 * @returns minutes
 * @throws CoreError `out-of-range`
 * @example lampMinutes(1080, 18) // 1
 */
export function lampMinutes(doseMJPerCM2: number, irradianceMWPerCM2: number): number {
  requireNumber(doseMJPerCM2, 'doseMJPerCM2', 0, 1e9);
  requireNumber(irradianceMWPerCM2, 'irradianceMWPerCM2', 1e-6, MAX_IRRADIANCE);
  return doseMJPerCM2 / (irradianceMWPerCM2 * MJ_PER_MW_MIN);
}

/**
 * What a face got of a lamp.
 * @returns mJ/cm²
 * @throws CoreError `out-of-range`
 * @example lampDoseMJPerCM2(18, 1) // 1080
 */
export function lampDoseMJPerCM2(irradianceMWPerCM2: number, minutes: number): number {
  requireNumber(irradianceMWPerCM2, 'irradianceMWPerCM2', 0, MAX_IRRADIANCE);
  requireNumber(minutes, 'minutes', 0, 1e6);
  return irradianceMWPerCM2 * minutes * MJ_PER_MW_MIN;
}
