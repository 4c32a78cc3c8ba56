import { changedFields, type Batch, type Product } from '@warm-jar/core';
import type { Transaction } from 'sequelize';
import { actorNow, doneBy } from '../access/actor';
import type { BatchContext } from './batchContext';
import { nextCode, setParts } from './batchRecord';
import { batchRows } from './batchRows';
import type { BatchStore, Carded } from './storedBatch';

/** Rows worked out and written at a time: so few that nobody else waits for long. */
const ROWS_AT_ONCE = 25;

const codeOf = ({ code }: Batch) => code ?? '';

/** Some batches as new rows, with what stands beside them and the first line of their history. */
async function insert(
  context: BatchContext,
  batches: readonly Batch[],
  cards: ReadonlyMap<string, Product>,
  now: string,
  transaction: Transaction,
): Promise<void> {
  const { models } = context;
  const made = batches.map((batch) => batchRows(codeOf(batch), batch, cards.get(codeOf(batch))!));
  const rows = batches.map((batch, i) => ({
    code: codeOf(batch),
    version: 1,
    ...made[i]!.columns,
    marks: made[i]!.marks,
    document: JSON.stringify(batch),
    createdAt: now,
    updatedAt: now,
  }));
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
  await setParts(
    context,
    {
      castings: made.flatMap((r) => r.castings),
      symptoms: made.flatMap((r) => r.symptoms),
      outcomes: made.flatMap((r) => r.outcomes),
      gear: made.flatMap((r) => r.gear),
    },
    transaction,
  );
  await models.history.bulkCreate(history, { transaction });
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
  };

export const addAll =
  (context: BatchContext): BatchStore['addAll'] =>
  async (sent) => {
    const whole = await carded(context)(sent);
    await context.write(async (transaction) => {
      await insertAll(context)(whole, transaction);
    });
  };
