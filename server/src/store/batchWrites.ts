import type { Batch, Entry, Product } from '@warm-jar/core';
import type { Transaction } from 'sequelize';
import { actorNow, doneBy } from '../access/actor';
import { Problem, notFound } from '../http/problem';
import type { BatchContext } from './batchContext';
import { refuseOther, withEntry } from './batchEntries';
import { nextCode, parseBatch, record, requireVersion, rewrite, setParts } from './batchRecord';
import { batchRows } from './batchRows';
import type { BatchStore, Stored } from './storedBatch';
import type { BatchRow } from './models';

/** Who made a batch: on a network who signed in, else who the record names, else who was chosen on the screen. */
function makerOf(sent: Batch): string | null {
  const actor = actorNow();
  return actor?.verified ? actor.person : (sent.by ?? actor?.person ?? null);
}

/** @throws Problem 409 where the log knows the code, of a deleted batch too */
async function requireFree({ models }: BatchContext, code: string, transaction: Transaction): Promise<void> {
  if (!(await models.history.findOne({ where: { batchCode: code }, transaction }))) return;
  throw new Problem(409, 'code-taken', `The code ${code} is already in the log. Choose another, or leave it out.`, [
    { path: 'code', message: `${code} is taken.` },
  ]);
}

export const check =
  ({ models, cardOf, checkOver }: BatchContext): BatchStore['check'] =>
  async (batch) => {
    const card = await cardOf(batch);
    // What a sum would refuse when it is stored is told now, with its row.
    batchRows(batch.code ?? '', batch, card);
    const known = batch.code == null ? null : await models.batches.findByPk(batch.code);
    await checkOver(batch, known && parseBatch(known));
  };

export const create =
  (context: BatchContext): BatchStore['create'] =>
  async (sent) => {
    const { models, write, cardOf, checkOver } = context;
    const card = await cardOf(sent);
    await checkOver(sent, null);
    const by = makerOf(sent);
    return write(async (transaction) => {
      const code = sent.code ?? (await nextCode(context, transaction));
      await requireFree(context, code, transaction);
      const batch: Batch = {
        ...sent,
        ...(by === null ? {} : { by }),
        code,
        product: { ...sent.product, revision: card.revision },
      };
      const now = context.now().toISOString();
      const rows = batchRows(code, batch, card);
      await models.batches.create(
        {
          code,
          version: 1,
          ...rows.columns,
          marks: rows.marks,
          document: JSON.stringify(batch),
          createdAt: now,
          updatedAt: now,
        },
        { transaction },
      );
      await setParts(context, rows, transaction);
      await record(context, batch, 1, 'created', null, transaction);
      return { batch, version: 1 };
    });
  };

export const replace =
  (context: BatchContext): BatchStore['replace'] =>
  async (code, version, sent) => {
    if (sent.code != null && sent.code !== code) {
      throw new Problem(400, 'code-fixed', `A batch keeps its code: this is ${code}.`, [
        { path: 'code', message: `Must be ${code}.` },
      ]);
    }
    const card = await context.cardOf(sent);
    const stored = await context.models.batches.findByPk(code);
    await context.checkOver(sent, stored && parseBatch(stored));
    return context.write(async (transaction) => {
      const row = await requireVersion(context, code, version, transaction);
      const batch: Batch = { ...sent, code, product: { ...sent.product, revision: card.revision } };
      return { batch, version: await rewrite(context, row, batch, card, transaction) };
    });
  };

/** The batch as it stands, where an entry was taken before; null where it was not. @throws Problem 409 */
async function takenBefore(
  { models }: BatchContext,
  row: BatchRow,
  entry: Entry,
  transaction?: Transaction,
): Promise<Stored | null> {
  const known = await models.entries.findByPk(entry.key, transaction ? { transaction } : {});
  if (!known) return null;
  refuseOther(known, row.code, entry);
  return { batch: parseBatch(row), version: row.version };
}

/** Lays an entry over whatever stands there now, and keeps its key. */
async function layOver(
  context: BatchContext,
  row: BatchRow,
  entry: Entry,
  card: Product,
  transaction: Transaction,
): Promise<Stored> {
  const before = parseBatch(row);
  // Who made the batch stays who made it, whoever did something to it since.
  const batch: Batch = {
    ...withEntry(before, entry),
    code: row.code,
    product: { ...before.product, revision: card.revision },
  };
  const version = await rewrite(context, row, batch, card, transaction, entry.by ?? null);
  await context.models.entries.create(
    {
      key: entry.key,
      batchCode: row.code,
      version,
      at: entry.at,
      by: doneBy(entry.by ?? null).by,
      body: JSON.stringify(entry),
    },
    { transaction },
  );
  return { batch, version };
}

export const enter =
  (context: BatchContext): BatchStore['enter'] =>
  async (code, entry) => {
    const { models, write, cardOf, checkOver } = context;
    // Card and guard are asked before the write; the write itself lays the entry over whatever stands there then.
    const asItIs = await models.batches.findByPk(code);
    if (!asItIs) throw notFound(`Batch ${code}`);
    const before = await takenBefore(context, asItIs, entry);
    if (before) return before;
    const look = withEntry(parseBatch(asItIs), entry);
    const card = await cardOf(look);
    await checkOver(look, parseBatch(asItIs));
    return write(async (transaction) => {
      const row = await models.batches.findByPk(code, { transaction });
      if (!row) throw notFound(`Batch ${code}`);
      const meanwhile = await takenBefore(context, row, entry, transaction);
      return meanwhile ?? layOver(context, row, entry, card, transaction);
    });
  };

export const remove =
  (context: BatchContext): BatchStore['remove'] =>
  (code, version) =>
    context.write(async (transaction) => {
      const row = await requireVersion(context, code, version, transaction);
      await record(context, parseBatch(row), version + 1, 'deleted', parseBatch(row), transaction);
      await row.destroy({ transaction });
    });
