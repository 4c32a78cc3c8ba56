import { requireNumber } from '../errors';

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
  requireNumber(temperatureC, 'temperatureC', -45, 60);
  requireNumber(humidityPct, 'humidityPct', Number.MIN_VALUE, 100);
  const gamma = Math.log(humidityPct / 100) + (MAGNUS_A * temperatureC) / (MAGNUS_B_C + temperatureC);
  return (MAGNUS_B_C * gamma) / (MAGNUS_A - gamma);
}
