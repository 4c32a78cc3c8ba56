import type { BatchSummary, HistoryEntry } from '@warm-jar/core';
import { Op, literal } from 'sequelize';
import { notFound } from '../http/problem';
import type { BatchContext } from './batchContext';
import { castingsInList } from './castingRows';
import { orderOf, whereOf } from './batchQuery';
import { parseBatch } from './batchRecord';
import type { BatchStore } from './storedBatch';
import { summaryOf } from './batchSummary';
import type { BatchRow, Models } from './models';

/** Codes asked for in one statement; SQLite bounds the values in one. */
const ROWS_AT_ONCE = 200;

async function summaries(models: Models, rows: BatchRow[]): Promise<BatchSummary[]> {
  const cards = await models.revisions.findAll({ attributes: ['slug', 'revision', 'name'] });
  const names = new Map(cards.map((c) => [`${c.slug} ${c.revision}`, c.name]));
  return rows.map((row) =>
    summaryOf({
      ...row.get({ plain: true }),
      productName: names.get(`${row.productSlug} ${row.productRevision}`) ?? row.productSlug,
      dayOnly: row.get('dayOnly') === 1,
      symptoms: (row.symptoms ?? []).map(({ kind, pattern }) => ({ kind, pattern })),
      castings: castingsInList(row.castings ?? []),
    }),
  );
}

export const list =
  ({ models }: BatchContext): BatchStore['list'] =>
  async (query) => {
    const where = whereOf(query);
    const [total, rows] = await Promise.all([
      models.batches.count({ where }),
      models.batches.findAll({
        where,
        order: orderOf(query.sort),
        limit: query.pageSize,
        offset: (query.page - 1) * query.pageSize,
        attributes: {
          exclude: ['document', 'search', 'facts'],
          include: [[literal("json_extract(document, '$.dayOnly')"), 'dayOnly']],
        },
        include: [
          { model: models.symptoms, as: 'symptoms', separate: true },
          { model: models.castings, as: 'castings', separate: true },
        ],
      }),
    ]);
    return { items: await summaries(models, rows), page: query.page, pageSize: query.pageSize, total };
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
