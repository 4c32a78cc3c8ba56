/** Molar gas constant, J/(mol·K) (SI, exact to the digits given). */
export const GAS_CONSTANT = 8.314462618;
/** 0 °C in kelvin. */
export const ZERO_C_IN_K = 273.15;

/**
 * How many times faster a thermally activated process runs at `temperatureC` than at `referenceC`.
 * @param activationKJPerMol activation energy, kJ/mol
 * @returns 1 at the reference, above 1 when warmer
 * @example arrheniusFactor(55, 33, 23) // 2.07
 */
export function arrheniusFactor(activationKJPerMol: number, temperatureC: number, referenceC: number): number {
  const inverse = 1 / (temperatureC + ZERO_C_IN_K) - 1 / (referenceC + ZERO_C_IN_K);
  return Math.exp(((-activationKJPerMol * 1000) / GAS_CONSTANT) * inverse);
}
