import {
  GRADES,
  STAGES,
  unpackFacts,
  whereIs,
  type Grade,
  type PackedFacts,
  type Recall,
  type Recalled,
  type Stage,
} from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { Database } from './database';
import type { FactStore } from './factStore';

/** From a lot to every casting it went into. */
export interface RecallStore {
  /** @param query the product whose lot it is, where two share a code; and its part */
  readonly of: (lot: string, query: { product?: string | undefined; part?: 'A' | 'B' | undefined }) => Promise<Recall>;
}

interface Row {
  batch: string;
  casting: string | null;
  startedAt: string | null;
  slug: string;
  lotA: string | null;
  stage: string;
  mould: string | null;
  cavity: number | null;
  grade: string | null;
  soldOn: string | null;
  price: number | null;
  reason: string | null;
  facts: string | null;
}

const oneOf = <T extends string>(list: readonly T[], value: string | null): T | null =>
  list.find((known) => known === value) ?? null;

/** What was seen on a casting, by its batch's facts: kinds with their patterns. */
function seenOn(facts: string | null, casting: string | null): string[] {
  const whole = facts === null ? null : unpackFacts(JSON.parse(facts) as PackedFacts);
  const own = casting === null ? whole : whole?.castings?.find((k) => k.casting === casting);
  return (own?.seen ?? []).filter((s) => s.includes('/'));
}

function recalled(row: Row, lot: string): Recalled {
  const grade = oneOf<Grade>(GRADES, row.grade);
  const stage = oneOf<Stage>(STAGES, row.stage) ?? 'check';
  return {
    batch: row.batch,
    casting: row.casting,
    startedAt: row.startedAt,
    productSlug: row.slug,
    part: row.lotA === lot ? 'A' : 'B',
    mould: row.mould,
    cavity: row.cavity,
    grade,
    where: whereIs({ stage, grade, soldOn: row.soldOn }),
    soldOn: row.soldOn,
    price: row.price,
    reason: row.reason,
    seen: seenOn(row.facts, row.casting),
  };
}

export function recallStore({ sequelize }: Database, facts: Pick<FactStore, 'fill'>): RecallStore {
  return {
    of: async (lot, { product, part }) => {
      await facts.fill();
      const lots = part === undefined ? '(b.lot_a = :lot OR b.lot_b = :lot)' : `b.lot_${part.toLowerCase()} = :lot`;
      const rows = await sequelize.query<Row>(
        `SELECT b.code AS batch, k.casting AS casting, b.started_at AS startedAt, b.product_slug AS slug, b.lot_a AS lotA,
           b.stage AS stage, k.mould AS mould, k.cavity AS cavity, k.grade AS grade, k.sold_on AS soldOn, k.price AS price,
           k.reason AS reason, b.facts AS facts
         FROM batches b JOIN castings k ON k.batch_code = b.code
         WHERE ${lots}${product === undefined ? '' : ' AND b.product_slug = :product'}
         ORDER BY b.started_at, b.code, k.place`,
        { type: QueryTypes.SELECT, replacements: { lot, product: product ?? '' } },
      );
      return { lot, items: rows.map((row) => recalled(row, lot)) };
    },
  };
}
