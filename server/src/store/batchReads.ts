import type { BatchListQuery, BatchSummary, HistoryEntry } from '@warm-jar/core';
import { Op, QueryTypes, Sequelize, type WhereOptions } from 'sequelize';
import { studioZone } from '../live/studioZone';
import { notFound } from '../http/problem';
import type { BatchContext } from './batchContext';
import { asksWords, byWords, countByPart, type ByWords } from './batchCount';
import { castingsInList } from './castingRows';
import { without } from './batchMarks';
import { answering, orderOf, whereOf, type Finding } from './batchQuery';
import { parseBatch } from './batchRecord';
import type { BatchStore } from './storedBatch';
import { summaryOf } from './batchSummary';
import type { BatchRow, CastingRow } from './models';
import { wordsQuestion } from './searchWords';

/** Codes asked for in one statement; SQLite bounds the values in one. */
const ROWS_AT_ONCE = 200;

/** Where more rows than this answer, a page of them is sooner found by going through the log in its order. */
const MANY = 1_000;

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

/** Answers that are kept until something is written. */
const MOST_COUNTS = 200;

async function counted({ searched, sequelize }: BatchContext, question: string): Promise<number> {
  const searching = searched.batches.sequelize ?? sequelize;
  const [row] = await searching.query<{ n: number }>(`SELECT ${question} AS n`, { type: QueryTypes.SELECT });
  return row!.n;
}

/** How many batches answer a question, remembered until something is written: the pages of one list ask it each. */
function countsOf(context: BatchContext): (query: BatchListQuery) => Promise<number> {
  const { searched, writes } = context;
  const known = new Map<string, { readonly at: number; readonly total: number }>();
  return async (query) => {
    const key = JSON.stringify([studioZone(), { ...query, page: 1, pageSize: 1, sort: '' }]);
    // Taken before it is counted: what is written meanwhile is not held to be counted in.
    const at = writes();
    const before = known.get(key);
    if (before?.at === at) return before.total;
    const byPart = countByPart(query);
    const total =
      byPart === null ? await searched.batches.count({ where: whereOf(query) }) : await counted(context, byPart);
    if (known.size >= MOST_COUNTS) known.clear();
    known.set(key, { at, total });
    return total;
  };
}

/** A row asked of an index of words by itself takes as long as so many of its answer that are taken at once. */
const EACH_TAKES = 250;
const BY_TIME = ['startedAt', '-startedAt'];

/** Rows that indexes of words name, and that answer what is left of a query. */
function amongNamed({ from, left }: ByWords, finding: Finding): WhereOptions<BatchRow> {
  // With a sign before it, it is held against each row as they come in their order.
  const number = finding === 'rows' ? '+number' : 'number';
  const named = Sequelize.literal(`${number} IN (SELECT rowid FROM ${from})`) as unknown as WhereOptions<BatchRow>;
  return { [Op.and]: [whereOf(left, finding), named] };
}

/**
 * What is asked of the rows so that those of a page are found soonest.
 * @param total that answer @param count how many batches answer another query
 */
async function soonestWhere(
  query: BatchListQuery,
  total: number,
  count: (query: BatchListQuery) => Promise<number>,
): Promise<WhereOptions<BatchRow>> {
  const words = byWords(query);
  if (words === null) return whereOf(query, total <= MANY ? 'all' : 'rows');
  if (total <= MANY) return amongNamed(words, 'all');
  // What is asked of a row's parts is asked of each row as it comes: of many that answer a page is soon full.
  if (!asksWords(query)) return whereOf(query, 'rows');
  const { sort, page, pageSize } = query;
  // Only in an order that an index has.
  if (!BY_TIME.includes(sort)) return amongNamed(words, 'rows');
  const isSoonFull = async (among: BatchListQuery) => {
    const wanted = page * pageSize * ((await count(among)) / total);
    return wanted * EACH_TAKES < total;
  };
  if (await isSoonFull({ sort, page, pageSize })) return whereOf(query, 'each');
  // Words beside facts: of those that the facts name, as many as a page wants are asked for the words.
  const unsaid = without(query, ['search']);
  const [said, others] = [wordsQuestion(query.search ?? ''), byWords(unsaid)];
  if (said === null || others === null || !(await isSoonFull(unsaid))) return amongNamed(words, 'rows');
  return { [Op.and]: [amongNamed(others, 'rows'), answering('batch_words', said, 'each')] };
}

/**
 * A page of the log: first its codes, in the order asked for, by indexes alone; then what is shown of those few.
 */
export const list = (context: BatchContext): BatchStore['list'] => {
  const { searched } = context;
  const count = countsOf(context);
  return async (query) => {
    const total = await count(query);
    const rows = await searched.batches.findAll({
      where: await soonestWhere(query, total, count),
      order: orderOf(query.sort),
      limit: query.pageSize,
      offset: (query.page - 1) * query.pageSize,
      attributes: ['code'],
      raw: true,
    });
    const items = await summaries(
      context,
      rows.map((r) => r.code),
    );
    return { items, page: query.page, pageSize: query.pageSize, total };
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
