import { CoreError, requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import { partsForTotal } from './partsForTotal';
import { errorAgainst, weightParts, type Parts } from './ratio';

/** The least addition that brings an over-poured mix back into ratio. */
export interface OverpourFix {
  /** The part to add to; null where it is in ratio already. */
  readonly part: 'A' | 'B' | null;
  readonly addG: number;
  /** Ratio error before, %. */
  readonly errorPct: number;
  /** A + B after the addition, g, and how much more than before that is. */
  readonly totalG: number;
  readonly massAG: number;
  readonly massBG: number;
}

/** A part by weight of the card, or its typical catalyst dose. @throws CoreError `ratio-not-stated` */
export function partsOrDose(product: Product): Parts {
  const stated = weightParts(product);
  if (stated) return stated;
  const { massAG, massBG } = partsForTotal(product, 100);
  if (massBG === 0)
    throw new CoreError(
      'ratio-not-stated',
      'A light-cured product has one part: there is no ratio to bring back.',
      'ratio',
    );
  return { a: massAG, b: massBG };
}

/** Ratios this close are taken as met, %; below what any bench scale resolves. */
const IN_RATIO_PCT = 1e-6;

/**
 * What to add to which part after one was over-poured: the part that is too little by the other's measure.
 * @param massAG part A in the cup, g, above 0
 * @param massBG part B in the cup, g, above 0
 * @throws CoreError `ratio-not-stated`, `out-of-range`
 * @example overpourFix(houseClear6, 150, 130).addG // 8.54
 */
export function overpourFix(product: Product, massAG: number, massBG: number): OverpourFix {
  const parts = partsOrDose(product);
  requireNumber(massAG, 'massAG', Number.MIN_VALUE, 1e6);
  requireNumber(massBG, 'massBG', Number.MIN_VALUE, 1e6);
  const errorPct = errorAgainst(parts, massAG, massBG);
  if (Math.abs(errorPct) < IN_RATIO_PCT)
    return { part: null, addG: 0, errorPct, totalG: massAG + massBG, massAG, massBG };
  const after =
    errorPct > 0 ? { massAG: (massBG * parts.a) / parts.b, massBG } : { massAG, massBG: (massAG * parts.b) / parts.a };
  const addG = after.massAG + after.massBG - massAG - massBG;
  return { part: errorPct > 0 ? 'A' : 'B', addG, errorPct, totalG: after.massAG + after.massBG, ...after };
}
