import type { Product } from '../formats/product';
import { requireNumber } from '../errors';
import { calibrate, isCalibrated } from './calibration';
import { integrateCup, minuteAtAlpha, type CupCurve } from './cup';

export interface CupRequest {
  /** Mixed mass in the cup, g. */
  readonly massG: number;
  /** Temperature of the mix at time zero, °C. */
  readonly resinC: number;
  readonly roomC: number;
  readonly cupDiameterMm?: number | undefined;
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

/** Longest cure worth following in a cup, min: ten days. */
const MOST_MINUTES = 14_400;

/**
 * The mixed cup of a product over time, with the chemistry fitted to its card: pot life, gel, peak exotherm.
 * @returns a status in place of figures where the card or the family gives no kinetics
 * @throws CoreError `out-of-range` for a mass that is not above 0, or temperatures outside −40 to 200 °C
 */
export function simulateCup(product: Product, request: CupRequest): CupResult {
  requireNumber(request.massG, 'massG', 1e-6, 1e7);
  requireNumber(request.resinC, 'resinC', -40, 200);
  requireNumber(request.roomC, 'roomC', -40, 200);
  const fit = calibrate(product);
  if (!isCalibrated(fit)) return { status: fit.status };
  const curve = integrateCup(fit, { ...request, densityGPerML: fit.densityGPerML, mostMinutes: MOST_MINUTES });
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
