import { workingTime } from '../cure/workingTime';
import { CoreError } from '../formats/errors';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { weightParts } from '../mixing/ratio';
import { cupHeadroom } from '../planning/cupHeadroom';
import { cardRoute } from '../planning/planCase';
import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import { planOf } from './planOf';

/** What was made more of a mix: both parts' targets, and what was in the cup of each then. */
export interface MadeMore {
  readonly massAG: number;
  readonly massBG: number | null;
  readonly totalG: number;
}

/** New targets for a mix that is too little, told before it is made more. */
export interface MoreTold extends MadeMore {
  /** Still to be added of each part. */
  readonly addAG: number;
  readonly addBG: number | null;
  /** Whether the cup holds it, by its volume; `not-known` where nobody named a cup. */
  readonly cup: 'fits' | 'no-headroom' | 'too-small' | 'not-known';
  readonly liquidML: number;
  readonly cupML: number | null;
  /** Pot life of so much, by the model, against what it was; null where none is known. */
  readonly potLifeMin: number | null;
  readonly potLifeBeforeMin: number | null;
}

/** Both parts of a total, g: by weight, by dose, or of one part alone. */
function partsOf(product: Product, batch: Batch, totalG: number): { a: number; b: number | null } {
  if (product.ratio.catalyst) {
    const pct = batch.mix?.catalystPct ?? planOf(batch)?.catalystPct ?? product.ratio.catalyst.typicalPct ?? 0;
    return { a: totalG / (1 + pct / 100), b: (totalG * pct) / (100 + pct) };
  }
  const parts = weightParts(product);
  if (!parts) return { a: totalG, b: null };
  const all = parts.a + parts.b;
  return { a: (totalG * parts.a) / all, b: (totalG * parts.b) / all };
}

/** The last targets that the mix was made more to; null where it is as planned. */
export const moreOf = (batch: Batch): NonNullable<NonNullable<Batch['bench']>['more']>[number] | null =>
  batch.bench?.more?.at(-1) ?? null;

/** What the mix is to be in all by now, g: as made more, else as planned; null where nothing says. */
export function targetTotalG(batch: Batch): number | null {
  const plan = planOf(batch);
  return moreOf(batch)?.totalG ?? plan?.mixedMassG ?? null;
}

/** It can be made more until stirring begins. */
export const canMakeMore = (batch: Batch): boolean =>
  batch.bench?.stirFromMin == null && batch.mix?.stirMin == null && batch.pour?.startedMin == null;

function cupAnswer(liquidML: number, cupML: number | null, headroom: number): MoreTold['cup'] {
  if (cupML === null) return 'not-known';
  if (liquidML > cupML) return 'too-small';
  return liquidML * headroom > cupML ? 'no-headroom' : 'fits';
}

/**
 * New targets for both parts from what is already in the cup: nothing is taken out, so a part that is over already
 * makes the whole as much more as its ratio asks.
 * @param totalG wanted of both parts together, above 0
 * @param inCup what is in of each part so far, g
 * @param cupML what the cup holds; null where nobody said
 * @throws CoreError `out-of-range` where it would be no more than it is
 */
export function makeMore(
  product: Product,
  batch: Batch,
  totalG: number,
  inCup: { readonly aG: number; readonly bG: number },
  cupML: number | null,
): MoreTold {
  const before = targetTotalG(batch) ?? inCup.aG + inCup.bG;
  if (!(totalG > before) || !Number.isFinite(totalG))
    throw new CoreError('out-of-range', 'Say how much more: above what is planned already.', 'totalG');
  const wanted = partsOf(product, batch, totalG);
  const over = Math.max(inCup.aG / wanted.a, wanted.b ? inCup.bG / wanted.b : 0, 1);
  const [a, b] = [wanted.a * over, wanted.b === null ? null : wanted.b * over];
  const total = totalG * over;
  const liquidML = total / (product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML);
  const route = planOf(batch)?.route ?? cardRoute(product);
  const mixed = (massAG: number, massBG: number | null): Batch => ({
    ...batch,
    mix: { ...batch.mix, amountA: massAG, amountB: massBG, unit: 'g', catalystPct: null },
  });
  const beforeParts = partsOf(product, batch, before);
  return {
    massAG: a,
    massBG: b,
    totalG: total,
    addAG: Math.max(0, a - inCup.aG),
    addBG: b === null ? null : Math.max(0, b - inCup.bG),
    cup: cupAnswer(liquidML, cupML, cupHeadroom(route)),
    liquidML,
    cupML,
    potLifeMin: workingTime(product, mixed(a, b)).potLifeMin,
    potLifeBeforeMin: before > 0 ? workingTime(product, mixed(beforeParts.a, beforeParts.b)).potLifeMin : null,
  };
}

/** What is in the cup of a part that is to be topped up, g; null where it is weighed from nothing, or is done. */
export function toppingUpG(batch: Batch, part: 'A' | 'B'): number | null {
  const more = moreOf(batch);
  const inCup = (part === 'A' ? batch.mix?.amountA : batch.mix?.amountB) ?? null;
  const then = (part === 'A' ? more?.fromAG : more?.fromBG) ?? null;
  return more !== null && inCup !== null && then === inCup ? inCup : null;
}
