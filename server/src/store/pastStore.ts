import {
  batchSchema,
  castingAsBatch,
  castingOf,
  laidAs,
  mouldLook,
  rateHistory,
  sameSpots,
  seenSymptoms,
  type Batch,
  type DiagnoseRequest,
  type MouldLook,
  type MouldSpots,
  type Product,
  type SpotMark,
  type SymptomKind,
} from '@warm-jar/core';
import { Op } from 'sequelize';
import type { Database } from './database';
import type { NeighbourStore } from './neighbourStore';
import type { RateStore } from './rateStore';
import type { Shelf } from './shelf';
import { readStored } from './readStored';

type History = NonNullable<DiagnoseRequest['history']>;

/** Pulls of a mould that are looked back on: a mould older than these is another mould. */
const PULLS_LOOKED_AT = 60;

/** What other batches tell of a mould, of a pair, of what they share with a batch, and of causes. */
export interface PastStore {
  readonly spots: (mould: string) => Promise<MouldSpots>;
  readonly historyOf: (product: Product, batch: Batch) => Promise<History>;
  /** The same for each casting on which something was seen, by its id. */
  readonly historyOfCastings: (product: Product, batch: Batch) => Promise<ReadonlyMap<string, History>>;
}

/** How what is cast in went before, with each product. */
async function pairHistory(shelf: Shelf, batch: Batch): Promise<NonNullable<History['pairs']>> {
  const names = new Set((batch.inclusions ?? []).flatMap((x) => (x.what ? [x.what.toLowerCase()] : [])));
  if (names.size === 0) return [];
  const known = await shelf.inclusions.list();
  return known
    .filter(({ item }) => names.has(item.what.toLowerCase()))
    .flatMap(({ item }) =>
      (item.pairs ?? []).map((p) => ({ inclusion: item.what, productSlug: p.productSlug, outcome: p.outcome })),
    );
}

/** What else the store knows that a diagnosis takes as evidence. */
interface Learned {
  readonly neighbours: NeighbourStore;
  readonly rates: RateStore;
}

/** How often each cause turned out to be the one, of each symptom seen. */
async function causeHistory(rates: RateStore, product: Product, batch: Batch, kinds: readonly SymptomKind[]) {
  if (kinds.length === 0) return [];
  const own = (batch.outcome ?? []).length > 0 ? (batch.code ?? undefined) : undefined;
  const known = await rates.rates(own);
  return kinds.flatMap((kind) => rateHistory(known, kind, product.family));
}

/** How often the place marked on this piece failed in its mould; the mould's worst place where none was marked. */
async function spotHistory(spots: PastStore['spots'], batch: Batch): Promise<History['sameSpot']> {
  if (!batch.mould?.code) return null;
  const { cavities, pulls } = await spots(batch.mould.code);
  const cavity = castingOf(batch, laidAs(batch))?.mould?.cavity ?? null;
  const all = cavities.filter((c) => cavity === null || c.cavity === cavity - 1).flatMap((c) => c.spots);
  const own = all
    .filter((s) => s.batches.includes(batch.code ?? ''))
    .sort((a, b) => b.batches.length - a.batches.length)[0];
  const told = own ?? all.find((s) => s.verdict === 'mould');
  if (!told || pulls <= 1) return null;
  // The mould's own page says the same of the same place.
  const { byChance, verdict, says } = told;
  return { times: told.batches.length, pulls: told.pulls, byChance, verdict, says };
}

export function pastStore({ models }: Database, shelf: Shelf, { neighbours, rates }: Learned): PastStore {
  /** The latest pulls of a mould that somebody looked at. */
  async function pullsOf(mould: string): Promise<MouldLook[]> {
    const out = await models.castings.findAll({ where: { mould }, attributes: ['batchCode'], group: ['batchCode'] });
    const rows = await models.batches.findAll({
      where: { code: { [Op.in]: out.map((r) => r.batchCode) } },
      attributes: ['document'],
      order: [['startedAt', 'DESC']],
      limit: PULLS_LOOKED_AT,
    });
    return rows
      .map((r) => mouldLook(readStored(batchSchema, r.document), mould))
      .filter(({ looked }) => looked.length > 0);
  }

  async function spots(mould: string): Promise<MouldSpots> {
    const pulls = await pullsOf(mould);
    const marks = pulls.flatMap((p) => p.marks);
    const cavities = [...new Set(marks.map((m) => m.cavity))].sort((a, b) => a - b);
    const plain = (m: SpotMark): SpotMark => ({ x: m.x, y: m.y, batch: m.batch, kind: m.kind });
    return {
      pulls: pulls.length,
      cavities: cavities.map((cavity) => {
        const here = marks.filter((m) => m.cavity === cavity).map(plain);
        // A cavity that was not poured, or not looked at, says nothing of its places.
        const lookedAt = pulls.filter((p) => p.looked.some((c) => c === null || c === cavity)).length;
        return {
          cavity,
          marks: here,
          spots: sameSpots(here, lookedAt).map((s) => ({ ...s, batches: [...s.batches] })),
        };
      }),
    };
  }

  const historyOf = async (product: Product, batch: Batch): Promise<History> => {
    const kinds = [...new Set(seenSymptoms(batch).map((s) => s.kind))];
    const [sameSpot, pairs, beside, causes] = await Promise.all([
      spotHistory(spots, batch),
      pairHistory(shelf, batch),
      neighbours.neighboursOf(batch, kinds),
      causeHistory(rates, product, batch, kinds),
    ]);
    return { sameSpot, pairs, neighbours: beside, causes };
  };
  return {
    spots,
    historyOf,
    historyOfCastings: async (product, batch) => {
      const ids = [...new Set(seenSymptoms(batch).flatMap((s) => s.casting ?? []))];
      const found = new Map<string, History>();
      for (const id of ids) found.set(id, await historyOf(product, castingAsBatch(product, batch, id)));
      return found;
    },
  };
}
