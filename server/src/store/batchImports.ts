import { changedFields, type Batch, type Product } from '@warm-jar/core';
import type { Transaction } from 'sequelize';
import { actorNow, doneBy } from '../access/actor';
import { batchColumns, symptomsOf } from './batchColumns';
import type { BatchContext } from './batchContext';
import { castingRows } from './castingRows';
import type { BatchStore } from './storedBatch';

/** Rows written in one statement; SQLite bounds the values in one. */
const ROWS_AT_ONCE = 200;

const codeOf = ({ code }: Batch) => code ?? '';

/** Some batches as new rows, with their symptoms and the first line of their history. */
async function insert(
  { models }: BatchContext,
  batches: readonly Batch[],
  cards: ReadonlyMap<string, Product>,
  now: string,
  transaction: Transaction,
): Promise<void> {
  const rows = batches.map((batch) => ({
    code: codeOf(batch),
    version: 1,
    ...batchColumns(batch, cards.get(codeOf(batch))!),
    document: JSON.stringify(batch),
    createdAt: now,
    updatedAt: now,
  }));
  const symptoms = batches.flatMap((batch) => symptomsOf(batch).map((s) => ({ ...s, batchCode: codeOf(batch) })));
  const castings = batches.flatMap((batch) => castingRows(codeOf(batch), batch, cards.get(codeOf(batch))!));
  const history = batches.map((batch) => ({
    batchCode: codeOf(batch),
    version: 1,
    at: now,
    action: 'created',
    // Who brought it in, where that is known; who made it stands in the record itself.
    ...doneBy(actorNow()?.person ?? batch.by ?? null),
    changedFields: JSON.stringify(changedFields(null, batch)),
    document: JSON.stringify(batch),
  }));
  await models.batches.bulkCreate(rows, { transaction });
  await models.symptoms.bulkCreate(symptoms, { transaction });
  await models.castings.bulkCreate(castings, { transaction });
  await models.history.bulkCreate(history, { transaction });
}

export const addAll =
  (context: BatchContext): BatchStore['addAll'] =>
  async (sent) => {
    const cards = new Map<string, Product>();
    for (const batch of sent) {
      await context.checkOver(batch, null);
      cards.set(codeOf(batch), await context.cardOf(batch));
    }
    const whole = sent.map((b) => ({ ...b, product: { ...b.product, revision: cards.get(codeOf(b))!.revision } }));
    await context.write(async (transaction) => {
      const now = context.now().toISOString();
      for (let at = 0; at < whole.length; at += ROWS_AT_ONCE)
        await insert(context, whole.slice(at, at + ROWS_AT_ONCE), cards, now, transaction);
    });
  };
