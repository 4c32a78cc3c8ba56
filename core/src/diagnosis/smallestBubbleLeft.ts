import { fluidityIntegral, smallestClearedMm } from '../bubbles/rise';
import { SHEET_DENSITY_G_PER_ML, SHEET_MASS_G } from '../cure/kineticsDefaults';
import { isCalibrated } from '../cure/calibration';
import { mixFit } from '../cure/cupMix';
import { simulateCup } from '../cure/simulateCup';
import { mixedViscosityMPaS, thickening } from '../cure/viscosity';
import { mixOfBatch } from '../cure/workingTime';
import type { Batch } from '../formats/batch';
import { memoize } from '../numeric/memoize';
import type { RecordFacts } from './caseFacts';

/** The smallest bubble that could leave, over which depth, and in which time. */
export interface BubbleLeft {
  readonly diameterMm: number;
  readonly depthMm: number;
  readonly minutes: number;
}

/** When bubbles could rise: from the pour, or the rest before it, until the lid was on or it gelled; minutes. */
function openTime(batch: Batch, gelMin: number): { from: number; until: number } | null {
  const { degas, pour, mix, pressure } = batch;
  const poured = pour?.finishedMin ?? pour?.startedMin ?? mix?.stirMin;
  if (poured == null) return null;
  const rested = degas?.method === 'rest' ? (degas.minutes ?? 0) : 0;
  const lidMin = pressure?.gaugeKPa ? (pressure.startedMin ?? gelMin) : gelMin;
  return { from: Math.max(0, poured - rested), until: Math.min(gelMin, lidMin) };
}

/** Viscosity of the curing mix along its cup's own course, mPa·s; null where the card states none. */
function curingViscosity({ product, batch, working }: RecordFacts, resinC: number) {
  const mix = mixOfBatch(product, batch);
  const fit = mixFit(product, mix);
  if (!isCalibrated(fit)) return null;
  const massG = working.massG ?? SHEET_MASS_G;
  const cup = simulateCup(product, { massG, resinC, roomC: batch.room?.temperatureC ?? resinC, mix });
  if (!('curve' in cup)) return null;
  const { minutes, alpha, temperatureC } = cup.curve;
  const viscosity = minutes.map(
    (_, i) => (mixedViscosityMPaS(product, temperatureC[i]!) ?? Infinity) * thickening(alpha[i]!, fit.alphaGel),
  );
  return viscosity[0] === Infinity ? null : { minutes, viscosity };
}

/**
 * The smallest bubble that rises out of the pour in the time really given: from when it was poured (or from its rest)
 * until the lid was on or it gelled, at the viscosity of the curing mix.
 * @returns null where the depth, a temperature or the card's viscosity is missing
 */
export const smallestBubbleLeft: (facts: RecordFacts) => BubbleLeft | null = memoize(bubbleLeft);

function bubbleLeft(facts: RecordFacts): BubbleLeft | null {
  const { product, batch, working } = facts;
  const depthMm = batch.pour?.depthMm;
  const resinC = batch.resin?.atPourC ?? working.resinC;
  if (!depthMm || resinC === null || working.gelMin === null) return null;
  const time = openTime(batch, working.gelMin);
  const curing = time && curingViscosity(facts, resinC);
  if (!time || !curing) return null;
  const fluidity = fluidityIntegral(curing.minutes, curing.viscosity, time.from, time.until);
  const densityGPerML = product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML;
  return {
    diameterMm: smallestClearedMm({ depthMm, densityGPerML, fluidity }),
    depthMm,
    minutes: Math.max(0, time.until - time.from),
  };
}
