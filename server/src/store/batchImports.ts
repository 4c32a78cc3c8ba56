import { changedFields, type Batch, type Product } from '@warm-jar/core';
import type { Transaction } from 'sequelize';
import { actorNow, doneBy } from '../access/actor';
import { batchColumns, symptomsOf } from './batchColumns';
import type { BatchContext } from './batchContext';
import { nextCode } from './batchRecord';
import { castingRows } from './castingRows';
import { gearRows, outcomeRows } from './outcomeRows';
import type { BatchStore, Carded } from './storedBatch';

/** Rows worked out and written at a time: so few that nobody else waits for long. */
const ROWS_AT_ONCE = 25;

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

/** What causes turned out to be, and the gear used, in tables of their own. */
async function insertLearned({ models }: BatchContext, batches: readonly Batch[], transaction: Transaction) {
  const outcomes = batches.flatMap((batch) => outcomeRows(codeOf(batch), batch));
  await models.outcomes.bulkCreate(outcomes, { transaction });
  await models.batchGear.bulkCreate(
    batches.flatMap((batch) => gearRows(codeOf(batch), batch)),
    { transaction },
  );
}

/** Gives codes of the studio's numbering to those that have none, one after another. */
async function withCodes(context: BatchContext, batches: readonly Batch[], transaction: Transaction): Promise<Batch[]> {
  const known = new Set(batches.flatMap(({ code }) => (code == null ? [] : [code])));
  let next = batches.some(({ code }) => code == null) ? await nextCode(context, transaction) : '';
  const coded: Batch[] = [];
  for (const batch of batches) {
    if (batch.code != null) {
      coded.push(batch);
      continue;
    }
    while (known.has(next)) next = codeAfter(next);
    coded.push({ ...batch, code: next });
    known.add(next);
    next = codeAfter(next);
  }
  return coded;
}

const codeAfter = (code: string) => `B-${String(Number(code.slice(2)) + 1).padStart(4, '0')}`;

/** Looks each batch over, as it would be stored. @throws Problem 400 */
export const carded =
  (context: BatchContext) =>
  async (sent: readonly Batch[]): Promise<Carded[]> => {
    const found: Carded[] = [];
    for (const batch of sent) {
      await context.checkOver(batch, null);
      const card = await context.cardOf(batch);
      found.push({ batch: { ...batch, product: { ...batch.product, revision: card.revision } }, card });
    }
    return found;
  };

/**
 * Writes batches that were looked over, within a transaction that others may share.
 * @returns them with their codes
 */
export const insertAll =
  (context: BatchContext) =>
  async (sent: readonly Carded[], transaction: Transaction): Promise<Batch[]> => {
    const batches = await insertCoded(context, sent, transaction);
    await insertLearned(context, batches, transaction);
    return batches;
  };

async function insertCoded(context: BatchContext, sent: readonly Carded[], transaction: Transaction): Promise<Batch[]> {
  const batches = await withCodes(
    context,
    sent.map(({ batch }) => batch),
    transaction,
  );
  const cards = new Map(batches.map((batch, at) => [codeOf(batch), sent[at]!.card]));
  const now = context.now().toISOString();
  for (let at = 0; at < batches.length; at += ROWS_AT_ONCE)
    await insert(context, batches.slice(at, at + ROWS_AT_ONCE), cards, now, transaction);
  return batches;
}

export const addAll =
  (context: BatchContext): BatchStore['addAll'] =>
  async (sent) => {
    const whole = await carded(context)(sent);
    await context.write(async (transaction) => {
      await insertAll(context)(whole, transaction);
    });
  };
