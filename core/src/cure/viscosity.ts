import type { Product } from '../formats/product';
import { arrheniusFactor } from './arrhenius';
import { SHEET_TEMPERATURE_C, familyKinetics } from './kineticsDefaults';

/**
 * Viscosity of the mix before it cures, `ηref·exp(Eη/R·(1/T − 1/Tref))`.
 * @returns mPa·s; null where the card states none or the family has no flow constant
 * @example mixedViscosityMPaS(houseClear6, 23) // 350
 */
export function mixedViscosityMPaS(product: Product, temperatureC: number): number | null {
  const stated = product.viscosity?.mixedMPaS;
  const kinetics = familyKinetics(product.family);
  if (stated == null || !kinetics) return null;
  return stated / arrheniusFactor(kinetics.flowKJPerMol, temperatureC, product.viscosity?.atC ?? SHEET_TEMPERATURE_C);
}

/**
 * How many times thicker the curing mix is than fresh: `(αgel/(αgel − α))^(1.5 + α)` (Castro & Macosko 1980).
 * @returns 1 at α = 0, infinite at gel
 */
export function thickening(alpha: number, alphaGel: number): number {
  return alpha >= alphaGel ? Infinity : (alphaGel / (alphaGel - alpha)) ** (1.5 + alpha);
}
