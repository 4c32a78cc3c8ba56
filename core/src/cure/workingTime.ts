import { laidAs } from '../castings/castingList';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { loadings } from '../mixing/loading';
import { catalystPct, mixMasses } from '../mixing/batchAmounts';
import { doseEffect, type DoseEffect } from './catalystDose';
import type { CupMix } from './cupMix';
import { SHEET_MASS_G, SHEET_TEMPERATURE_C } from './kineticsDefaults';
import { simulateCup } from './simulateCup';
import type { CupSplit } from './splitCup';

/** Pot life and gel time of a batch at its own temperatures and mass, and where the figures come from. */
export interface WorkingTime {
  readonly potLifeMin: number | null;
  readonly gelMin: number | null;
  /** `model`: the cup fitted to the card, at this batch's conditions. `card`: the label's minutes as they stand. */
  readonly from: 'model' | 'card' | 'none';
  readonly resinC: number | null;
  readonly massG: number | null;
  /** Conditions that were not recorded, for which the card's own were taken. */
  readonly assumed: readonly ('resin temperature' | 'room temperature' | 'mass' | 'catalyst')[];
  /** What the recorded dose of catalyst does to the rate; null where there is none, or it was not recorded. */
  readonly dose: DoseEffect | null;
  readonly dosePct: number | null;
}

/** Temperature of the mix when the parts met: both parts by mass, else either, else at pour, else the room; °C. */
export function mixStartC(product: Product, batch: Batch): number | null {
  const { temperatureAC: a, temperatureBC: b, atPourC } = batch.resin ?? {};
  if (a != null && b != null) {
    const { massAG, massBG } = mixMasses(product, batch);
    const shareA = massAG != null && massBG != null && massAG + massBG > 0 ? massAG / (massAG + massBG) : 0.5;
    return a * shareA + b * (1 - shareA);
  }
  return a ?? b ?? atPourC ?? batch.room?.temperatureC ?? null;
}

function massInCup(product: Product, batch: Batch): number | null {
  const { totalG } = mixMasses(product, batch);
  if (totalG == null || totalG <= 0) return null;
  const pct = product.additives?.basis === 'volume' ? 0 : (loadings(product, batch)?.total.pct ?? 0);
  const massG = totalG * (1 + pct / 100);
  return Number.isFinite(massG) ? massG : null;
}

/**
 * What this batch's mix holds beside the resin as its card describes it:
 * its dose of catalyst, its colours and fillers.
 */
export function mixOfBatch(product: Product, batch: Batch): CupMix {
  const inert = (batch.additives ?? [])
    .filter((a) => a.massG != null && a.massG > 0 && (a.applied == null || a.applied === 'mixed'))
    .map((a) => ({ massG: a.massG!, kind: a.kind, densityGPerML: a.densityGPerML }));
  return { catalystPct: catalystPct(product, batch), resinG: mixMasses(product, batch).totalG, inert };
}

/** The cup that a casting came from, where its batch was split; null for a batch as it was recorded. */
function splitOf(batch: Batch): CupSplit | null {
  const cup = laidAs(batch) === null ? null : (batch.cups?.[0] ?? null);
  return cup?.massG == null || cup.massG <= 0 || cup.splitMin == null
    ? null
    : { atMin: cup.splitMin, massG: cup.massG };
}

/** Conditions that the record leaves open and the card's own stand in for. */
function assumedOf(
  product: Product,
  known: { resinC: number | null; roomC: number | null; massG: number | null; dose: DoseEffect | null },
): WorkingTime['assumed'] {
  const open: [WorkingTime['assumed'][number], boolean][] = [
    ['resin temperature', known.resinC === null],
    ['room temperature', known.roomC === null],
    ['mass', known.massG === null],
    ['catalyst', product.ratio.catalyst != null && known.dose === null],
  ];
  return open.flatMap(([what, isOpen]) => (isOpen ? [what] : []));
}

/** The label's minutes, where no model speaks. */
function byCard(product: Product): Pick<WorkingTime, 'potLifeMin' | 'gelMin' | 'from' | 'assumed'> {
  const potLifeMin = product.potLife?.minutes ?? null;
  const gelMin = product.gel?.minutes ?? null;
  return { potLifeMin, gelMin, from: (potLifeMin ?? gelMin) ? 'card' : 'none', assumed: [] };
}

/**
 * How long this batch can be worked and when it gels, counted from when the parts met. From the cup model fitted to
 * the card where the family cures by its own heat; else the card's minutes as stated; null where it states none.
 */
export function workingTime(product: Product, batch: Batch): WorkingTime {
  const mix = mixOfBatch(product, batch);
  const dose = doseEffect(product, mix.catalystPct);
  const resinC = mixStartC(product, batch);
  const massG = massInCup(product, batch);
  const roomC = batch.room?.temperatureC ?? batch.cure?.temperatureC ?? null;
  const known = { resinC, massG, dose, dosePct: mix.catalystPct ?? null };
  const { massG: cardG, atC: cardC } = product.potLife ?? product.gel ?? {};
  const startC = resinC ?? cardC ?? SHEET_TEMPERATURE_C;
  const cup = simulateCup(product, {
    massG: massG ?? cardG ?? SHEET_MASS_G,
    resinC: startC,
    roomC: roomC ?? startC,
    mix,
    split: splitOf(batch),
  });
  if (!('curve' in cup)) return { ...known, ...byCard(product) };
  return {
    ...known,
    potLifeMin: cup.potLifeMin,
    gelMin: cup.gelMin,
    from: 'model',
    assumed: assumedOf(product, { ...known, roomC }),
  };
}
