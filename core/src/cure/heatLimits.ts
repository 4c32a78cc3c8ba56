import type { Product } from '../formats/product';

/** Heat and fume need no card: from here on a mix left by itself smokes and spits, °C (domain's rule). */
export const HEAT_STOP_C = 120;
/** So much over the peak that a card states is no longer that product as its maker knows it, K (domain's rule). */
export const OVER_STATED_PEAK_K = 40;

/** The hottest that something may get, and who says so. */
export interface HeatLimit {
  readonly atC: number;
  readonly from: 'card' | 'stated-peak' | 'practice';
}

const byPeak = (product: Product): HeatLimit => {
  const peakC = product.exotherm?.peakC;
  return peakC == null
    ? { atC: HEAT_STOP_C, from: 'practice' }
    : { atC: peakC + OVER_STATED_PEAK_K, from: 'stated-peak' };
};

/**
 * The hottest that a pour may get in its mould: the card's exotherm limit;
 * where it is silent its own peak binds, else practice.
 */
export const mouldHeatLimit = (product: Product): HeatLimit =>
  product.exothermMaxC == null ? byPeak(product) : { atC: product.exothermMaxC, from: 'card' };

/** The hottest that a cup left standing may get: so much over the card's own cup, or practice. */
export const cupHeatLimit = (product: Product): HeatLimit => byPeak(product);
