import { isCalibrated } from '../../cure/calibration';
import { integrateCup } from '../../cure/cup';
import { mixFit } from '../../cure/cupMix';
import { mouldHeatLimit } from '../../cure/heatLimits';
import { simulateSlab } from '../../cure/simulateSlab';
import { mixOfBatch } from '../../cure/workingTime';
import type { CaseFacts } from '../caseFacts';
import { roomOf } from './mendParts';

/** From this depth on a half-reacted casting is asked what heat is left in it before it is warmed, mm (judgement). */
const THICK_MM = 15;
/** A hot box is this much over the room at the most, where the card states no warmest room, K. */
const HOT_BOX_OVER_K = 10;
const NODES = 20;

/** What warming would do to a thick casting that is only half reacted. */
export interface HeatLeft {
  readonly warmC: number;
  readonly peakC: number;
  readonly runsAway: boolean;
}

/**
 * The slab asked what heat is left: the conversion that the casting has reached at the temperature it stood at, then
 * warmed through to the card's warmest room.
 * @returns null for a thin casting, one whose depth was not recorded, or a family without a cure model
 */
export function heatLeft(facts: CaseFacts): HeatLeft | null {
  const { product, batch, seen } = facts;
  const depthMm = batch.pour?.depthMm;
  if (depthMm == null || depthMm < THICK_MM) return null;
  const mix = mixOfBatch(product, batch);
  const fit = mixFit(product, mix);
  if (!isCalibrated(fit)) return null;
  const stoodC = roomOf(facts);
  const held = integrateCup(
    { ...fit, heatJPerG: 0 },
    {
      massG: 100,
      densityGPerML: fit.densityGPerML,
      resinC: stoodC,
      roomC: stoodC,
      maxMinutes: Math.max(1, seen.afterH * 60),
    },
  );
  const warmC = Math.max(stoodC, product.room?.maxC ?? stoodC + HOT_BOX_OVER_K);
  const alpha = Math.min(1, held.alpha.at(-1) ?? 0);
  const slab = simulateSlab(product, { depthMm, resinC: warmC, roomC: warmC, alpha, mix, mouldMm: 0, nodes: NODES });
  if (!('peakC' in slab)) return null;
  return { warmC, peakC: slab.peakC, runsAway: slab.peakC > mouldHeatLimit(product).atC };
}
