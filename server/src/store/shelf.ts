import {
  additiveSchema,
  codesInMould,
  codesInPiece,
  gearSchema,
  inclusionSchema,
  lotSchema,
  mouldSchema,
  pieceSchema,
} from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { Database } from './database';
import { shelfStore } from './shelfStore';

/** What the log tells of a lot: how much of it was poured, in how many batches. */
export interface LotUse {
  readonly usedG: number;
  readonly batches: number;
}
/** What the log tells of a mould: pulls, and the mixed masses of the latest, oldest first. */
export interface MouldUse {
  readonly pulls: number;
  readonly masses: { readonly productSlug: string; readonly massG: number }[];
}

/** Mixed masses remembered for a mould. */
const PULLS_REMEMBERED = 60;

/** Grams poured from each lot, by `product part code`; a part that was not weighed adds nothing. */
async function lotUse({ sequelize }: Database): Promise<Map<string, LotUse>> {
  const rows = await sequelize.query<{
    slug: string;
    part: string;
    code: string;
    used: number | null;
    batches: number;
  }>(
    `SELECT product_slug AS slug, 'A' AS part, lot_a AS code, SUM(mass_a_g) AS used, COUNT(*) AS batches FROM batches WHERE lot_a IS NOT NULL GROUP BY 1, 3
     UNION ALL SELECT product_slug, 'B', lot_b, SUM(mass_b_g), COUNT(*) FROM batches WHERE lot_b IS NOT NULL GROUP BY 1, 3`,
    { type: QueryTypes.SELECT },
  );
  return new Map(rows.map((r) => [`${r.slug} ${r.part} ${r.code}`, { usedG: r.used ?? 0, batches: r.batches }]));
}

/** How often each mould was pulled, and what the latest pulls took: what was mixed less what came out or stayed in the cup. */
async function mouldUse({ sequelize }: Database): Promise<Map<string, MouldUse>> {
  const rows = await sequelize.query<{ mould: string; slug: string; mass: number | null }>(
    // A batch fills a mould once, however many of its cavities. Of several moulds each takes what its castings weigh.
    `SELECT k.mould AS mould, b.product_slug AS slug,
       CASE WHEN (SELECT COUNT(DISTINCT COALESCE(o.mould, '')) FROM castings o WHERE o.batch_code = b.code) = 1
         THEN b.mass_a_g + b.mass_b_g - COALESCE(CASE WHEN json_type(b.document, '$.pour.leftG') IN ('integer', 'real')
           THEN json_extract(b.document, '$.pour.leftG') END, 0)
         ELSE CASE WHEN COUNT(*) = COUNT(k.mass_g) THEN SUM(k.mass_g) END END AS mass
     FROM castings k JOIN batches b ON b.code = k.batch_code WHERE k.mould IS NOT NULL
     GROUP BY k.mould, b.code ORDER BY b.started_at`,
    { type: QueryTypes.SELECT },
  );
  const uses = new Map<string, { pulls: number; masses: { productSlug: string; massG: number }[] }>();
  for (const { mould, slug, mass } of rows) {
    const use = uses.get(mould) ?? { pulls: 0, masses: [] };
    use.pulls += 1;
    if (mass !== null && mass > 0)
      use.masses = [...use.masses, { productSlug: slug, massG: mass }].slice(-PULLS_REMEMBERED);
    uses.set(mould, use);
  }
  return uses;
}

/** The shelf: everything a studio chooses from, and what the log tells of it. */
export function openShelf(database: Database) {
  const lots = shelfStore(database, {
    table: 'lots',
    one: 'Lot',
    schema: lotSchema,
    words: (l) => [l.code, l.productSlug, l.note],
    productSlug: (l) => l.productSlug,
  });
  const moulds = shelfStore(database, {
    table: 'moulds',
    one: 'Mould',
    schema: mouldSchema,
    codes: codesInMould,
    words: (m) => [m.code, m.makes, m.rubber, m.note],
  });
  const inclusions = shelfStore(database, {
    table: 'inclusions',
    one: 'Inclusion',
    schema: inclusionSchema,
    words: (i) => [i.code, i.what, i.kind, i.note],
  });
  const additives = shelfStore(database, {
    table: 'additives',
    one: 'Additive',
    schema: additiveSchema,
    words: (a) => [a.code, a.name, a.kind, a.note],
  });
  const gear = shelfStore(database, {
    table: 'gear',
    one: 'Gear',
    schema: gearSchema,
    words: (g) => [g.code, g.name, g.kind, g.note],
  });
  const pieces = shelfStore(database, {
    table: 'pieces',
    one: 'Piece',
    schema: pieceSchema,
    codes: codesInPiece,
    words: (p) => [p.code, p.name, p.mould, p.note, ...p.layers.flatMap((l) => [l.productSlug, l.batch])],
  });

  return {
    lots,
    moulds,
    inclusions,
    additives,
    gear,
    pieces,
    lotUse: () => lotUse(database),
    mouldUse: () => mouldUse(database),
  };
}

export type Shelf = ReturnType<typeof openShelf>;
