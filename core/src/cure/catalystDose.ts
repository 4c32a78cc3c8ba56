import type { Product } from '../formats/product';
import { findRoot } from '../numeric/findRoot';
import { memoize } from '../numeric/memoize';
import { calibrate, isCalibrated, type Calibration } from './calibration';
import { integrateCup, minuteAtAlpha } from './cup';
import { SHEET_MASS_G, SHEET_TEMPERATURE_C } from './kineticsDefaults';

/**
 * Gel time against dose, `t ∝ dose^(−n)`: the inhibitor is used up first, then radicals are made (domain's rule). The
 * exponent where the card states no gel times at doses of its own.
 */
export const DOSE_EXPONENT = 0.9;
/** Exponents that gel times of a real system could give. */
const [MIN_EXPONENT, MAX_EXPONENT] = [0.2, 2.5];
/** How far beyond the card's band the law is still trusted: half its bottom, twice its top. */
const BEYOND_BAND = 2;

/** What a dose of catalyst does to the rate of cure. */
export interface DoseEffect {
  /** Multiplies the rate constant; 1 at the card's typical dose. */
  readonly rate: number;
  readonly exponent: number;
  readonly exponentFrom: 'card' | 'default';
  /** False below half the band's bottom or above twice its top. */
  readonly trusted: boolean;
}

/** The dose that the card's pot life belongs to: the typical one, else the middle of the band. */
export function typicalDosePct(product: Product): number | null {
  const { minPct, typicalPct, maxPct } = product.ratio.catalyst ?? {};
  const typical = typicalPct ?? (minPct != null && maxPct != null ? (minPct + maxPct) / 2 : null);
  return typical !== null && typical > 0 ? typical : null;
}

interface DosePoint {
  readonly pct: number;
  readonly minutes: number;
  readonly atC: number;
  readonly massG: number;
}

/** Factor on the rate constant at which this cup gels at the stated minute, as a logarithm; null where none does. */
function rateToGelAt(fit: Calibration, point: DosePoint): number | null {
  const miss = (lnRate: number) => {
    const curve = integrateCup(
      { ...fit, kPerMin: fit.kPerMin * Math.exp(lnRate) },
      {
        massG: point.massG,
        densityGPerML: fit.densityGPerML,
        resinC: point.atC,
        roomC: point.atC,
        untilAlpha: fit.alphaGel * 1.02,
        maxMinutes: point.minutes * 50,
      },
    );
    const minute = minuteAtAlpha(curve, fit.alphaGel);
    return minute === null ? -Math.log(50) : Math.log(point.minutes / minute);
  };
  const root = findRoot(miss, -5, 5, 1e-5, 60);
  return Math.abs(root.residual) < 0.02 ? root.value : null;
}

/** The exponent by the card's own gel times at two doses or more: a straight line of ln rate on ln dose. */
const fittedExponent = memoize((product: Product): number | null => {
  const fit = calibrate(product);
  if (!isCalibrated(fit)) return null;
  const points = (product.ratio.catalyst?.gel ?? []).flatMap((g): { x: number; y: number }[] => {
    const y = rateToGelAt(fit, {
      pct: g.pct,
      minutes: g.minutes,
      atC: g.atC ?? SHEET_TEMPERATURE_C,
      massG: g.massG ?? product.gel?.massG ?? product.potLife?.massG ?? SHEET_MASS_G,
    });
    return y === null ? [] : [{ x: Math.log(g.pct), y }];
  });
  const meanX = points.reduce((sum, p) => sum + p.x, 0) / points.length;
  const meanY = points.reduce((sum, p) => sum + p.y, 0) / points.length;
  const spread = points.reduce((sum, p) => sum + (p.x - meanX) ** 2, 0);
  if (points.length < 2 || spread < 1e-6) return null;
  const slope = points.reduce((sum, p) => sum + (p.x - meanX) * (p.y - meanY), 0) / spread;
  return Math.min(MAX_EXPONENT, Math.max(MIN_EXPONENT, slope));
});

/**
 * What a dose of catalyst does to the rate of cure: `k·(dose/typical)^n`, the heat of reaction unchanged.
 * @param pct dose, % of resin mass; 0 never cures
 * @returns null for a system without catalyst, a card without a dose, or a dose that was not recorded
 * @example doseEffect(houseTide, 3.2).rate // about 1.87
 */
export function doseEffect(product: Product, pct: number | null | undefined): DoseEffect | null {
  const typical = typicalDosePct(product);
  if (typical === null || pct == null) return null;
  const { minPct, maxPct } = product.ratio.catalyst ?? {};
  const own = fittedExponent(product);
  const exponent = own ?? DOSE_EXPONENT;
  return {
    rate: (Math.max(0, pct) / typical) ** exponent,
    exponent,
    exponentFrom: own === null ? 'default' : 'card',
    trusted: pct >= (minPct ?? typical) / BEYOND_BAND && pct <= (maxPct ?? typical) * BEYOND_BAND,
  };
}
