import type {
  Batch,
  LotCard,
  Mould,
  PastImport,
  Product,
  SavedMapping,
  TableImport,
  TableImportAnswer,
  TableKind,
} from '@warm-jar/core';
import { savedMappingSchema } from '@warm-jar/core';
import { randomUUID } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import { actorNow, doneBy } from '../access/actor';
import { Problem, notFound } from '../http/problem';
import { refusingGoneCards } from './batchContext';
import type { Database } from './database';
import { lookOver, type Importable, type LookDeps } from './importLooks';
import type { Carded } from './storedBatch';

/** Tables of a studio's own, brought in whole and taken back whole. */
export interface ImportStore {
  readonly lookThrough: (sent: TableImport) => Promise<TableImportAnswer>;
  /** All that fits, in one transaction. @throws Problem 400 where nothing fits */
  readonly bringIn: (sent: TableImport) => Promise<TableImportAnswer>;
  readonly list: () => Promise<PastImport[]>;
  /** Takes a whole import back. @throws Problem 404; 409 where something of it was changed or used since */
  readonly undo: (id: string) => Promise<{ removed: number }>;
  readonly mappings: () => Promise<SavedMapping[]>;
  readonly saveMapping: (mapping: SavedMapping) => Promise<SavedMapping>;
}

/** How documents are written within a transaction that the record of the import shares. */
export interface ImportWriters extends LookDeps {
  readonly carded: (batches: readonly Batch[]) => Promise<Carded[]>;
  readonly insertBatches: (batches: readonly Carded[], transaction: Transaction) => Promise<Batch[]>;
  readonly insertLot: (lot: LotCard, transaction: Transaction) => Promise<unknown>;
  readonly insertMould: (mould: Mould, transaction: Transaction) => Promise<unknown>;
  readonly insertProduct: (product: Product, transaction: Transaction) => Promise<void>;
  /** Forgets a card that was taken back. */
  readonly forgetProduct: (slug: string) => void;
  /** Tells every screen that batches came or went. */
  readonly told: () => void;
}

interface Item {
  readonly code: string;
  readonly version: number;
}

type Writer = (documents: readonly Importable[]) => Promise<(transaction: Transaction) => Promise<Item[]>>;

/** One writer a kind: what can be looked up is, before the transaction begins. */
function writersOf(deps: ImportWriters): Readonly<Record<TableKind, Writer>> {
  const one =
    <T extends Importable>(
      insert: (document: T, transaction: Transaction) => Promise<unknown>,
      codeOf: (d: T) => Item,
    ): Writer =>
    (documents) =>
      Promise.resolve(async (transaction) => {
        const items: Item[] = [];
        for (const document of documents as readonly T[]) {
          await insert(document, transaction);
          items.push(codeOf(document));
        }
        return items;
      });
  return {
    batch: async (documents) => {
      const whole = await deps.carded(documents as readonly Batch[]);
      return async (transaction) =>
        (await deps.insertBatches(whole, transaction)).map(({ code }) => ({ code: code ?? '', version: 1 }));
    },
    lot: one(deps.insertLot, ({ code }) => ({ code, version: 1 })),
    mould: one(deps.insertMould, ({ code }) => ({ code, version: 1 })),
    product: one(
      (card: Product, transaction) => deps.insertProduct({ ...card, revision: 1 }, transaction),
      ({ slug }) => ({ code: slug, version: 1 }),
    ),
  };
}

/** Items of an import that are no longer as they came. */
const CHANGED: Readonly<Record<TableKind, string>> = {
  batch: `SELECT i.code AS code FROM import_items i LEFT JOIN batches b ON b.code = i.code
    WHERE i.import_id = :id AND (b.code IS NULL OR b.version <> i.version
      OR EXISTS (SELECT 1 FROM batches c WHERE c.copied_from = i.code)
      OR EXISTS (SELECT 1 FROM pieces p, json_each(p.document, '$.layers') l WHERE l.value ->> '$.batch' = i.code))`,
  lot: `SELECT i.code AS code FROM import_items i LEFT JOIN lots b ON b.code = i.code
    WHERE i.import_id = :id AND (b.code IS NULL OR b.version <> i.version
      OR EXISTS (SELECT 1 FROM batches u WHERE u.product_slug = b.product_slug AND i.code IN (u.lot_a, u.lot_b)))`,
  mould: `SELECT i.code AS code FROM import_items i LEFT JOIN moulds b ON b.code = i.code
    WHERE i.import_id = :id AND (b.code IS NULL OR b.version <> i.version
      OR EXISTS (SELECT 1 FROM castings u WHERE u.mould = i.code))`,
  product: `SELECT i.code AS code FROM import_items i LEFT JOIN products b ON b.slug = i.code
    WHERE i.import_id = :id AND (b.slug IS NULL OR b.current_revision <> i.version
      OR EXISTS (SELECT 1 FROM batches u WHERE u.product_slug = i.code)
      OR EXISTS (SELECT 1 FROM lots l WHERE l.product_slug = i.code))`,
};

const OF_IMPORT = '(SELECT code FROM import_items WHERE import_id = :id)';
/** How the items of an import go, as if they had never come. */
const REMOVE: Readonly<Record<TableKind, readonly string[]>> = {
  batch: [
    `DELETE FROM batch_entries WHERE batch_code IN ${OF_IMPORT}`,
    `DELETE FROM batch_history WHERE batch_code IN ${OF_IMPORT}`,
    `DELETE FROM batches WHERE code IN ${OF_IMPORT}`,
  ],
  lot: [`DELETE FROM lots WHERE code IN ${OF_IMPORT}`],
  mould: [`DELETE FROM moulds WHERE code IN ${OF_IMPORT}`],
  product: [
    `DELETE FROM product_revisions WHERE slug IN ${OF_IMPORT}`,
    `DELETE FROM products WHERE slug IN ${OF_IMPORT}`,
  ],
};

