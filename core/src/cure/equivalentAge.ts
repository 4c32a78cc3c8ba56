import type { Product } from '../formats/product';
import { arrheniusFactor } from './arrhenius';
import { familyKinetics } from './kineticsDefaults';

/**
 * Minutes at the card's temperature that age the cure as much as `minutes` at `temperatureC` do.
 * A family without its own heat of cure (light-cured, water-based, silicone) is counted by the clock.
 * @param atC the temperature the card's figure is stated for
 * @example equivalentMinutes(houseDeep40, 100, 13, 23) // about 46
 */
export function equivalentMinutes(product: Product, minutes: number, temperatureC: number, atC: number): number {
  const kinetics = familyKinetics(product.family);
  return kinetics ? minutes * arrheniusFactor(kinetics.activationKJPerMol, temperatureC, atC) : minutes;
}

/** The inverse: minutes at `temperatureC` until the card's figure at `atC` is reached. */
export function minutesAt(product: Product, cardMinutes: number, temperatureC: number, atC: number): number {
  return cardMinutes / equivalentMinutes(product, 1, temperatureC, atC);
}
