import type { Product } from '../formats/product';
import { SHEET_TEMPERATURE_C } from './kineticsDefaults';
import { equivalentMinutes } from './equivalentAge';

/** Share of full hardness at the card's demould and full-cure times. */
const AT_DEMOULD = 0.7;
const AT_FULL_CURE = 0.98;

/**
 * Expected Shore hardness after `minutes` at `temperatureC`: a stretched exponential over equivalent time, through
 * 70 % of full at the card's demould and 98 % at its full cure.
 * @returns Shore on the card's scale; null where the card lacks hardness, demould or full cure
 */
export function expectedShore(product: Product, minutes: number, temperatureC: number): number | null {
  const full = product.hardness?.value;
  const demould = product.demould?.minutes;
  const fullCureH = product.fullCure?.hours;
  if (full == null || demould == null || fullCureH == null || fullCureH * 60 <= demould) return null;
  const age = equivalentMinutes(product, minutes, temperatureC, product.demould?.atC ?? SHEET_TEMPERATURE_C);
  const [first, last] = [-Math.log(1 - AT_DEMOULD), -Math.log(1 - AT_FULL_CURE)];
  const shape = Math.log(last / first) / Math.log((fullCureH * 60) / demould);
  return full * (1 - Math.exp(-first * (Math.max(0, age) / demould) ** shape));
}