const NAMED = 5;
const namesOf = (codes: readonly string[]) =>
  codes.slice(0, NAMED).join(', ') + (codes.length > NAMED ? ` and ${codes.length - NAMED} more` : '');

/** Imports told in a list, and mappings remembered. */
const [MOST_TOLD, MOST_MAPPINGS] = [50, 200];

const headsKey = (heads: readonly string[]) => JSON.stringify(heads.map((h) => h.trim().toLowerCase()));

type PastRow = Omit<PastImport, 'undoneAt'> & { undone_at: string | null };

/** Takes an import back within its transaction. */
async function takeBack({ sequelize, now }: Database, id: string, transaction: Transaction) {
  const ask = <T extends object>(sql: string) =>
    sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements: { id }, transaction });
  const [found] = await ask<{ kind: TableKind; undone_at: string | null }>(
    'SELECT kind, undone_at FROM imports WHERE id = :id',
  );
  if (!found) throw notFound(`Import ${id}`);
  if (found.undone_at !== null) throw new Problem(409, 'undone', 'This import was taken back already.');
  const changed = (await ask<{ code: string }>(CHANGED[found.kind])).map((row) => row.code);
  if (changed.length > 0)
    throw new Problem(
      409,
      'changed-since',
      `${namesOf(changed)} ${changed.length === 1 ? 'was' : 'were'} changed, used or removed since. Nothing was taken back; remove by hand what should go.`,
    );
  const items = await ask<{ code: string }>('SELECT code FROM import_items WHERE import_id = :id');
  await sequelize.query('UPDATE imports SET undone_at = :at WHERE id = :id', {
    replacements: { id, at: now().toISOString() },
    transaction,
  });
  // With its items the leave to remove a card's revision goes too.
  const statements = [...REMOVE[found.kind], 'DELETE FROM import_items WHERE import_id = :id'];
  for (const statement of statements) await sequelize.query(statement, { replacements: { id }, transaction });
  return { kind: found.kind, codes: items.map((item) => item.code) };
}

const inserted = async (
  { sequelize, now }: Database,
  sent: TableImport,
  items: readonly Item[],
  transaction: Transaction,
) => {
  const id = randomUUID();
  const { by } = doneBy(actorNow()?.person ?? null);
  await sequelize.query(
    'INSERT INTO imports (id, kind, name, at, by, count) VALUES (:id, :kind, :name, :at, :by, :count)',
    {
      replacements: { id, kind: sent.kind, name: sent.name, at: now().toISOString(), by, count: items.length },
      transaction,
    },
  );
  for (const { code, version } of items)
    await sequelize.query('INSERT INTO import_items (import_id, code, version) VALUES (:id, :code, :version)', {
      replacements: { id, code, version },
      transaction,
    });
  return id;
};

/** How tables were matched before, under their heads. */
function mappingStore({ sequelize, write, now }: Database): Pick<ImportStore, 'mappings' | 'saveMapping'> {
  return {
    mappings: async () => {
      const rows = await sequelize.query<{ mapping: string }>(
        'SELECT mapping FROM table_mappings ORDER BY updated_at DESC LIMIT :most',
        { type: QueryTypes.SELECT, replacements: { most: MOST_MAPPINGS } },
      );
      return rows.flatMap(({ mapping }) => {
        const read = savedMappingSchema.safeParse(JSON.parse(mapping));
        return read.success ? [read.data] : [];
      });
    },
    saveMapping: async (mapping) => {
      await write((transaction) =>
        sequelize.query(
          `INSERT INTO table_mappings (kind, heads, mapping, updated_at) VALUES (:kind, :heads, :mapping, :at)
           ON CONFLICT (kind, heads) DO UPDATE SET mapping = excluded.mapping, updated_at = excluded.updated_at`,
          {
            replacements: {
              kind: mapping.kind,
              heads: headsKey(mapping.heads),
              mapping: JSON.stringify(mapping),
              at: now().toISOString(),
            },
            transaction,
          },
        ),
      );
      return mapping;
    },
  };
}

export function importStore(database: Database, deps: ImportWriters): ImportStore {
  const { sequelize, write } = database;
  const writers = writersOf(deps);
  return {
    lookThrough: async (sent) => ({
      id: null,
      applied: 0,
      rows: (await lookOver(deps, sent)).map((l) => l.told),
    }),
    bringIn: async (sent) => {
      const looked = await lookOver(deps, sent);
      const documents = looked.flatMap((l) => l.document ?? []);
      if (documents.length === 0)
        throw new Problem(400, 'nothing-fits', 'No row of it can be brought in: each is refused, or here already.');
      const insert = await writers[sent.kind](documents);
      const { id, items } = await refusingGoneCards(write)(async (transaction) => {
        const written = await insert(transaction);
        return { id: await inserted(database, sent, written, transaction), items: written };
      });
      if (sent.kind === 'batch') deps.told();
      return { id, applied: items.length, rows: looked.map((l) => l.told) };
    },
    list: async () => {
      const rows = await sequelize.query<PastRow>(
        'SELECT id, kind, name, at, by, count, undone_at FROM imports ORDER BY at DESC, id LIMIT :most',
        { type: QueryTypes.SELECT, replacements: { most: MOST_TOLD } },
      );
      return rows.map(({ undone_at: undoneAt, ...row }) => ({ ...row, undoneAt }));
    },
    undo: async (id) => {
      const { kind, codes } = await write((transaction) => takeBack(database, id, transaction));
      if (kind === 'product') codes.forEach(deps.forgetProduct);
      if (kind === 'batch') deps.told();
      return { removed: codes.length };
    },
    ...mappingStore(database),
  };
}
