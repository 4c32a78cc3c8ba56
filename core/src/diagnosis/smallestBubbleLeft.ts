import { fluidityIntegral, smallestClearedMm } from '../bubbles/rise';
import { SHEET_DENSITY_G_PER_ML, SHEET_MASS_G } from '../cure/kineticsDefaults';
import { isCalibrated } from '../cure/calibration';
import { mixFit } from '../cure/cupMix';
import { simulateCup } from '../cure/simulateCup';
import { mixedViscosityMPaS, thickening } from '../cure/viscosity';
import { mixOfBatch } from '../cure/workingTime';
import type { RecordFacts } from './caseFacts';

/** The smallest bubble that could leave, over which depth, and in which time. */
export interface BubbleLeft {
  readonly diameterMm: number;
  readonly depthMm: number;
  readonly minutes: number;
}

/**
 * The smallest bubble that rises out of the pour in the time really given: from when it was poured (or from its rest)
 * until the lid was on or it gelled, at the viscosity of the curing mix.
 * @returns null where the depth, a temperature or the card's viscosity is missing
 */
export function smallestBubbleLeft({ product, batch, working }: RecordFacts): BubbleLeft | null {
  const depthMm = batch.pour?.depthMm;
  const mix = mixOfBatch(product, batch);
  const fit = mixFit(product, mix);
  const resinC = batch.resin?.atPourC ?? working.resinC;
  if (!depthMm || resinC === null || !isCalibrated(fit) || working.gelMin === null) return null;
  const cup = simulateCup(product, {
    massG: working.massG ?? SHEET_MASS_G,
    resinC,
    roomC: batch.room?.temperatureC ?? resinC,
    mix,
  });
  if (!('curve' in cup)) return null;
  const { minutes, alpha, temperatureC } = cup.curve;
  const viscosity = minutes.map(
    (_, i) => (mixedViscosityMPaS(product, temperatureC[i]!) ?? Infinity) * thickening(alpha[i]!, fit.alphaGel),
  );
  if (viscosity[0] === Infinity) return null;
  const rested = batch.degas?.method === 'rest' ? (batch.degas.minutes ?? 0) : 0;
  const poured = batch.pour?.finishedMin ?? batch.pour?.startedMin ?? batch.mix?.stirMin;
  if (poured == null) return null;
  const until = Math.min(
    working.gelMin,
    batch.pressure?.gaugeKPa ? (batch.pressure.startedMin ?? working.gelMin) : working.gelMin,
  );
  const from = Math.max(0, poured - rested);
  const fluidity = fluidityIntegral(minutes, viscosity, from, until);
  const densityGPerML = product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML;
  return {
    diameterMm: smallestClearedMm({ depthMm, densityGPerML, fluidity }),
    depthMm,
    minutes: Math.max(0, until - from),
  };
}
