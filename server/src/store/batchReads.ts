import type { BatchListQuery, BatchSummary, HistoryEntry } from '@warm-jar/core';
import { Op, QueryTypes, type Order, type WhereOptions } from 'sequelize';
import { notFound } from '../http/problem';
import type { BatchContext } from './batchContext';
import { byWords, countsOf, type ByWords } from './batchCount';
import { castingsInList } from './castingRows';
import { answering, orderOf, whereOf, wordsAndFacts, type Finding, type Span } from './batchQuery';
import { parseBatch } from './batchRecord';
import type { BatchStore } from './storedBatch';
import { summaryOf } from './batchSummary';
import type { BatchRow, CastingRow } from './models';

/** Codes asked for in one statement; SQLite bounds the values in one. */
const ROWS_AT_ONCE = 200;

/**
 * What a list shows of a batch, all of it in one answer: a question of its own for each part took longer than all.
 * Columns are cast, for SQLite makes no JSON of bytes, and one odd row shall not take the list away.
 */
const SHOWN = `
SELECT b.code, b.version, b.product_slug AS productSlug, b.product_revision AS productRevision,
  COALESCE(r.name, b.product_slug) AS productName, b.started_at AS startedAt, b."by", b.mould, b.stage, b.grade,
  b.outside, b.lot_a AS lotA, b.lot_b AS lotB, b.mass_g AS massG, b.note, b.updated_at AS updatedAt,
  CASE WHEN json_valid(b.document) THEN json_extract(b.document, '$.dayOnly') END AS dayOnly,
  (SELECT json_group_array(json_object('kind', CAST(kind AS TEXT), 'pattern', CAST(pattern AS TEXT))) FROM
    (SELECT kind, pattern FROM batch_symptoms WHERE batch_code = b.code ORDER BY id)) AS symptoms,
  (SELECT json_group_array(json_object('casting', CAST(casting AS TEXT), 'place', CAST(place AS INTEGER),
    'mould', CAST(mould AS TEXT), 'cavity', CAST(cavity AS INTEGER), 'grade', CAST(grade AS TEXT),
    'reason', CAST(reason AS TEXT), 'price', CAST(price AS REAL))) FROM castings WHERE batch_code = b.code) AS castings
FROM batches b LEFT JOIN product_revisions r ON r.slug = b.product_slug AND r.revision = b.product_revision
WHERE b.code IN (:codes)`;

type ShownRow = Readonly<Record<string, unknown>> & {
  readonly code: string;
  readonly symptoms: string;
  readonly castings: string;
};

/** The batches of some codes as lists show them, in the order of the codes. */
async function summaries({ sequelize }: BatchContext, codes: readonly string[]): Promise<BatchSummary[]> {
  if (codes.length === 0) return [];
  const rows = await sequelize.query<ShownRow>(SHOWN, { type: QueryTypes.SELECT, replacements: { codes } });
  const known = new Map(rows.map((row) => [row.code, row]));
  return codes.flatMap((code) => {
    const row = known.get(code);
    if (!row) return [];
    return [
      summaryOf({
        ...row,
        dayOnly: row['dayOnly'] === 1,
        symptoms: JSON.parse(row.symptoms) as unknown,
        castings: castingsInList(JSON.parse(row.castings) as CastingRow[]),
      }),
    ];
  });
}

/** The number of the newest batch: about as many as there are. Asked for again once something was written. */
function newestOf({ searched, sequelize, writes }: BatchContext): () => Promise<number> {
  const searching = searched.batches.sequelize ?? sequelize;
  let known = { at: -1, number: 0 };
  return async () => {
    const at = writes();
    if (known.at === at) return known.number;
    const [row] = await searching.query<{ n: number | null }>('SELECT MAX(number) AS n FROM batches', {
      type: QueryTypes.SELECT,
    });
    known = { at, number: row!.n ?? 0 };
    return known.number;
  };
}

/** How a page is found soonest. */
interface Soonest {
  /** Where more rows than this answer, it is sooner found by going through the log in its order. */
  readonly many: number;
  /** A row asked of the index of words by itself takes as long as so many of its answer that are taken at once. */
  readonly eachTakes: number;
  /** So many rows are soon looked at for what their own parts tell. */
  readonly soon: number;
  /** Where rows lie in so many times as many of the index at the most, that stretch of it is asked. */
  readonly wide: number;
  /** It is looked for them there where they are such a part of the log at the most. */
  readonly ofAll: number;
}
const SOONEST: Soonest = { many: 1_000, eachTakes: 500, soon: 5_000, wide: 3, ofAll: 0.25 };
/** Orders that an index gives. */
const BY_AN_INDEX = ['startedAt', 'code', 'massG', 'mould', 'outside'] as const;

