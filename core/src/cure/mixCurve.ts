import type { Product } from '../formats/product';
import { isCalibrated } from './calibration';
import { mixFit } from './cupMix';
import { simulateCup, type CupRequest } from './simulateCup';
import { mixedViscosityMPaS, thickening } from './viscosity';

/** The mixed cup as a bubble meets it: viscosity over time, with pot life and gel. */
export interface MixCurve {
  readonly from: 'model' | 'card' | 'none';
  readonly potLifeMin: number | null;
  readonly gelMin: number | null;
  readonly minutes: readonly number[];
  /** mPa·s at each minute; empty where the card states no viscosity. */
  readonly viscosityMPaS: readonly number[];
  readonly peakC: number | null;
  /** Whose the heat of reaction is; `none` without a model. */
  readonly heatFrom: 'card' | 'family' | 'none';
}

/**
 * The cup of a product at its own mass and temperatures. A family without a cure model keeps the label's minutes and
 * one viscosity until it gels.
 * @param thicker how many times powder thickens it
 */
export function mixCurve(product: Product, cup: CupRequest, thicker = 1): MixCurve {
  const result = simulateCup(product, cup);
  const fit = mixFit(product, cup.mix);
  if ('curve' in result && isCalibrated(fit)) {
    const { minutes, alpha, temperatureC } = result.curve;
    const known = mixedViscosityMPaS(product, cup.resinC) !== null;
    const viscosityMPaS = known
      ? minutes.map(
          (_, i) => mixedViscosityMPaS(product, temperatureC[i]!)! * thickening(alpha[i]!, fit.alphaGel) * thicker,
        )
      : [];
    return {
      from: 'model',
      potLifeMin: result.potLifeMin,
      gelMin: result.gelMin,
      minutes,
      viscosityMPaS,
      peakC: result.peakC,
      heatFrom: result.heatFrom,
    };
  }
  const [potLifeMin, gelMin] = [product.potLife?.minutes ?? null, product.gel?.minutes ?? null];
  const until = gelMin ?? potLifeMin;
  const stated = product.viscosity?.mixedMPaS;
  return {
    from: until === null ? 'none' : 'card',
    potLifeMin,
    gelMin,
    peakC: null,
    heatFrom: 'none',
    minutes: until === null ? [] : [0, until],
    viscosityMPaS: until === null || stated == null ? [] : [stated * thicker, stated * thicker],
  };
}
