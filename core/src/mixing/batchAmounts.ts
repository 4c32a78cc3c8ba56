import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { errorAgainst, volumeParts, weightParts } from './ratio';

/** The mixed masses of a batch in grams; a part is null where neither the record nor the card tells it. */
export interface MixMasses {
  readonly massAG: number | null;
  readonly massBG: number | null;
  readonly totalG: number | null;
}

const measuredIn = (batch: Batch): 'g' | 'mL' => batch.mix?.unit ?? (batch.mix?.measuredBy === 'volume' ? 'mL' : 'g');

const onePart = (product: Product) => product.family === 'uv-acrylate' && weightParts(product) === null;

/** Catalyst dose in per cent of the resin mass: as recorded, else from the amounts; null where not recorded. */
export function catalystPct(product: Product, batch: Batch): number | null {
  if (!product.ratio.catalyst) return null;
  const { catalystPct: stated, amountA, amountB } = batch.mix ?? {};
  if (stated != null) return stated;
  if (amountA == null || amountB == null || amountA <= 0) return null;
  if (measuredIn(batch) === 'g') return (100 * amountB) / amountA;
  const density = product.ratio.catalyst.densityGPerML;
  return density == null || product.densityAGPerML == null
    ? null
    : (100 * amountB * density) / (amountA * product.densityAGPerML);
}

function massOf(
  amount: number | null | undefined,
  unit: 'g' | 'mL',
  densityGPerML: number | null | undefined,
): number | null {
  if (amount == null) return null;
  if (unit === 'g') return amount;
  return densityGPerML == null ? null : amount * densityGPerML;
}

const catalystMassG = (massAG: number | null, pct: number | null | undefined): number | null =>
  massAG === null || pct == null ? null : (massAG * pct) / 100;

/**
 * Masses of the parts that went into the cup, from weights, or from volumes and the card's densities.
 * Catalyst given as a percentage is counted as part B; a light-cured product has part A alone.
 */
export function mixMasses(product: Product, batch: Batch): MixMasses {
  const unit = measuredIn(batch);
  const massAG = massOf(
    batch.mix?.amountA,
    unit,
    product.densityAGPerML ?? (onePart(product) ? product.mixedDensityGPerML : null),
  );
  if (onePart(product)) return { massAG, massBG: 0, totalG: massAG };
  const massBG = product.ratio.catalyst
    ? catalystMassG(massAG, catalystPct(product, batch))
    : massOf(batch.mix?.amountB, unit, product.densityBGPerML);
  return { massAG, massBG, totalG: massAG != null && massBG != null ? massAG + massBG : null };
}

/**
 * Ratio error of a batch in per cent, by the measure it was made with: volumes against the volume ratio, weights
 * against the weight ratio. Null where an amount is missing, the card has
 * no such ratio, or the product has no second part.
 */
export function batchRatioErrorPct(product: Product, batch: Batch): number | null {
  const { amountA, amountB } = batch.mix ?? {};
  if (amountA == null || amountB == null || amountA <= 0) return null;
  const parts = measuredIn(batch) === 'mL' ? volumeParts(product) : weightParts(product);
  return parts && errorAgainst(parts, amountA, amountB);
}

/** Whether a ratio error can exist at all: two parts (or liquid and powder) in a fixed ratio, not a catalyst band. */
export function hasFixedRatio(product: Product): boolean {
  return !product.ratio.catalyst && (weightParts(product) !== null || volumeParts(product) !== null);
}

export { measuredIn };
