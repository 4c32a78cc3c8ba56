import type { Product } from '../formats/product';
import type { Calibration } from './calibration';
import { doseEffect } from './catalystDose';
import { integrateCup, minuteAtAlpha } from './cup';
import { SHEET_MASS_G } from './kineticsDefaults';

/** One gel time that the studio logged. */
export interface GelPoint {
  readonly minutes: number;
  readonly resinC: number;
  readonly roomC?: number | undefined;
  readonly massG?: number | undefined;
  /** Dose of catalyst, % of resin mass; the card's typical one where it is not given. */
  readonly catalystPct?: number | null | undefined;
}

/** The two parameters of a gel-time fit: activation energy, kJ/mol, and the logarithm of the rate constant, 1/min. */
export type GelParameters = readonly [activationKJPerMol: number, lnKPerMin: number];

/** ln of the minutes until a cup gels, under trial parameters. */
export type LnGel = (parameters: GelParameters, point: GelPoint) => number;

/** A run is followed this many times as long as what was logged. */
const FOLLOWED = 200;

/** The gel time of a product's own cup with its kinetics set to trial parameters. */
export function gelModel(product: Product, fit: Calibration): LnGel {
  return ([activationKJPerMol, lnK], point) => {
    const chemistry = {
      ...fit,
      kinetics: { ...fit.kinetics, activationKJPerMol },
      kPerMin: Math.exp(lnK) * (doseEffect(product, point.catalystPct)?.rate ?? 1),
    };
    const curve = integrateCup(chemistry, {
      massG: point.massG ?? product.gel?.massG ?? product.potLife?.massG ?? SHEET_MASS_G,
      densityGPerML: fit.densityGPerML,
      resinC: point.resinC,
      roomC: point.roomC ?? point.resinC,
      untilAlpha: fit.alphaGel * 1.01,
      maxMinutes: point.minutes * FOLLOWED,
    });
    return Math.log(minuteAtAlpha(curve, fit.alphaGel) ?? point.minutes * FOLLOWED);
  };
}

/** A model that works out no cup twice: the last step of a search, its ending and its spread ask for the same ones. */
export function rememberedModel(model: LnGel): LnGel {
  const known = new WeakMap<GelPoint, Map<string, number>>();
  return (parameters, point) => {
    let of = known.get(point);
    if (!of) known.set(point, (of = new Map()));
    const key = parameters.join(' ');
    let ln = of.get(key);
    if (ln === undefined) of.set(key, (ln = model(parameters, point)));
    return ln;
  };
}
