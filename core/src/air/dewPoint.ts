import { requireNumber } from '../formats/errors';

/** Range of air in which the formula holds, °C. */
const [MIN_C, MAX_C] = [-45, 60];
/** Magnus coefficients over water, −45 to 60 °C (Alduchov & Eskridge 1996). */
const MAGNUS_A = 17.625;
const MAGNUS_B_C = 243.04;

/**
 * Dew point by the Magnus formula: the temperature at which a surface starts to sweat.
 * @param temperatureC air, −45 to 60 °C
 * @param humidityPct relative humidity, above 0 and up to 100 %
 * @returns °C, at most the air temperature
 * @throws CoreError `out-of-range`
 * @example dewPointC(20, 50) // 9.26
 */
export function dewPointC(temperatureC: number, humidityPct: number): number {
  requireNumber(temperatureC, 'temperatureC', MIN_C, MAX_C);
  requireNumber(humidityPct, 'humidityPct', Number.MIN_VALUE, 100);
  const gamma = Math.log(humidityPct / 100) + (MAGNUS_A * temperatureC) / (MAGNUS_B_C + temperatureC);
  return (MAGNUS_B_C * gamma) / (MAGNUS_A - gamma);
}

/**
 * The dew point of a record, °C; null where air or damp was not recorded,
 * was read as nought, or lies beyond the formula.
 */
export function knownDewPointC(
  temperatureC: number | null | undefined,
  humidityPct: number | null | undefined,
): number | null {
  if (temperatureC == null || humidityPct == null) return null;
  const holds = temperatureC >= MIN_C && temperatureC <= MAX_C && humidityPct > 0 && humidityPct <= 100;
  const found = holds ? dewPointC(temperatureC, humidityPct) : NaN;
  return Number.isFinite(found) ? found : null;
}
