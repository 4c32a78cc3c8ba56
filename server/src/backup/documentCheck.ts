import {
  additiveSchema,
  batchSchema,
  gearSchema,
  inclusionSchema,
  issuesFromZod,
  lotSchema,
  mouldSchema,
  pieceSchema,
  storedProductSchema,
} from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { z } from 'zod';
import type { Database } from '../store/database';
import { readStored } from '../store/readStored';

/** A document that is not as its format asks. */
export interface Misfit {
  readonly what: string;
  readonly code: string;
  readonly says: string;
}

interface Kind {
  readonly what: string;
  readonly from: string;
  readonly code: string;
  readonly schema: z.ZodType;
}
const KINDS: readonly Kind[] = [
  { what: 'Card', from: 'product_revisions', code: "slug || ' ' || revision", schema: storedProductSchema },
  { what: 'Batch', from: 'batches', code: 'code', schema: batchSchema },
  { what: 'Lot', from: 'lots', code: 'code', schema: lotSchema },
  { what: 'Mould', from: 'moulds', code: 'code', schema: mouldSchema },
  { what: 'Inclusion', from: 'inclusions', code: 'code', schema: inclusionSchema },
  { what: 'Additive', from: 'additives', code: 'code', schema: additiveSchema },
  { what: 'Gear', from: 'gear', code: 'code', schema: gearSchema },
  { what: 'Piece', from: 'pieces', code: 'code', schema: pieceSchema },
];

/** Documents read at a time, so that others are served between; and misfits told by name. */
const [AT_ONCE, MAX_TOLD] = [100, 50];

/** Records of a studio that do not fit their formats. */
export interface Misfits {
  /** Those whose parts that do not fit can be left out; the first of them, and how many. */
  readonly misfits: Misfit[];
  readonly misfitCount: number;
  /** Those of which nothing is left then: what has one cannot be opened. */
  readonly unreadable: Misfit[];
}

/** Reads every document of a studio by its format, and tells those that do not fit. */
export async function misfitsOf({ sequelize }: Pick<Database, 'sequelize'>): Promise<Misfits> {
  const misfits: Misfit[] = [];
  const unreadable: Misfit[] = [];
  let misfitCount = 0;
  for (const { what, from, code, schema } of KINDS) {
    for (let after = 0; ;) {
      const rows = await sequelize.query<{ id: number; code: string; document: string }>(
        `SELECT rowid AS id, ${code} AS code, document FROM ${from} WHERE rowid > ? ORDER BY rowid LIMIT ${AT_ONCE}`,
        { type: QueryTypes.SELECT, replacements: [after] },
      );
      for (const row of rows) {
        const parsed = schema.safeParse(JSON.parse(row.document));
        if (parsed.success) continue;
        misfitCount += 1;
        const [issue] = issuesFromZod(parsed.error);
        const told = { what, code: String(row.code), says: `${issue?.path ?? ''}: ${issue?.message ?? ''}` };
        const list = schema.safeParse(readStored(schema, row.document)).success ? misfits : unreadable;
        if (list.length < MAX_TOLD) list.push(told);
      }
      if (rows.length < AT_ONCE) break;
      after = rows.at(-1)!.id;
    }
  }
  return { misfits, misfitCount, unreadable };
}
