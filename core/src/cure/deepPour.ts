import { requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import { findRoot } from '../numeric/findRoot';
import { bondWindow, type BondWindow } from './bondWindow';
import { calibrate, isCalibrated } from './calibration';
import type { CupMix } from './cupMix';
import { mouldHeatLimit } from './heatLimits';
import type { PourWidth } from './pourWidth';
import { simulateSlab } from './simulateSlab';
import { COLDEST_C, WARMEST_C } from './temperatureBounds';

/** The most that may be poured at once, and what decides it. */
export interface DeepestPour {
  readonly depthMm: number;
  /**
   * `card`: its deepest pour. `peak`: the card's exotherm limit in this room. `inclusion`: the heat an inclusion
   * bears. `not-stated`: nothing limits it.
   */
  readonly by: 'card' | 'peak' | 'inclusion' | 'not-stated';
}

export interface PourConditions {
  readonly resinC: number;
  readonly roomC: number;
  readonly mouldC?: number | undefined;
  readonly alpha?: number | undefined;
  readonly mix?: CupMix | undefined;
  /** Width of the pour seen from above; as wide as deep where it is not known. */
  readonly width?: PourWidth | undefined;
  /** The hottest that what is cast in may get, °C. */
  readonly inclusionMaxC?: number | null | undefined;
}

/** Nodes while searching a depth: the answer moves by under 1 % against 60. */
const SEARCH_NODES = 20;
const MIN_MM = 0.5;
/** Deepest pour looked at where the card states none, mm. */
const DEEPEST_MM = 300;

/**
 * The most depth per pour that keeps the model's peak under the card's limit and under what an inclusion bears, never
 * more than the card's own deepest pour.
 * @throws CoreError `out-of-range`
 */
export function deepestPour(product: Product, c: PourConditions): DeepestPour {
  requireNumber(c.resinC, 'resinC', COLDEST_C, WARMEST_C);
  requireNumber(c.roomC, 'roomC', COLDEST_C, WARMEST_C);
  const card = product.depth?.maxMm ?? null;
  const heat = { by: 'peak' as const, atC: mouldHeatLimit(product).atC };
  const bears = c.inclusionMaxC;
  const least = bears != null && bears < heat.atC ? { by: 'inclusion' as const, atC: bears } : heat;
  const most = card ?? DEEPEST_MM;
  const otherwise: DeepestPour = card === null ? { depthMm: most, by: 'not-stated' } : { depthMm: most, by: 'card' };
  if (!isCalibrated(calibrate(product)) || most <= MIN_MM) return otherwise;
  // The start of the pour is no exotherm: resin poured warmer than the limit is another fault.
  const floor = Math.max(least.atC, c.resinC, c.roomC);
  const over = (depthMm: number) => {
    const slab = simulateSlab(product, { ...c, depthMm, nodes: SEARCH_NODES });
    return 'peakC' in slab ? slab.peakC - floor : -1;
  };
  // Half a kelvin over the card's limit at the card's own depth is the model's grain, not a fault.
  if (over(most) <= 0.5) return otherwise;
  return { depthMm: findRoot(over, MIN_MM, most, 2e-3, 25).value, by: least.by };
}

/** One pour of a deep piece. */
export interface PourStep {
  readonly depthMm: number;
  /**
   * Minutes after the first pour at which this one may be made, at the
   * earliest and, to bond by itself, at the latest.
   */
  readonly afterMin: number;
  readonly untilMin: number | null;
}

export interface PourSchedule {
  readonly pours: readonly PourStep[];
  readonly deepest: DeepestPour;
  readonly window: BondWindow | null;
  /** Set where the layers are not cool before the bond window closes: sand between. */
  readonly sand: boolean;
}

/** More pours than this are no way to make a piece, and no schedule is written beyond. */
export const MAX_POURS = 200;

/** Pours that a depth takes, none deeper than may be; counted, never walked. */
export const poursFor = (depthMm: number, deepestMm: number): number =>
  deepestMm > 0 ? Math.min(MAX_POURS, Math.max(1, Math.ceil(depthMm / deepestMm - 1e-6))) : MAX_POURS;

/**
 * Splits a depth into pours of equal depth, none deeper than may be, each waited for until the one below bonds, has
 * gelled, and its heat is over.
 * @param readyMin minutes until one pour has gelled through and is cool, by the slab
 */
export function pourSchedule(
  product: Product,
  depthMm: number,
  roomC: number,
  deepest: DeepestPour,
  readyMin: number | null,
): PourSchedule {
  requireNumber(depthMm, 'depthMm', 1e-3, 10_000);
  const count = poursFor(depthMm, deepest.depthMm);
  const window = bondWindow(product, roomC);
  const wait = Math.max(window?.fromMin ?? 0, readyMin ?? 0);
  const open = window?.untilMin == null ? null : Math.max(0, window.untilMin);
  const pours = Array.from({ length: count }, (_, i) => ({
    depthMm: depthMm / count,
    afterMin: i * wait,
    untilMin: i === 0 || open === null ? null : (i - 1) * wait + Math.max(wait, open),
  }));
  return { pours, deepest, window, sand: count > 1 && open !== null && wait > open };
}
