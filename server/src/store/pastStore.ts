import {
  batchSchema,
  sameSpots,
  type Batch,
  type DiagnoseRequest,
  type MouldSpots,
  type SpotMark,
} from '@warm-jar/core';
import type { Database } from './database';
import type { Shelf } from './shelf';
import { readStored } from './readStored';

type History = NonNullable<DiagnoseRequest['history']>;

/** Pulls of a mould that are looked back on: a mould older than these is another mould. */
const PULLS_LOOKED_AT = 60;

/** What earlier batches tell of a mould and of a pair. */
export interface PastStore {
  readonly spots: (mould: string) => Promise<MouldSpots>;
  readonly historyOf: (batch: Batch) => Promise<History>;
}

const marksOf = (batch: Batch): (SpotMark & { cavity: number })[] =>
  (batch.checks ?? []).flatMap((c) =>
    (c.spots ?? []).map((s) => ({
      x: s.x,
      y: s.y,
      batch: batch.code ?? '',
      kind: s.kind ?? null,
      cavity: s.cavity ?? 0,
    })),
  );

export function pastStore({ models }: Database, shelf: Shelf): PastStore {
  /** The latest pulls of a mould that somebody looked at. */
  async function pullsOf(mould: string): Promise<Batch[]> {
    const rows = await models.batches.findAll({
      where: { mould },
      attributes: ['document'],
      order: [['startedAt', 'DESC']],
      limit: PULLS_LOOKED_AT,
    });
    return rows.map((r) => readStored(batchSchema, r.document)).filter((b) => (b.checks ?? []).length > 0);
  }

  async function spots(mould: string): Promise<MouldSpots> {
    const pulls = await pullsOf(mould);
    const marks = pulls.flatMap(marksOf);
    const cavities = [...new Set(marks.map((m) => m.cavity))].sort((a, b) => a - b);
    const plain = (m: SpotMark): SpotMark => ({ x: m.x, y: m.y, batch: m.batch, kind: m.kind });
    return {
      pulls: pulls.length,
      cavities: cavities.map((cavity) => {
        const here = marks.filter((m) => m.cavity === cavity).map(plain);
        return {
          cavity,
          marks: here,
          spots: sameSpots(here, pulls.length).map((s) => ({ ...s, batches: [...s.batches] })),
        };
      }),
    };
  }

  /** How often the place marked on this piece failed in its mould; the mould's worst place where none was marked. */
  async function spotHistory(batch: Batch): Promise<History['sameSpot']> {
    if (!batch.mould?.code) return null;
    const { cavities, pulls } = await spots(batch.mould.code);
    const all = cavities.flatMap((c) => c.spots);
    const own = all
      .filter((s) => s.batches.includes(batch.code ?? ''))
      .sort((a, b) => b.batches.length - a.batches.length)[0];
    const told = own ?? all.find((s) => s.verdict === 'mould');
    if (!told || pulls <= 1) return null;
    // The mould's own page says the same of the same place.
    const { byChance, verdict, says } = told;
    return { times: told.batches.length, pulls, byChance, verdict, says };
  }

  async function pairHistory(batch: Batch): Promise<NonNullable<History['pairs']>> {
    const names = new Set((batch.inclusions ?? []).flatMap((x) => (x.what ? [x.what.toLowerCase()] : [])));
    if (names.size === 0) return [];
    const known = await shelf.inclusions.list();
    return known
      .filter(({ item }) => names.has(item.what.toLowerCase()))
      .flatMap(({ item }) =>
        (item.pairs ?? []).map((p) => ({ inclusion: item.what, productSlug: p.productSlug, outcome: p.outcome })),
      );
  }

  return {
    spots,
    historyOf: async (batch) => {
      const [sameSpot, pairs] = await Promise.all([spotHistory(batch), pairHistory(batch)]);
      return { sameSpot, pairs };
    },
  };
}