/** Where a page lies in its list: so many rows from the nearer end. */
interface PageAt {
  readonly fromBehind: boolean;
  readonly offset: number;
  readonly limit: number;
}
function pageAt({ page, pageSize }: BatchListQuery, total: number): PageAt {
  const offset = (page - 1) * pageSize;
  const limit = Math.max(0, Math.min(pageSize, total - offset));
  const behind = total - offset - limit;
  return behind < offset ? { fromBehind: true, offset: behind, limit } : { fromBehind: false, offset, limit };
}

/** Rows that the index of words names, and that answer what is left of a query. */
const amongNamed = ({ question, left }: ByWords, finding: Finding, span?: Span): WhereOptions<BatchRow> => ({
  [Op.and]: [whereOf(left, finding), answering(question, finding, span)],
});

/** Up to a value, in an order; what nobody wrote down comes before all else, or after it. */
const withinBound = (column: string, isDescending: boolean, value: string | number): WhereOptions<BatchRow> =>
  isDescending ? { [column]: { [Op.gte]: value } } : { [column]: { [Op.or]: [{ [Op.lte]: value }, null] } };

/**
 * Where only so many rows are looked at, first in the order of a list: up to the last of them.
 * @returns null where that cannot be said
 */
async function upTo(
  { searched }: BatchContext,
  column: (typeof BY_AN_INDEX)[number],
  order: Order,
  rows: number,
): Promise<WhereOptions<BatchRow> | null> {
  const isDescending = (order as [string, string][])[0]![1] === 'DESC';
  const last = await searched.batches.findOne({ attributes: [column], order, offset: Math.ceil(rows), raw: true });
  if (last === null) return {};
  const value = last[column];
  return value === null ? null : withinBound(column, isDescending, value);
}

/** The first rows of a list, those with the last one's value with them: where they lie in the index of words. */
interface Stretch extends Span {
  readonly bound: WhereOptions<BatchRow>;
  readonly rows: number;
}

/** @returns null where there are no more rows than that, or where nobody wrote down when the last one was begun */
async function stretchOf(
  { searched, sequelize }: BatchContext,
  column: 'startedAt' | 'code',
  order: Order,
  rows: number,
): Promise<Stretch | null> {
  const [name, isDescending] = [
    column === 'code' ? 'code' : 'started_at',
    (order as [string, string][])[0]![1] === 'DESC',
  ];
  const direction = isDescending ? 'DESC' : 'ASC';
  const searching = searched.batches.sequelize ?? sequelize;
  const [found] = await searching.query<{ last: string | null; from: number; to: number; rows: number }>(
    `SELECT last, MIN(number) AS "from", MAX(number) AS "to", COUNT(*) AS rows FROM batches,
      (SELECT ${name} AS last FROM batches ORDER BY ${name} ${direction}, code ${direction} LIMIT 1 OFFSET ${Math.ceil(rows)})
     WHERE ${isDescending ? `${name} >= last` : `last IS NOT NULL AND (${name} <= last OR ${name} IS NULL)`}`,
    { type: QueryTypes.SELECT },
  );
  if (!found || found.rows === 0 || found.last === null) return null;
  const { last, ...span } = found;
  return { ...span, bound: withinBound(column, isDescending, last) };
}

/** Rows are looked at by themselves among so many times as many as a page would be full with, were they spread evenly. */
const UNEVEN = 4;

/** How many batches answer a query, and about how many there are in all. */
interface Counted {
  readonly total: number;
  readonly all: () => Promise<number>;
  readonly soonest: Soonest;
}

/**
 * What finds a page soonest where what a query asks is spread over the log: the stretch of the index that its first rows
 * lie in is asked, or each of these by itself. Where it lies all at the far end not enough are found.
 * @returns null where the answer of the index of words is to be taken at once
 */
