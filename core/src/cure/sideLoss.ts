import type { Product } from '../formats/product';
import { findRoot } from '../numeric/findRoot';
import { remembered } from '../numeric/remembered';
import { calibrate, isCalibrated } from './calibration';
import { CUP_CONVECTION_W_PER_M2K } from './kineticsDefaults';
import { integrateSlab } from './slab';
import { slabOf } from './slabConditions';

/** Heat that a real piece loses through its sides, and how far that figure can be trusted. */
export interface SideLoss {
  readonly wPerM3K: number;
  /**
   * `card`: solved so that the card's own deepest pour just meets its exotherm limit. `not-needed`: that pour stays
   * under the limit without any. `worst-case`: the card lacks depth or limit, so none is taken. `not-met`: the sides
   * would have to lose more than those of a bar as wide as it is deep; the card's figures cannot all be true.
   */
  readonly from: 'card' | 'not-needed' | 'worst-case' | 'not-met';
}

/** Nodes through the thickness while searching; the peak moves by under half a kelvin against 60. */
const SEARCH_NODES = 24;
/** Faces of a square bar around its length. */
const BAR_SIDES = 4;

function solve(product: Product): SideLoss {
  const fit = calibrate(product);
  const [depthMm, limitC] = [product.depth?.maxMm, product.exothermMaxC];
  const { minC, maxC } = product.room ?? {};
  if (!isCalibrated(fit) || depthMm == null || depthMm <= 0 || limitC == null || minC == null || maxC == null)
    return { wPerM3K: 0, from: 'worst-case' };
  const roomC = (minC + maxC) / 2;
  const conditions = slabOf(fit, { depthMm, resinC: roomC, roomC, nodes: SEARCH_NODES });
  const over = (wPerM3K: number) => integrateSlab(fit, { ...conditions, sideWPerM3K: wPerM3K }).peakC - limitC;
  if (over(0) <= 0) return { wPerM3K: 0, from: 'not-needed' };
  const most = (BAR_SIDES * CUP_CONVECTION_W_PER_M2K) / (depthMm / 1000);
  if (over(most) > 0) return { wPerM3K: most, from: 'not-met' };
  return { wPerM3K: findRoot(over, 0, most, 1e-3, 30).value, from: 'card' };
}

/** A product's loss through the sides, solved once for each card object. */
export const sideLoss: (product: Product) => SideLoss = remembered(solve);
