import type { Batch } from '../formats/batch';
import type { Piece } from '../formats/piece';
import type { Product } from '../formats/product';
import { dryingState, type Drying } from '../shelf/drying';
import { doseThrough } from './layerPairs';
import { own, ownMassG } from './layerPlan';

/** A batch's neighbours in the piece it was poured into. */
export interface InPiece {
  readonly piece: string;
  readonly name: string;
  readonly layer: number;
  readonly below: string | null;
  readonly above: string | null;
}

/** Where a batch lies in a piece; null where it is in none. */
export function placeIn(piece: Piece, code: string): InPiece | null {
  const at = piece.layers.findIndex((l) => l.batch === code);
  if (at < 0) return null;
  return {
    piece: piece.code,
    name: piece.name,
    layer: at + 1,
    below: piece.layers[at - 1]?.batch ?? null,
    above: piece.layers[at + 1]?.batch ?? null,
  };
}

const HOUR_MS = 3_600_000;
const DAY_H = 24;

/** The change between the two weighings that were compared, as a batch records it, %; a gain is none. */
const changeBetween = (drying: Drying): number | null =>
  drying.lossPct === null ? null : Math.max(0, (drying.lossPct * drying.hours) / DAY_H);

/** The layer below as a batch records it, from what the piece knows; what the batch itself recorded stands. */
function layerBelow(
  piece: Piece,
  at: number,
  batch: Batch,
  startedAt: Readonly<Record<string, string>>,
  cards: Readonly<Record<string, Product>>,
  massG: Readonly<Record<string, number>>,
): Batch['layerBelow'] {
  const lower = piece.layers[at - 1];
  if (!lower) return batch.layerBelow;
  const recorded = batch.layerBelow ?? {};
  const poured = lower.pouredAt ?? (lower.batch ? own(startedAt, lower.batch) : undefined);
  const hours = poured && batch.startedAt ? (Date.parse(batch.startedAt) - Date.parse(poured)) / HOUR_MS : null;
  const drying = dryingState(lower.weighings ?? [], ownMassG(lower, at - 1, massG));
  const known = {
    productSlug: lower.productSlug,
    family: own(cards, lower.productSlug)?.family ?? null,
    poured: lower.batch ?? null,
    hoursSince: hours !== null && hours >= 0 ? hours : null,
    sanded: piece.layers[at]!.sanded ?? null,
    massLossPct: changeBetween(drying),
  };
  return { ...known, ...Object.fromEntries(Object.entries(recorded).filter(([, v]) => v != null)) };
}

/** Light that later layers of the piece let through to this one, mJ/cm²: it counts in the record of the base below. */
function lightFromAbove(piece: Piece, at: number, cards: Readonly<Record<string, Product>>): number {
  const upper = piece.layers[at + 1];
  const card = upper ? own(cards, upper.productSlug) : undefined;
  if (!upper || card?.family !== 'uv-acrylate' || (!upper.batch && !upper.pouredAt)) return 0;
  if (upper.lightMJPerCM2 != null) return upper.lightMJPerCM2;
  return upper.depthMm == null ? 0 : (doseThrough(card, upper.depthMm)?.below ?? 0);
}

/**
 * A batch with the layers around it in view, as it is diagnosed: what lay below, and the lamp spent on what came after.
 * @param startedAt when each batch of the piece began, by code
 * @param massG what each was mixed as, g, by code
 */
export function seenInPiece(
  batch: Batch,
  piece: Piece,
  startedAt: Readonly<Record<string, string>>,
  cards: Readonly<Record<string, Product>>,
  massG: Readonly<Record<string, number>> = {},
): Batch {
  const at = piece.layers.findIndex((l) => l.batch != null && l.batch === batch.code);
  if (at < 0) return batch;
  const light = lightFromAbove(piece, at, cards);
  const below = layerBelow(piece, at, batch, startedAt, cards, massG);
  return {
    ...batch,
    ...(below === undefined ? {} : { layerBelow: below }),
    ...(light > 0 ? { cure: { ...batch.cure, lightMJPerCM2: (batch.cure?.lightMJPerCM2 ?? 0) + light } } : {}),
  };
}
