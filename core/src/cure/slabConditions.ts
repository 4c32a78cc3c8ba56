import type { Calibration } from './calibration';
import { CUP_CONVECTION_W_PER_M2K } from './kineticsDefaults';
import type { CupMix } from './cupMix';
import type { PourWidth } from './pourWidth';
import type { SlabConditions } from './slabTypes';

/** Thickness of mould rubber below a cavity where nobody measured it, mm. */
export const MOULD_MM = 15;
/** What the bench takes from the mould's underside, W/(m²·K): still air and wood. */
const BENCH_W_PER_M2K = 6;
export const SLAB_NODES = 60;
/** A piece is cool when all of it is within this of the room, K. */
export const COOL_K = 5;
/** Longest cure followed in a mould, min: ten days. */
const MAX_MINUTES = 14_400;

export interface SlabRequest {
  readonly depthMm: number;
  readonly resinC: number;
  readonly roomC: number;
  readonly mouldC?: number | undefined;
  readonly mouldMm?: number | undefined;
  readonly alpha?: number | undefined;
  /** What the mix holds beside the resin as its card describes it. */
  readonly mix?: CupMix | undefined;
  /** Width of the pour seen from above; as wide as it is deep where it is not known. */
  readonly width?: PourWidth | undefined;
  readonly nodes?: number | undefined;
  readonly hours?: number | undefined;
  readonly onProgress?: ((share: number) => void) | undefined;
}

/** The full conditions of a slab of a fitted product, with studio defaults where nothing was said; no side loss. */
export function slabOf(fit: Calibration, wish: SlabRequest): SlabConditions {
  return {
    depthMm: wish.depthMm,
    densityGPerML: fit.densityGPerML,
    resinC: wish.resinC,
    alpha: wish.alpha ?? 0,
    roomC: wish.roomC,
    mouldC: wish.mouldC ?? wish.roomC,
    mouldMm: wish.mouldMm ?? MOULD_MM,
    topWPerM2K: CUP_CONVECTION_W_PER_M2K,
    bottomWPerM2K: BENCH_W_PER_M2K,
    sideWPerM3K: 0,
    nodes: wish.nodes ?? SLAB_NODES,
    maxMinutes: wish.hours === undefined ? MAX_MINUTES : wish.hours * 60,
    alphaGel: fit.alphaGel,
    coolK: wish.hours === undefined ? COOL_K : 0,
    onProgress: wish.onProgress,
  };
}
