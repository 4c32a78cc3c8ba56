import { requireNumber } from '../errors';
import type { Product } from '../formats/product';
import { calibrate, isCalibrated } from './calibration';
import { sideLoss, type SideLoss } from './sideLoss';
import { integrateSlab, type SlabCurve } from './slab';
import { slabOf, type SlabWish } from './slabConditions';

export type SlabResult =
  | { readonly status: 'no-kinetics' | 'no-pot-life' | 'did-not-converge' }
  | (SlabCurve & {
      readonly sideLoss: SideLoss;
      readonly heatFrom: 'card' | 'family';
    });

/**
 * A pour through its thickness over time: peak, gel of centre and edge, when it is cool. Times count from the pour.
 * Runs until it has gelled and cooled, ten days at most, or for `hours` where they are given.
 * @returns a status in place of figures where the card or the family gives no kinetics
 * @throws CoreError `out-of-range` for a depth that is not above 0 and up to 1000 mm, or temperatures outside −40 to 200 °C
 */
export function simulateSlab(product: Product, wish: SlabWish): SlabResult {
  requireNumber(wish.depthMm, 'depthMm', 1e-3, 1000);
  requireNumber(wish.resinC, 'resinC', -40, 200);
  requireNumber(wish.roomC, 'roomC', -40, 200);
  requireNumber(wish.mouldC ?? wish.roomC, 'mouldC', -40, 200);
  requireNumber(wish.mouldMm ?? 0, 'mouldMm', 0, 1000);
  requireNumber(wish.alpha ?? 0, 'alpha', 0, 1);
  requireNumber(wish.nodes ?? 3, 'nodes', 3, 400);
  requireNumber(wish.hours ?? 1, 'hours', 1e-3, 2400);
  const fit = calibrate(product);
  if (!isCalibrated(fit)) return { status: fit.status };
  const loss = sideLoss(product);
  const curve = integrateSlab(fit, { ...slabOf(fit, wish), sideWPerM3K: loss.wPerM3K });
  return { ...curve, sideLoss: loss, heatFrom: fit.heatFrom };
}
