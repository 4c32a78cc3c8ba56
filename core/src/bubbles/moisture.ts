import { SEA_LEVEL_KPA } from '../air/ambient';
import { GAS_CONSTANT, ZERO_C_IN_K } from '../cure/arrhenius';
import { requireNumber } from '../formats/errors';

/** Molar mass of water, g/mol. */
const WATER_G_PER_MOL = 18.015;

/**
 * Gas that water makes in a urethane: one mole of CO2 for each of water, `mwater/18.015 · R·T/P0`.
 * @param waterG 0 or more
 * @returns mL of CO2 at the room's pressure
 * @throws CoreError `out-of-range`
 * @example co2FromWaterML(1, 25) // 1358
 */
export function co2FromWaterML(waterG: number, temperatureC: number, ambientKPa = SEA_LEVEL_KPA): number {
  requireNumber(waterG, 'waterG', 0, 1e6);
  requireNumber(temperatureC, 'temperatureC', -40, 400);
  requireNumber(ambientKPa, 'ambientKPa', 1, 200);
  return ((waterG / WATER_G_PER_MOL) * GAS_CONSTANT * (temperatureC + ZERO_C_IN_K) * 1000) / ambientKPa;
}

/** Water in a water-based paint where its own share is not known, % by mass: about half. */
export const PAINT_WATER_PCT = 50;

/**
 * Water that additives and inclusions carry into the mix, g.
 * @param carriers each with its mass, g, and the share of it that is water, %
 */
export function carriedWaterG(carriers: readonly { readonly massG: number; readonly waterPct: number }[]): number {
  return carriers.reduce(
    (sum, c) => sum + (requireNumber(c.massG, 'massG', 0, 1e6) * requireNumber(c.waterPct, 'waterPct', 0, 100)) / 100,
    0,
  );
}
