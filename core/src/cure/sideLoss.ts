import type { Product } from '../formats/product';
import { findRoot } from '../numeric/findRoot';
import { memoize } from '../numeric/memoize';
import { calibrate, isCalibrated } from './calibration';
import { CUP_CONVECTION_W_PER_M2K } from './kineticsDefaults';
import { integrateSlab } from './slab';
import type { PourWidth } from './pourWidth';
import { slabOf } from './slabConditions';

/** Heat that a real piece loses through its sides, and how far that figure can be trusted. */
export interface SideLoss {
  readonly wPerM3K: number;
  /**
   * `card`: solved so that the card's own deepest pour just meets its exotherm limit. `not-needed`: that pour stays
   * under the limit without any. `wider`: the card's own, less of it, for the pour is wider. `worst-case`: the card
   * lacks depth or limit, the pour is a wide panel, or nothing was found, so little or none is taken. `not-met`: the
   * sides would have to lose more than those of a bar as wide as it is deep; the card's figures cannot all be true.
   */
  readonly from: 'card' | 'wider' | 'not-needed' | 'worst-case' | 'not-met';
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
  const root = findRoot(over, 0, most, 1e-3, 30);
  return root.status === 'converged' ? { wPerM3K: root.value, from: 'card' } : { wPerM3K: 0, from: 'worst-case' };
}

/** A product's loss through the sides of its own deepest pour, as wide as deep; solved once for each card object. */
export const sideLoss: (product: Product) => SideLoss = memoize(solve);

/** A mass that would make one piece up to so many times as wide as deep is taken as such; */
const COMPACT = 1.5;
/** from so many times on it may be a panel or several pieces, and nothing is taken for its sides. */
const LARGE = 4;

/**
 * The loss through the sides of one pour: the card's own belongs to a piece as wide as deep, and falls with the pour's
 * perimeter over its area. Where only the mass tells the width and it is large for the depth, it fades to nothing.
 * @param width of the pour; not known takes it as wide as deep
 */
export function sideLossOf(product: Product, depthMm: number, width: PourWidth | null | undefined): SideLoss {
  const own = sideLoss(product);
  const cardMm = product.depth?.maxMm;
  if (own.wPerM3K === 0 || cardMm == null || width == null || !(width.mm > 0)) return own;
  // Perimeter over area of a square is 4/width; a sliver is no better off than the card's own bar.
  const byPerimeter = Math.min(1, cardMm / width.mm);
  const large = (LARGE - width.mm / depthMm) / (LARGE - COMPACT);
  const sure = width.from === 'measured' ? 1 : Math.min(1, Math.max(0, large));
  const from = byPerimeter < 1 && own.from === 'card' ? 'wider' : own.from;
  return { wPerM3K: own.wPerM3K * byPerimeter * sure, from: sure < 1 ? 'worst-case' : from };
}
