import {
  CoreError,
  joinsDue,
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
  /** 0 where it is a joint that is due. */
  readonly layer: number;
  readonly join?: number;
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

interface PieceContext extends Pick<Database, 'sequelize' | 'models'> {
  readonly shelf: Shelf;
  readonly products: ProductStore;
  readonly now: () => Date;
}

/** A joint that could be let go of so long ago is taken as let go of, ms. */
const JOIN_PAST_MS = 86_400_000;
const parse = (document: string): Piece => readStored(pieceSchema, document);
const batchesIn = (pieces: readonly Piece[]) => [
  ...new Set(pieces.flatMap((p) => p.layers.flatMap((l) => l.batch ?? []))),
];

/** What the plans of some pieces stand on: the cards, and when and as how much their batches were mixed. */
async function sceneOf({ models, products, now }: PieceContext, pieces: readonly Piece[]) {
  const codes = batchesIn(pieces);
  const rows =
    codes.length === 0
      ? []
      : await models.batches.findAll({
          where: { code: { [Op.in]: codes } },
          attributes: ['code', 'startedAt', 'massG'],
        });
  return {
    cards: Object.fromEntries((await products.list()).map((c) => [c.slug, c])) as Record<string, Product>,
    startedAt: Object.fromEntries(rows.flatMap((r) => (r.startedAt ? [[r.code, r.startedAt]] : []))),
    massG: Object.fromEntries(rows.flatMap((r) => (r.massG == null ? [] : [[r.code, r.massG]]))),
    now: now(),
  };
}

async function holding({ sequelize }: PieceContext, batch: string): Promise<Piece[]> {
  const rows = await sequelize.query<{ document: string }>(
    "SELECT p.document AS document FROM pieces p, json_each(p.document, '$.layers') l WHERE json_extract(l.value, '$.batch') = ? GROUP BY p.code",
    { type: QueryTypes.SELECT, replacements: [batch] },
  );
  return rows.map((r) => parse(r.document));
}

async function plan(context: PieceContext, code: string): Promise<LayerPlan> {
  const { item } = await context.shelf.pieces.get(code);
  try {
    return layerPlan(item, await sceneOf(context, [item]));
  } catch (cause) {
    if (!(cause instanceof CoreError)) throw cause;
    throw new Problem(400, 'cannot-plan', cause.message, [{ path: cause.path, message: cause.message }], { cause });
  }
}

/** The next layers of one piece that fall due. */
function dueIn(piece: Piece, scene: Awaited<ReturnType<typeof sceneOf>>, until: Date): LayerDue[] {
  return layerPlan(piece, scene)
    .layers.filter((l) => l.state === 'next' && Date.parse(l.at) <= until.getTime())
    .map((l) => ({
      piece: piece.code,
      name: piece.name,
      layer: l.index + 1,
      product: l.product,
      at: l.at,
      says: l.says,
    }));
}

/** Joints of a piece that may be let go of or loaded, until a moment; those long past are taken as done. */
function joinsIn(piece: Piece, cards: Readonly<Record<string, Product>>, from: Date, until: Date): LayerDue[] {
  return joinsDue(piece)
    .filter((j) => Date.parse(j.at) <= until.getTime() && Date.parse(j.at) > from.getTime() - JOIN_PAST_MS)
    .map(({ join, at, says }) => {
      const slug = piece.joins?.[join]?.with ?? '';
      return { piece: piece.code, name: piece.name, layer: 0, join, product: cards[slug]?.name ?? slug, at, says };
    });
}

async function due(context: PieceContext, until: Date): Promise<LayerDue[]> {
  const open = (await context.shelf.pieces.list()).map((p) => p.item).filter((p) => p.done !== true);
  const scene = await sceneOf(context, open);
  const layers = open
    .filter((p) => p.layers.every((l) => scene.cards[l.productSlug]))
    .flatMap((piece) => dueIn(piece, scene, until));
  return [...layers, ...open.flatMap((piece) => joinsIn(piece, scene.cards, scene.now, until))];
}

async function inView(context: PieceContext, batch: Batch): Promise<Batch> {
  const [piece] = batch.code ? await holding(context, batch.code) : [];
  if (!piece) return batch;
  const { startedAt, cards, massG } = await sceneOf(context, [piece]);
  return seenInPiece(batch, piece, startedAt, cards, massG);
}

export function pieceStore(
  { sequelize, models }: Database,
  shelf: Shelf,
  products: ProductStore,
  now: () => Date,
): PieceStore {
  const context: PieceContext = { sequelize, models, shelf, products, now };
  return {
    plan: (code) => plan(context, code),
    placesOf: async (batch) => (await holding(context, batch)).flatMap((p) => placeIn(p, batch) ?? []),
    due: (until) => due(context, until),
    inView: (batch) => inView(context, batch),
  };
}
