import { batchSchema, changedFields, type Batch, type HistoryEntry, type Product } from '@warm-jar/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { doneBy } from '../access/actor';
import { Problem, notFound } from '../http/problem';
import type { BatchContext } from './batchContext';
import { batchRows, type BatchRows } from './batchRows';
import type { BatchRow } from './models';
import { readStored } from './readStored';

/** The document of a row, as its format is now. */
export const parseBatch = (row: BatchRow): Batch => readStored(batchSchema, row.document);

const versionConflict = (code: string, stored: number, sent: number) =>
  new Problem(
    409,
    'version-conflict',
    `Batch ${code} was changed meanwhile: it is at version ${stored}, and yours started from ${sent}. Load it again and repeat your change; nothing was lost.`,
    [{ path: 'If-Match', message: `Expected "${stored}".` }],
  );

/**
 * Longest code that counts as one of the numbering, `B-` with it: one that
 * somebody typed longer is theirs, and no number.
 */
const MAX_COUNTED = 9;

/** The shortest that does: `B-1`. */
const MIN_COUNTED = 3;

/** The highest number that was given in a code of some length; by an index, for the numbers of a length sort as words. */
const highest = (length: number) => `SELECT most FROM (SELECT CAST(SUBSTR(batch_code, 3) AS INTEGER) AS most
  FROM batch_history WHERE LENGTH(batch_code) = ${length} AND batch_code >= 'B-0' AND batch_code < 'B-:'
  AND batch_code NOT GLOB 'B-*[^0-9]*' ORDER BY batch_code DESC LIMIT 1)`;
const LENGTHS = Array.from({ length: MAX_COUNTED - MIN_COUNTED + 1 }, (_, i) => MIN_COUNTED + i);
/** One of more signs may be lower, written with noughts before it. */
const HIGHEST = `SELECT MAX(most) AS most FROM (${LENGTHS.map(highest).join(' UNION ALL ')})`;

/** The next free code of the studio's numbering, `B-0001`; those of deleted batches are never given again. */
export async function nextCode(
  { models, sequelize }: Pick<BatchContext, 'models' | 'sequelize'>,
  transaction: Transaction,
): Promise<string> {
  const [row] = await sequelize.query<{ most: number | null }>(HIGHEST, { type: QueryTypes.SELECT, transaction });
  for (let number = (row?.most ?? 0) + 1; ; number += 1) {
    const code = `B-${String(number).padStart(4, '0')}`;
    if (!(await models.history.findOne({ where: { batchCode: code }, attributes: ['id'], transaction }))) return code;
  }
}

/** What was done to a batch, with the whole document as it is after it. */
export async function record(
  { models, now }: Pick<BatchContext, 'models' | 'now'>,
  batch: Batch,
  version: number,
  action: HistoryEntry['action'],
  before: Batch | null,
  transaction: Transaction,
  by: string | null = action === 'created' ? (batch.by ?? null) : null,
) {
  await models.history.create(
    {
      batchCode: batch.code ?? '',
      version,
      at: now().toISOString(),
      action,
      ...doneBy(by),
      changedFields: JSON.stringify(changedFields(before, action === 'deleted' ? null : batch)),
      document: JSON.stringify(batch),
    },
    { transaction },
  );
}

/** What stands in tables of its own beside a batch's document: symptoms, castings, outcomes, and the gear used. */
export async function setParts(
  { models }: Pick<BatchContext, 'models'>,
  { castings, outcomes, gear, symptoms }: Omit<BatchRows, 'columns' | 'marks'>,
  transaction: Transaction,
) {
  await models.castings.bulkCreate(castings, { transaction });
  await models.outcomes.bulkCreate(outcomes, { transaction });
  await models.batchGear.bulkCreate(gear, { transaction });
  await models.symptoms.bulkCreate(symptoms, { transaction });
}

/** Takes away what stands in tables of its own beside a batch's document, before it is laid down anew. */
async function dropParts({ models }: Pick<BatchContext, 'models'>, code: string, transaction: Transaction) {
  for (const table of [models.castings, models.outcomes, models.batchGear, models.symptoms])
    await (table as typeof models.castings).destroy({ where: { batchCode: code }, transaction });
}

/** The row of a batch at the version that a change was made from. @throws Problem 404, 409 */
export async function requireVersion(
  { models }: Pick<BatchContext, 'models'>,
  code: string,
  version: number,
  transaction: Transaction,
): Promise<BatchRow> {
  const row = await models.batches.findByPk(code, { transaction });
  if (!row) throw notFound(`Batch ${code}`);
  if (row.version !== version) throw versionConflict(code, row.version, version);
  return row;
}

/** Puts a changed document in the place of a row's, with its columns, symptoms and the record of it. */
export async function rewrite(
  context: BatchContext,
  row: BatchRow,
  batch: Batch,
  card: Product,
  transaction: Transaction,
  by: string | null = null,
): Promise<number> {
  const before = parseBatch(row);
  const version = row.version + 1;
  const rows = batchRows(row.code, batch, card);
  await row.update(
    {
      version,
      ...rows.columns,
      marks: rows.marks,
      document: JSON.stringify(batch),
      updatedAt: context.now().toISOString(),
    },
    { transaction },
  );
  await dropParts(context, row.code, transaction);
  await setParts(context, rows, transaction);
  await record(context, batch, version, 'replaced', before, transaction, by);
  return version;
}
