import {
  batchSchema,
  changedFields,
  codesInBatch,
  type Batch,
  type BatchListQuery,
  type BatchPage,
  type BatchSummary,
  type Entry,
  type HistoryEntry,
  type Product,
} from '@warm-jar/core';
import { Op, type Transaction } from 'sequelize';
import { actorNow, doneBy } from '../access/actor';
import { Problem, notFound } from '../http/problem';
import { withEntry, refuseOther } from './batchEntries';
import { orderOf, whereOf } from './batchQuery';
import { summaryOf } from './batchSummary';
import { codeGuard } from './codeGuard';
import { batchColumns, symptomsOf } from './batchColumns';
import type { Database } from './database';
import type { BatchRow } from './models';
import type { ProductStore } from './productStore';
import { readStored } from './readStored';

/** A batch document with the version that a change must name. */
export interface Stored {
  readonly batch: Batch;
  readonly version: number;
}

/** Batches: validated documents, each change a new version with an entry in its history. */
export interface BatchStore {
  readonly list: (query: BatchListQuery) => Promise<BatchPage>;
  /** @throws Problem 404 */
  readonly get: (code: string) => Promise<Stored>;
  /** Gives the next free code where the document has none. @throws Problem 409 where the code is taken, 400 where the card is unknown */
  readonly create: (batch: Batch) => Promise<Stored>;
  /** @throws Problem 409 unless `version` is the stored one; 404; 400 */
  readonly replace: (code: string, version: number, batch: Batch) => Promise<Stored>;
  /**
   * Lays one thing done at the bench over the batch as it stands; what another tablet did to other fields stays. The
   * same key again changes nothing. @throws Problem 409 `field-conflict` where the same field says something else; 404; 400
   */
  readonly enter: (code: string, entry: Entry) => Promise<Stored>;
  /** @throws Problem 409 unless `version` is the stored one; 404 */
  readonly remove: (code: string, version: number) => Promise<void>;
  readonly history: (code: string) => Promise<HistoryEntry[]>;
  /** Whether it could be stored: its card known, its vessel not pressed beyond its rating. @throws Problem 400 */
  readonly check: (batch: Batch) => Promise<void>;
  /** Many at once in one transaction, all of them or none; each has its code. @throws Problem as `create` does */
  readonly addAll: (batches: readonly Batch[]) => Promise<void>;
  /** Whole documents, in the order of the query, with how many there are in all. */
  readonly documents: (
    query: BatchListQuery,
    most: number,
    offset?: number,
  ) => Promise<{ batches: Batch[]; total: number }>;
  /** Which of these codes the log knows, those of deleted batches too. */
  readonly taken: (codes: readonly string[]) => Promise<ReadonlySet<string>>;
}

const parse = (row: BatchRow): Batch => readStored(batchSchema, row.document);

const versionConflict = (code: string, stored: number, sent: number) =>
  new Problem(
    409,
    'version-conflict',
    `Batch ${code} was changed meanwhile: it is at version ${stored}, and yours started from ${sent}. Load it again and repeat your change; nothing was lost.`,
    [{ path: 'If-Match', message: `Expected "${stored}".` }],
  );
/** Rows written or asked for in one statement; SQLite bounds the values in one. */
const ROWS_AT_ONCE = 200;

/** Longest code that counts as one of the numbering, `B-` with it: one that somebody typed longer is theirs, and no number. */
const MAX_COUNTED = 9;

/** What a batch is held against before it is stored, beyond its own format. @throws Problem 400 */
export type BatchGuard = (batch: Batch) => Promise<void>;

