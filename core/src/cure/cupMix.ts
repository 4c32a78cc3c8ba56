import type { Product } from '../formats/product';
import type { AdditiveKind } from '../formats/vocabulary';
import { calibrate, isCalibrated, type Calibration, type CalibrationResult } from './calibration';
import { doseEffect } from './catalystDose';
import { HEAT_CAPACITY_J_PER_GK } from './kineticsDefaults';

/** Something in the mix that takes no part in the cure. */
export interface InertPart {
  readonly massG: number;
  readonly kind?: AdditiveKind | null | undefined;
  readonly densityGPerML?: number | null | undefined;
  readonly heatCapacityJPerGK?: number | null | undefined;
}

/** What a cup holds beside the resin as its card describes it. */
export interface CupMix {
  /** Dose of catalyst, % of resin mass; the card's typical one where it is not given. */
  readonly catalystPct?: number | null | undefined;
  /** Resin and hardener, g; needed where something inert is in the mix. */
  readonly resinG?: number | null | undefined;
  readonly inert?: readonly InertPart[] | undefined;
}

/** Kinds that are grains: they take heat as stone does, and thicken. */
export const GRAIN_KINDS: ReadonlySet<string> = new Set(['powder', 'filler', 'mica', 'glitter']);
/** A grain's density where the additive states none, g/mL. */
export const GRAIN_G_PER_ML = 2.6;
/** Heat capacity of mineral filler, J/(g·K) (domain's default). */
const GRAIN_HEAT_CAPACITY = 0.9;

const isGrain = (part: InertPart) => GRAIN_KINDS.has(part.kind ?? '');
const capacityOf = (part: InertPart) =>
  part.heatCapacityJPerGK ?? (isGrain(part) ? GRAIN_HEAT_CAPACITY : HEAT_CAPACITY_J_PER_GK);

/** The mix as one stuff: less heat in a gram, its own heat capacity and density. */
function withInert(fit: Calibration, resinG: number, inert: readonly InertPart[]): Calibration {
  const inertG = inert.reduce((sum, p) => sum + p.massG, 0);
  const total = resinG + inertG;
  if (!(inertG > 0) || !(resinG > 0)) return fit;
  const capacity =
    (resinG * HEAT_CAPACITY_J_PER_GK + inert.reduce((sum, p) => sum + p.massG * capacityOf(p), 0)) / total;
  const volumeML =
    resinG / fit.densityGPerML +
    inert.reduce((sum, p) => sum + p.massG / (p.densityGPerML ?? (isGrain(p) ? GRAIN_G_PER_ML : fit.densityGPerML)), 0);
  return {
    ...fit,
    heatJPerG: (fit.heatJPerG * resinG) / total,
    heatCapacityJPerGK: capacity,
    densityGPerML: total / volumeML,
  };
}

/**
 * A product's chemistry as this mix has it: the rate moved by its dose of catalyst, the heat thinned by what does not
 * react. The card's own figures stay those of its typical dose without filler.
 */
export function mixFit(product: Product, mix: CupMix | null | undefined): CalibrationResult {
  const fit = calibrate(product);
  if (!isCalibrated(fit) || !mix) return fit;
  const dose = doseEffect(product, mix.catalystPct);
  const dosed = dose === null || dose.rate === 1 ? fit : { ...fit, kPerMin: fit.kPerMin * dose.rate };
  return mix.resinG != null && mix.inert?.length ? withInert(dosed, mix.resinG, mix.inert) : dosed;
}
