import { COLDEST_C, WARMEST_C } from './temperatureBounds';
import { requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import { isCalibrated } from './calibration';
import { mixFit } from './cupMix';
import { sideLossOf, type SideLoss } from './sideLoss';
import { integrateSlab, type SlabCurve } from './slab';
import { SLAB_NODES, slabOf, type SlabRequest } from './slabConditions';

export type SlabResult =
  | { readonly status: 'no-kinetics' | 'no-pot-life' | 'did-not-converge' }
  | (SlabCurve & {
      readonly sideLoss: SideLoss;
      readonly heatFrom: 'card' | 'family';
      /** How far the peak moved when the mesh was last refined, K; null where no runaway made it matter. */
      readonly peakWithinK: number | null;
    });

/** A pour that warms by less than this has no front that a mesh could blur, K. */
const RUNAWAY_K = 25;
/** Refined until the peak moves by less than this, K, and never finer than so many nodes. */
const SETTLED_K = 2;
const MAX_NODES = 240;

/**
 * A pour through its thickness over time: peak, gel of centre and edge, when it is cool. Times count from the pour.
 * Runs until the reaction is over and it has cooled, ten days at most, or for `hours` where they are given. Where it
 * runs away the mesh is refined until the peak stands, unless `nodes` were asked for.
 * @returns a status in place of figures where the card or the family gives no kinetics
 * @throws CoreError `out-of-range` for a depth that is not above 0 and up
 * to 10 000 mm, or temperatures outside −40 to 400 °C
 */
export function simulateSlab(product: Product, wish: SlabRequest): SlabResult {
  requireNumber(wish.depthMm, 'depthMm', 1e-3, 10_000);
  requireNumber(wish.resinC, 'resinC', COLDEST_C, WARMEST_C);
  requireNumber(wish.roomC, 'roomC', COLDEST_C, WARMEST_C);
  requireNumber(wish.mouldC ?? wish.roomC, 'mouldC', COLDEST_C, WARMEST_C);
  requireNumber(wish.mouldMm ?? 0, 'mouldMm', 0, 1000);
  requireNumber(wish.alpha ?? 0, 'alpha', 0, 1);
  requireNumber(wish.nodes ?? 3, 'nodes', 3, 400);
  requireNumber(wish.hours ?? 1, 'hours', 1e-3, 2400);
  const fit = mixFit(product, wish.mix);
  if (!isCalibrated(fit)) return { status: fit.status };
  const loss = sideLossOf(product, wish.depthMm, wish.width);
  const run = (nodes: number) => integrateSlab(fit, { ...slabOf(fit, wish), nodes, sideWPerM3K: loss.wPerM3K });
  let nodes = wish.nodes ?? SLAB_NODES;
  let curve = run(nodes);
  let peakWithinK: number | null = null;
  const runsAway = wish.nodes === undefined && curve.peakC - Math.max(wish.resinC, wish.roomC) > RUNAWAY_K;
  while (runsAway && nodes * 2 <= MAX_NODES && (peakWithinK === null || peakWithinK > SETTLED_K)) {
    nodes *= 2;
    const finer = run(nodes);
    peakWithinK = Math.abs(finer.peakC - curve.peakC);
    curve = finer;
  }
  return { ...curve, sideLoss: loss, heatFrom: fit.heatFrom, peakWithinK };
}
