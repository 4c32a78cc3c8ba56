import { QueryTypes } from 'sequelize';
import type { Database } from './database';
import { wordsQuestion } from './searchWords';

export const SEARCH_KINDS = ['product', 'batch', 'lot', 'mould', 'inclusion', 'additive', 'gear', 'piece'] as const;
/** One thing that was found: its kind, the code that leads to it, and a line to know it by. */
export interface Found {
  readonly kind: (typeof SEARCH_KINDS)[number];
  readonly code: string;
  readonly title: string;
}

/** Most of each kind; more would not be read. */
const MAX_OF_A_KIND = 6;

const SOURCES: readonly {
  kind: Found['kind'];
  from: string;
  /** What is looked through; null where words have an index of their own. */
  text: string | null;
  title: string;
  code: string;
  order: string;
}[] = [
  {
    kind: 'product',
    from: 'product_revisions JOIN products USING (slug)',
    text: "lower(slug || ' ' || name || ' ' || family)",
    title: 'name',
    code: 'slug',
    order: 'name',
  },
  {
    kind: 'batch',
    from: 'batches',
    text: null,
    title: "json_extract(document, '$.note')",
    code: 'code',
    order: 'started_at DESC',
  },
  {
    kind: 'lot',
    from: 'lots',
    text: 'search',
    title: "product_slug || ', part ' || json_extract(document, '$.part')",
    code: 'code',
    order: 'code',
  },
  {
    kind: 'mould',
    from: 'moulds',
    text: 'search',
    title: "json_extract(document, '$.makes')",
    code: 'code',
    order: 'code',
  },
  {
    kind: 'inclusion',
    from: 'inclusions',
    text: 'search',
    title: "json_extract(document, '$.what')",
    code: 'code',
    order: 'code',
  },
  {
    kind: 'additive',
    from: 'additives',
    text: 'search',
    title: "json_extract(document, '$.name')",
    code: 'code',
    order: 'code',
  },
  {
    kind: 'gear',
    from: 'gear',
    text: 'search',
    title: "json_extract(document, '$.name')",
    code: 'code',
    order: 'code',
  },
  {
    kind: 'piece',
    from: 'pieces',
    text: 'search',
    title: "json_extract(document, '$.name')",
    code: 'code',
    order: 'code',
  },
];

const IN_WORDS = 'number IN (SELECT rowid FROM batch_words WHERE batch_words MATCH ?)';

/** Finds everything whose text holds every word, whole codes first. */
export async function searchAll({ sequelize }: Database, words: string): Promise<Found[]> {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return [];
  const question = wordsQuestion(words);
  const found = await Promise.all(
    SOURCES.map(async ({ kind, from, text, title, code, order }) => {
      if (text === null && question === null) return [];
      const where = [
        ...(text === null ? [IN_WORDS] : wanted.map(() => `instr(${text}, ?) > 0`)),
        ...(kind === 'product' ? ['revision = current_revision'] : []),
      ].join(' AND ');
      const rows = await sequelize.query<{ code: string; title: string | null }>(
        `SELECT ${code} AS code, ${title} AS title FROM ${from} WHERE ${where} ORDER BY ${order} LIMIT ${MAX_OF_A_KIND}`,
        { type: QueryTypes.SELECT, replacements: text === null ? [question] : wanted },
      );
      return rows.map((r): Found => ({ kind, code: r.code, title: r.title ?? '' }));
    }),
  );
  const exact = (f: Found) => (f.code.toLowerCase() === wanted.join(' ') ? 0 : 1);
  return found.flat().sort((a, b) => exact(a) - exact(b));
}
