import type { Product } from '../formats/product';
import { memoize } from '../numeric/memoize';
import { requireNumber } from '../formats/errors';
import { isCalibrated } from './calibration';
import { mixFit, type CupMix } from './cupMix';
import { COLDEST_C, WARMEST_C } from './temperatureBounds';
import { minuteAtAlpha, type CupCurve } from './cup';
import { integrateSplitCup, type CupSplit } from './splitCup';

export interface CupRequest {
  /** Mixed mass in the cup, g. */
  readonly massG: number;
  /** Temperature of the mix at time zero, °C. */
  readonly resinC: number;
  readonly roomC: number;
  readonly cupDiameterMm?: number | undefined;
  /** What it holds beside the resin as its card describes it. */
  readonly mix?: CupMix | undefined;
  /** Poured off into a cup of its own: when, and with how much. */
  readonly split?: CupSplit | null | undefined;
}

export type CupResult =
  | { readonly status: 'no-kinetics' | 'no-pot-life' | 'did-not-converge' }
  | {
      readonly status: 'complete' | 'time-ran-out' | 'too-many-steps';
      /** Minutes from when the parts met; null where the run ended before. */
      readonly potLifeMin: number | null;
      readonly gelMin: number | null;
      readonly peakC: number;
      readonly peakMin: number;
      readonly curve: CupCurve;
      readonly heatFrom: 'card' | 'family';
      readonly massAssumed: boolean;
    };

/** A cup lighter than this is no warmer than its room, one heavier is adiabatic: beyond, nothing changes, g. */
const [MIN_G, MAX_G] = [1e-3, 1e7];
/** Longest cure worth following in a cup, min: ten days. */
const MAX_MINUTES = 14_400;

/** Cups remembered for each card: a plan and a diagnosis ask for the same ones again and again. */
const REMEMBERED = 48;
const cupsOf = memoize<Product, Map<string, CupResult>>(() => new Map());

/** All that a cup goes by beside its card, as one word. */
const keyOf = ({ massG, resinC, roomC, cupDiameterMm, mix, split }: CupRequest): string =>
  JSON.stringify([massG, resinC, roomC, cupDiameterMm, mix?.catalystPct, mix?.resinG, mix?.inert, split]);

/**
 * The mixed cup of a product over time, with the chemistry fitted to its card: pot life, gel, peak exotherm.
 * @returns a status in place of figures where the card or the family gives no kinetics
 * @throws CoreError `out-of-range` for a mass that is not above 0, or temperatures outside −40 to 400 °C
 */
export function simulateCup(product: Product, request: CupRequest): CupResult {
  requireNumber(request.massG, 'massG', Number.MIN_VALUE, 1e10);
  requireNumber(request.resinC, 'resinC', COLDEST_C, WARMEST_C);
  requireNumber(request.roomC, 'roomC', COLDEST_C, WARMEST_C);
  const known = cupsOf(product);
  const key = keyOf(request);
  const before = known.get(key);
  if (before) return before;
  const result = followCup(product, request);
  if (known.size >= REMEMBERED) known.delete(known.keys().next().value!);
  known.set(key, result);
  return result;
}

function followCup(product: Product, request: CupRequest): CupResult {
  const fit = mixFit(product, request.mix);
  if (!isCalibrated(fit)) return { status: fit.status };
  const massG = Math.min(MAX_G, Math.max(MIN_G, request.massG));
  const { split } = request;
  const curve = integrateSplitCup(
    fit,
    { ...request, massG, densityGPerML: fit.densityGPerML, maxMinutes: MAX_MINUTES },
    split ? { ...split, massG: Math.min(MAX_G, Math.max(MIN_G, split.massG)) } : null,
  );
  return {
    status: curve.status,
    potLifeMin: minuteAtAlpha(curve, fit.alphaPot),
    gelMin: minuteAtAlpha(curve, fit.alphaGel),
    peakC: curve.peakC,
    peakMin: curve.peakMin,
    curve,
    heatFrom: fit.heatFrom,
    massAssumed: fit.massAssumed,
  };
}
