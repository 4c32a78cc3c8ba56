import type { BatchSummary, HistoryEntry } from '@warm-jar/core';
import { Op, literal } from 'sequelize';
import { notFound } from '../http/problem';
import type { BatchContext } from './batchContext';
import { castingsInList } from './castingRows';
import { orderOf, whereOf } from './batchQuery';
import { parseBatch } from './batchRecord';
import type { BatchStore } from './storedBatch';
import { summaryOf } from './batchSummary';
import type { BatchRow } from './models';

/** Codes asked for in one statement; SQLite bounds the values in one. */
const ROWS_AT_ONCE = 200;

/** Where more rows than this answer, a page of them is sooner found by going through the log in its order. */
const MANY = 1_000;

/** Columns that a list shows; what stands only in the document is taken from it for the rows of one page. */
const SHOWN = [
  'code',
  'version',
  'productSlug',
  'productRevision',
  'startedAt',
  'by',
  'mould',
  'stage',
  'grade',
  'outside',
  'lotA',
  'lotB',
  'massG',
  'note',
  'updatedAt',
] as const;

/** Rows by the batch they belong to. */
function byBatch<R extends { readonly batchCode: string }>(rows: readonly R[]): (code: string) => readonly R[] {
  const of = new Map<string, R[]>();
  for (const row of rows) {
    const known = of.get(row.batchCode);
    if (known) known.push(row);
    else of.set(row.batchCode, [row]);
  }
  return (code) => of.get(code) ?? [];
}

/** The batches of some codes as lists show them, in the order of the codes. */
async function summaries({ models }: BatchContext, codes: readonly string[]): Promise<BatchSummary[]> {
  if (codes.length === 0) return [];
  const of = { batchCode: { [Op.in]: codes } };
  const [rows, symptoms, castings] = await Promise.all([
    models.batches.findAll({
      where: { code: { [Op.in]: codes } },
      attributes: [...SHOWN, [literal("json_extract(document, '$.dayOnly')"), 'dayOnly']],
      raw: true,
    }),
    models.symptoms.findAll({ where: of, attributes: ['batchCode', 'kind', 'pattern'], order: ['id'], raw: true }),
    models.castings.findAll({ where: of, raw: true }),
  ]);
  const cards = await models.revisions.findAll({
    where: { slug: { [Op.in]: [...new Set(rows.map((r) => r.productSlug))] } },
    attributes: ['slug', 'revision', 'name'],
    raw: true,
  });
  const names = new Map(cards.map((c) => [`${c.slug} ${c.revision}`, c.name]));
  const [symptomsOf, castingsOf] = [byBatch(symptoms), byBatch(castings)];
  const known = new Map(rows.map((row) => [row.code, row as BatchRow & { readonly dayOnly: unknown }]));
  return codes.flatMap((code) => {
    const row = known.get(code);
    if (!row) return [];
    return [
      summaryOf({
        ...row,
        productName: names.get(`${row.productSlug} ${row.productRevision}`) ?? row.productSlug,
        dayOnly: row.dayOnly === 1,
        symptoms: symptomsOf(code).map(({ kind, pattern }) => ({ kind, pattern })),
        castings: castingsInList(castingsOf(code)),
      }),
    ];
  });
}

/**
 * A page of the log: first its codes, in the order asked for, by indexes alone; then what is shown of those few.
 */
export const list =
  (context: BatchContext): BatchStore['list'] =>
  async (query) => {
    const { models } = context;
    const total = await models.batches.count({ where: whereOf(query) });
    const rows = await models.batches.findAll({
      where: whereOf(query, total > MANY),
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

export const get =
  ({ models }: BatchContext): BatchStore['get'] =>
  async (code) => {
    const row = await models.batches.findByPk(code);
    if (!row) throw notFound(`Batch ${code}`);
    return { batch: parseBatch(row), version: row.version };
  };

export const documents =
  ({ models }: BatchContext): BatchStore['documents'] =>
  async (query, most, offset = 0) => {
    const where = whereOf(query);
    const [total, rows] = await Promise.all([
      models.batches.count({ where }),
      models.batches.findAll({
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