async function firstOfList(
  context: BatchContext,
  query: BatchListQuery,
  words: ByWords,
  { offset, limit, fromBehind }: PageAt,
  { total, all, soonest }: Counted,
): Promise<WhereOptions<BatchRow> | null> {
  const column = BY_AN_INDEX.find((c) => c === query.sort.replace('-', ''));
  if (column === undefined) return null;
  const rows = await all();
  const wanted = (offset + limit) * (rows / total);
  const order = orderOf(query.sort, fromBehind);
  const asked = (bound: WhereOptions<BatchRow> | null, where: WhereOptions<BatchRow>) =>
    bound && { [Op.and]: [where, bound] };
  if (wordsAndFacts(query) === null)
    return asked(await upTo(context, column, order, Math.max(UNEVEN * wanted, soonest.soon)), whereOf(query, 'rows'));
  // In other orders than time those of like words lie together: by mass, those of one product.
  if (column !== 'startedAt' && column !== 'code') return null;
  const isSoon = wanted * soonest.eachTakes < total;
  if (!isSoon && UNEVEN * wanted > rows * soonest.ofAll) return null;
  const stretch = await stretchOf(context, column, order, UNEVEN * wanted);
  if (stretch === null) return null;
  // Batches are logged as they are made: then those of some days are next to each other in the index too.
  if (stretch.to - stretch.from < soonest.wide * stretch.rows)
    return asked(stretch.bound, amongNamed(words, 'rows', stretch));
  return isSoon ? asked(stretch.bound, whereOf(query, 'each')) : null;
}

/** The codes of a page, from the nearer end of its list. */
async function codesAt(context: BatchContext, query: BatchListQuery, at: PageAt, counted: Counted): Promise<string[]> {
  const { total, soonest } = counted;
  // Behind the last page, or of none.
  if (at.limit === 0) return [];
  const find = async (where: WhereOptions<BatchRow>) => {
    const { limit, offset } = at;
    const order = orderOf(query.sort, at.fromBehind);
    const rows = await context.searched.batches.findAll({
      where,
      order,
      limit,
      offset,
      attributes: ['code'],
      raw: true,
    });
    return rows.map((r) => r.code);
  };
  const words = byWords(query);
  if (words === null) return find(whereOf(query, total <= soonest.many ? 'all' : 'rows'));
  if (total <= soonest.many) return find(amongNamed(words, 'all'));
  const first = await firstOfList(context, query, words, at, counted);
  const found = first === null ? [] : await find(first);
  return found.length === at.limit ? found : find(amongNamed(words, 'rows'));
}

/**
 * A page of the log: first its codes, in the order asked for, by indexes alone; then what is shown of those few.
 */
export const list = (context: BatchContext, soonest = SOONEST): BatchStore['list'] => {
  const [count, all] = [countsOf(context), newestOf(context)];
  const { letWriteGo } = context;
  return async (query) => {
    await letWriteGo();
    const total = await count(query);
    const at = pageAt(query, total);
    await letWriteGo();
    const { page, pageSize } = query;
    const codes = await codesAt(context, query, at, { total, all, soonest });
    await letWriteGo();
    const items = await summaries(context, at.fromBehind ? codes.reverse() : codes);
    return { items, page, pageSize, total };
  };
};

export const get =
  ({ models }: BatchContext): BatchStore['get'] =>
  async (code) => {
    const row = await models.batches.findByPk(code);
    if (!row) throw notFound(`Batch ${code}`);
    return { batch: parseBatch(row), version: row.version };
  };

export const documents =
  ({ searched }: BatchContext): BatchStore['documents'] =>
  async (query, most, offset = 0) => {
    const where = whereOf(query);
    const [total, rows] = await Promise.all([
      searched.batches.count({ where }),
      searched.batches.findAll({
        where,
        order: orderOf(query.sort),
        limit: most,
        offset,
        attributes: ['code', 'document'],
      }),
    ]);
    return { batches: rows.map(parseBatch), total };
  };

export const taken =
  ({ models }: BatchContext): BatchStore['taken'] =>
  async (codes) => {
    const known = new Set<string>();
    for (let at = 0; at < codes.length; at += ROWS_AT_ONCE) {
      const rows = await models.history.findAll({
        where: { batchCode: { [Op.in]: codes.slice(at, at + ROWS_AT_ONCE) } },
        attributes: ['batchCode'],
        group: ['batchCode'],
      });
      for (const row of rows) known.add(row.batchCode);
    }
    return known;
  };

export const history =
  ({ models }: BatchContext): BatchStore['history'] =>
  async (code) => {
    const rows = await models.history.findAll({ where: { batchCode: code }, order: [['version', 'ASC']] });
    if (rows.length === 0) throw notFound(`Batch ${code}`);
    return rows.map((r) => ({
      version: r.version,
      at: r.at,
      action: r.action as HistoryEntry['action'],
      by: r.by,
      verified: r.verified === 1,
      changed: JSON.parse(r.changedFields) as string[],
    }));
  };