export function batchStore(
  { models, write, sequelize }: Database,
  products: ProductStore,
  guard: BatchGuard = () => Promise.resolve(),
): BatchStore {
  const refuseNew = codeGuard({ models });
  /** Beside the guard: codes that are given for the first time. */
  async function checkOver(batch: Batch, before: Batch | null): Promise<void> {
    await refuseNew(codesInBatch(batch), before ? codesInBatch(before) : []);
    await guard(batch);
  }
  /** The card a batch names, at its revision or the newest; an unknown one is the batch's fault. */
  async function cardOf(batch: Batch): Promise<Product> {
    try {
      return await products.get(batch.product.slug, batch.product.revision);
    } catch (cause) {
      if (!(cause instanceof Problem)) throw cause;
      const path = batch.product.revision == null ? 'product.slug' : 'product.revision';
      throw new Problem(
        400,
        'unknown-product',
        `${cause.message} Add its card first, or choose another.`,
        [{ path, message: cause.message }],
        { cause },
      );
    }
  }

  async function nextCode(transaction: Transaction): Promise<string> {
    const [rows] = await sequelize.query(
      `SELECT MAX(CAST(SUBSTR(batch_code, 3) AS INTEGER)) AS most FROM batch_history
       WHERE batch_code GLOB 'B-[0-9]*' AND batch_code NOT GLOB 'B-*[^0-9]*' AND LENGTH(batch_code) <= ${MAX_COUNTED}`,
      { transaction },
    );
    const most = (rows[0] as { most: number | null } | undefined)?.most ?? 0;
    for (let number = most + 1; ; number += 1) {
      const code = `B-${String(number).padStart(4, '0')}`;
      if (!(await models.history.findOne({ where: { batchCode: code }, attributes: ['id'], transaction }))) return code;
    }
  }

  async function record(
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
        at: new Date().toISOString(),
        action,
        ...doneBy(by),
        changedFields: JSON.stringify(changedFields(before, action === 'deleted' ? null : batch)),
        document: JSON.stringify(batch),
      },
      { transaction },
    );
  }

  async function setSymptoms(code: string, batch: Batch, transaction: Transaction) {
    await models.symptoms.destroy({ where: { batchCode: code }, transaction });
    await models.symptoms.bulkCreate(
      symptomsOf(batch).map((s) => ({ ...s, batchCode: code })),
      { transaction },
    );
  }

  async function requireVersion(code: string, version: number, transaction: Transaction): Promise<BatchRow> {
    const row = await models.batches.findByPk(code, { transaction });
    if (!row) throw notFound(`Batch ${code}`);
    if (row.version !== version) throw versionConflict(code, row.version, version);
    return row;
  }

  async function summaries(rows: BatchRow[]): Promise<BatchSummary[]> {
    const cards = await models.revisions.findAll({ attributes: ['slug', 'revision', 'name'] });
    const names = new Map(cards.map((c) => [`${c.slug} ${c.revision}`, c.name]));
    return rows.map((row) =>
      summaryOf({
        ...row.get({ plain: true }),
        productName: names.get(`${row.productSlug} ${row.productRevision}`) ?? row.productSlug,
        symptoms: (row.symptoms ?? []).map(({ kind, pattern }) => ({ kind, pattern })),
      }),
    );
  }

  return {
    list: async (query) => {
      const where = whereOf(query);
      const [total, rows] = await Promise.all([
        models.batches.count({ where }),
        models.batches.findAll({
          where,
          order: orderOf(query.sort),
          limit: query.pageSize,
          offset: (query.page - 1) * query.pageSize,
          attributes: { exclude: ['document', 'search', 'facts'] },
          include: [{ model: models.symptoms, as: 'symptoms', separate: true }],
        }),
      ]);
      return { items: await summaries(rows), page: query.page, pageSize: query.pageSize, total };
    },

    get: async (code) => {
      const row = await models.batches.findByPk(code);
      if (!row) throw notFound(`Batch ${code}`);
      return { batch: parse(row), version: row.version };
    },

    create: async (sent) => {
      const card = await cardOf(sent);
      await checkOver(sent, null);
      const actor = actorNow();
      // Who made it: on a network who signed in, else who the record names, else who was chosen on the screen.
      const by = actor?.verified ? actor.person : (sent.by ?? actor?.person ?? null);
      return write(async (transaction) => {
        const code = sent.code ?? (await nextCode(transaction));
        const taken = await models.history.findOne({ where: { batchCode: code }, transaction });
        if (taken)
          throw new Problem(
            409,
            'code-taken',
            `The code ${code} is already in the log. Choose another, or leave it out.`,
            [{ path: 'code', message: `${code} is taken.` }],
          );
        const batch: Batch = {
          ...sent,
          ...(by === null ? {} : { by }),
          code,
          product: { ...sent.product, revision: card.revision },
        };
        const now = new Date().toISOString();
        await models.batches.create(
          {
            code,
            version: 1,
            ...batchColumns(batch, card),
            document: JSON.stringify(batch),
            createdAt: now,
            updatedAt: now,
          },
          { transaction },
        );
        await setSymptoms(code, batch, transaction);
        await record(batch, 1, 'created', null, transaction);
        return { batch, version: 1 };
      });
    },

    check: async (batch) => {
      const card = await cardOf(batch);
      // What a sum would refuse when it is stored is told now, with its row.
      batchColumns(batch, card);
      const known = batch.code == null ? null : await models.batches.findByPk(batch.code);
      await checkOver(batch, known && parse(known));
    },

    addAll: async (sent) => {
      const cards = new Map<string, Product>();
      for (const batch of sent) {
        await checkOver(batch, null);
        cards.set(batch.code ?? '', await cardOf(batch));
      }
      await write(async (transaction) => {
        const now = new Date().toISOString();
        const whole = sent.map((b) => ({
          ...b,
          product: { ...b.product, revision: cards.get(b.code ?? '')!.revision },
        }));
        for (let at = 0; at < whole.length; at += ROWS_AT_ONCE) {
          const some = whole.slice(at, at + ROWS_AT_ONCE);
          await models.batches.bulkCreate(
            some.map((batch) => ({
              code: batch.code ?? '',
              version: 1,
              ...batchColumns(batch, cards.get(batch.code ?? '')!),
              document: JSON.stringify(batch),
              createdAt: now,
              updatedAt: now,
            })),
            { transaction },
          );
          await models.symptoms.bulkCreate(
            some.flatMap((batch) => symptomsOf(batch).map((s) => ({ ...s, batchCode: batch.code ?? '' }))),
            { transaction },
          );
          await models.history.bulkCreate(
            some.map((batch) => ({
              batchCode: batch.code ?? '',
              version: 1,
              at: now,
              action: 'created',
              // Who brought it in, where that is known; who made it stands in the record itself.
              ...doneBy(actorNow()?.person ?? batch.by ?? null),
              changedFields: JSON.stringify(changedFields(null, batch)),
              document: JSON.stringify(batch),
            })),
            { transaction },
          );
        }
      });
    },

    documents: async (query, most, offset = 0) => {
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
      return { batches: rows.map(parse), total };
    },

    taken: async (codes) => {
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
    },

    replace: async (code, version, sent) => {
      if (sent.code != null && sent.code !== code) {
        throw new Problem(400, 'code-fixed', `A batch keeps its code: this is ${code}.`, [
          { path: 'code', message: `Must be ${code}.` },
        ]);
      }
      const card = await cardOf(sent);
      const stored = await models.batches.findByPk(code);
      await checkOver(sent, stored && parse(stored));
      return write(async (transaction) => {
        const row = await requireVersion(code, version, transaction);
        const before = parse(row);
        const batch: Batch = { ...sent, code, product: { ...sent.product, revision: card.revision } };
        const next = version + 1;
        await row.update(
          {
            version: next,
            ...batchColumns(batch, card),
            document: JSON.stringify(batch),
            updatedAt: new Date().toISOString(),
          },
          { transaction },
        );
        await setSymptoms(code, batch, transaction);
        await record(batch, next, 'replaced', before, transaction);
        return { batch, version: next };
      });
    },

    enter: async (code, entry) => {
      // Card and guard are asked before the write; the write itself lays the entry over whatever stands there then.
      const asItIs = await models.batches.findByPk(code);
      if (!asItIs) throw notFound(`Batch ${code}`);
      const sentBefore = await models.entries.findByPk(entry.key);
      if (sentBefore) {
        refuseOther(sentBefore, code, entry);
        return { batch: parse(asItIs), version: asItIs.version };
      }
      const look = withEntry(parse(asItIs), entry);
      const card = await cardOf(look);
      await checkOver(look, parse(asItIs));
      return write(async (transaction) => {
        const known = await models.entries.findByPk(entry.key, { transaction });
        const row = await models.batches.findByPk(code, { transaction });
        if (!row) throw notFound(`Batch ${code}`);
        if (known) {
          refuseOther(known, code, entry);
          return { batch: parse(row), version: row.version };
        }
        const before = parse(row);
        const batch: Batch = {
          ...withEntry(before, entry),
          code,
          product: { ...before.product, revision: card.revision },
        };
        const next = row.version + 1;
        await row.update(
          {
            version: next,
            ...batchColumns(batch, card),
            document: JSON.stringify(batch),
            updatedAt: new Date().toISOString(),
          },
          { transaction },
        );
        await setSymptoms(code, batch, transaction);
        await record(batch, next, 'replaced', before, transaction, entry.by ?? null);
        await models.entries.create(
          {
            key: entry.key,
            batchCode: code,
            version: next,
            at: entry.at,
            by: doneBy(entry.by ?? null).by,
            body: JSON.stringify(entry),
          },
          { transaction },
        );
        return { batch, version: next };
      });
    },

    remove: (code, version) =>
      write(async (transaction) => {
        const row = await requireVersion(code, version, transaction);
        await record(parse(row), version + 1, 'deleted', parse(row), transaction);
        await row.destroy({ transaction });
      }),

    history: async (code) => {
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
    },
  };
}
