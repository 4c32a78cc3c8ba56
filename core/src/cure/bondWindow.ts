import type { Product } from '../formats/product';
import { minutesAt } from './equivalentAge';
import { SHEET_TEMPERATURE_C } from './kineticsDefaults';

/** When the next layer bonds by itself, minutes after the layer below was poured. */
export interface BondWindow {
  readonly fromMin: number;
  readonly untilMin: number | null;
}

/**
 * The card's bond window carried to the room by the family's Arrhenius shift.
 * @returns null where the card states none
 * @example bondWindow(houseDeep40, 23).fromMin // 720
 */
export function bondWindow(product: Product, roomC: number): BondWindow | null {
  const { fromMin, untilMin, atC } = product.recoat ?? {};
  if (fromMin == null && untilMin == null) return null;
  const at = (minutes: number) => minutesAt(product, minutes, roomC, atC ?? SHEET_TEMPERATURE_C);
  return { fromMin: at(fromMin ?? 0), untilMin: untilMin == null ? null : at(untilMin) };
}
