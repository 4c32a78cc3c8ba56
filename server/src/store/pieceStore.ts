import {
  CoreError,
  layerPlan,
  pieceSchema,
  placeIn,
  seenInPiece,
  type Batch,
  type InPiece,
  type LayerPlan,
  type Piece,
  type Product,
} from '@warm-jar/core';
import { Op, QueryTypes } from 'sequelize';
import { Problem } from '../http/problem';
import type { Database } from './database';
import type { ProductStore } from './productStore';
import type { Shelf } from './shelf';
import { readStored } from './readStored';

/** A layer that is to be poured, for the agenda. */
export interface LayerDue {
  readonly piece: string;
  readonly name: string;
  readonly layer: number;
  readonly product: string;
  readonly at: string;
  readonly says: string;
}

/** Pieces made in layers, beside the batches they are poured from. */
export interface PieceStore {
  readonly plan: (code: string) => Promise<LayerPlan>;
  readonly placesOf: (batch: string) => Promise<InPiece[]>;
  /** Layers to be poured next within some time. */
  readonly due: (until: Date) => Promise<LayerDue[]>;
  /** A batch with the layers around it in view. */
  readonly inView: (batch: Batch) => Promise<Batch>;
}

export function pieceStore(
  { sequelize, models }: Database,
  shelf: Shelf,
  products: ProductStore,
  now: () => Date,
): PieceStore {
  const parse = (document: string): Piece => readStored(pieceSchema, document);
  async function beginnings(pieces: readonly Piece[]): Promise<Record<string, string>> {
    const codes = [...new Set(pieces.flatMap((p) => p.layers.flatMap((l) => l.batch ?? [])))];
    const rows =
      codes.length === 0
        ? []
        : await models.batches.findAll({ where: { code: { [Op.in]: codes } }, attributes: ['code', 'startedAt'] });
    return Object.fromEntries(rows.flatMap((r) => (r.startedAt ? [[r.code, r.startedAt]] : [])));
  }
  /** What the batches of some pieces were mixed as, g. */
  async function mixedMasses(pieces: readonly Piece[]): Promise<Record<string, number>> {
    const codes = [...new Set(pieces.flatMap((p) => p.layers.flatMap((l) => l.batch ?? [])))];
    if (codes.length === 0) return {};
    const rows = await models.batches.findAll({ where: { code: { [Op.in]: codes } }, attributes: ['code', 'massG'] });
    return Object.fromEntries(rows.flatMap((r) => (r.massG == null ? [] : [[r.code, r.massG]])));
  }
  const cardsBySlug = async (): Promise<Record<string, Product>> =>
    Object.fromEntries((await products.list()).map((c) => [c.slug, c]));
  const holding = async (batch: string): Promise<Piece[]> => {
    const rows = await sequelize.query<{ document: string }>(
      "SELECT p.document AS document FROM pieces p, json_each(p.document, '$.layers') l WHERE json_extract(l.value, '$.batch') = ? GROUP BY p.code",
      { type: QueryTypes.SELECT, replacements: [batch] },
    );
    return rows.map((r) => parse(r.document));
  };
  return {
    plan: async (code) => {
      const { item } = await shelf.pieces.get(code);
      try {
        return layerPlan(item, {
          cards: await cardsBySlug(),
          startedAt: await beginnings([item]),
          massG: await mixedMasses([item]),
          now: now(),
        });
      } catch (error) {
        if (!(error instanceof CoreError)) throw error;
        throw new Problem(400, 'cannot-plan', error.message, [{ path: error.path, message: error.message }], {
          cause: error,
        });
      }
    },
    placesOf: async (batch) => (await holding(batch)).flatMap((p) => placeIn(p, batch) ?? []),
    due: async (until) => {
      const open = (await shelf.pieces.list()).map((p) => p.item).filter((p) => p.done !== true);
      const [cards, startedAt, massG] = [await cardsBySlug(), await beginnings(open), await mixedMasses(open)];
      return open
        .filter((p) => p.layers.every((l) => cards[l.productSlug]))
        .flatMap((p) =>
          layerPlan(p, { cards, startedAt, massG, now: now() })
            .layers.filter((l) => l.state === 'next' && Date.parse(l.at) <= until.getTime())
            .map((l) => ({
              piece: p.code,
              name: p.name,
              layer: l.index + 1,
              product: l.product,
              at: l.at,
              says: l.says,
            })),
        );
    },
    inView: async (batch) => {
      const [piece] = batch.code ? await holding(batch.code) : [];
      return piece
        ? seenInPiece(batch, piece, await beginnings([piece]), await cardsBySlug(), await mixedMasses([piece]))
        : batch;
    },
  };
}
