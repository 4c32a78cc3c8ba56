import type { CodeAt } from '@warm-jar/core';
import type { Transaction } from 'sequelize';
import type { z } from 'zod';
import { Problem, notFound } from '../http/problem';
import { codeGuard } from './codeGuard';
import type { Database } from './database';
import type { ShelfRow, ShelfTable } from './models';
import { readStored } from './readStored';

/** A thing of the shelf with the version that a change must name. */
export interface Shelved<T> {
  readonly item: T;
  readonly version: number;
}

/** One kind of thing on the shelf: documents under their codes, each change a new version. */
export interface ShelfStore<T> {
  readonly list: () => Promise<Shelved<T>[]>;
  /** @throws Problem 404 */
  readonly get: (code: string) => Promise<Shelved<T>>;
  /** @throws Problem 409 where the code is taken */
  readonly create: (item: T) => Promise<Shelved<T>>;
  /** The same within a transaction of others'. */
  readonly createWithin: (item: T, transaction: Transaction) => Promise<Shelved<T>>;
  /** Whether it could be stored: its product known, its codes within the rule. @throws Problem 400 */
  readonly requireFit: (item: T) => Promise<void>;
  /** @throws Problem 404; 409 unless `version` is the stored one */
  readonly replace: (code: string, version: number, item: T) => Promise<Shelved<T>>;
  readonly remove: (code: string, version: number) => Promise<void>;
}

interface Kind<T> {
  readonly table: ShelfTable;
  /** What one is called in a message. */
  readonly one: string;
  readonly schema: z.ZodType<T>;
  /** What a person might remember it by. */
  readonly words: (item: T) => (string | null | undefined)[];
  /** The codes it names beside its own. */
  readonly codes?: (item: T) => CodeAt[];
  /** The product it belongs to, where it belongs to one. */
  readonly productSlug?: (item: T) => string;
}

type Rows = Database['models']['shelf'][ShelfTable];

/** @throws Problem 404; 409 unless `version` is the stored one */
async function requireVersion(
  rows: Rows,
  one: string,
  code: string,
  version: number,
  transaction: Transaction,
): Promise<ShelfRow> {
  const row = await rows.findByPk(code, { transaction });
  if (!row) throw notFound(`${one} ${code}`);
  if (row.version === version) return row;
  throw new Problem(
    409,
    'version-conflict',
    `${one} ${code} was changed meanwhile: it is at version ${row.version}, yours started from ${version}. Load it again and repeat your change.`,
    [{ path: 'If-Match', message: `Expected "${row.version}".` }],
  );
}

/** @throws Problem 409 where the code is taken */
async function requireFree(rows: Rows, code: string, transaction: Transaction): Promise<void> {
  if (!(await rows.findByPk(code, { transaction }))) return;
  throw new Problem(409, 'code-taken', `The code ${code} is taken. Choose another.`, [
    { path: 'code', message: `${code} is taken.` },
  ]);
}

/** @throws Problem 400 where a thing changes its code */
function requireSameCode(code: string, item: { code: string }): void {
  if (item.code === code) return;
  throw new Problem(400, 'code-fixed', `It keeps its code: this is ${code}.`, [
    { path: 'code', message: `Must be ${code}.` },
  ]);
}

/** @throws Problem 400 where the product that it belongs to has no card */
async function requireProduct({ products }: Database['models'], slug: string | undefined): Promise<void> {
  if (slug === undefined || (await products.findByPk(slug))) return;
  throw new Problem(400, 'unknown-product', `There is no card "${slug}". Add the card first.`, [
    { path: 'productSlug', message: `"${slug}" has no card.` },
  ]);
}

/** What stands beside a document, for lists and for finding it. */
const columnsOf = <T>(kind: Kind<T>, item: T) => ({
  search: kind.words(item).filter(Boolean).join(' ').toLowerCase(),
  document: JSON.stringify(item),
  ...(kind.productSlug ? { productSlug: kind.productSlug(item) } : {}),
});

export function shelfStore<T extends { code: string }>({ models, write, now }: Database, kind: Kind<T>): ShelfStore<T> {
  const rows = models.shelf[kind.table];
  const refuseNew = codeGuard({ models });
  const codesOf = (item: T): CodeAt[] => [{ path: 'code', code: item.code }, ...(kind.codes?.(item) ?? [])];
  const parse = (row: ShelfRow): Shelved<T> => ({
    item: readStored(kind.schema, row.document),
    version: row.version,
  });
  const insert = async (item: T, transaction: Transaction): Promise<Shelved<T>> => {
    await requireFree(rows, item.code, transaction);
    const at = now().toISOString();
    const row = { code: item.code, version: 1, ...columnsOf(kind, item), createdAt: at, updatedAt: at };
    await rows.create(row, { transaction });
    return { item, version: 1 };
  };
  const requireFit = async (item: T) => {
    await requireProduct(models, kind.productSlug?.(item));
    await refuseNew(codesOf(item), []);
  };
  return {
    requireFit,
    createWithin: insert,
    list: async () => (await rows.findAll({ order: [['code', 'ASC']] })).map(parse),
    get: async (code) => {
      const row = await rows.findByPk(code);
      if (!row) throw notFound(`${kind.one} ${code}`);
      return parse(row);
    },
    create: async (item) => {
      await requireFit(item);
      return write((transaction) => insert(item, transaction));
    },
    replace: async (code, from, item) => {
      requireSameCode(code, item);
      await requireProduct(models, kind.productSlug?.(item));
      const stored = await rows.findByPk(code);
      await refuseNew(codesOf(item), stored ? codesOf(parse(stored).item) : []);
      return write(async (transaction) => {
        const row = await requireVersion(rows, kind.one, code, from, transaction);
        const version = from + 1;
        await row.update({ version, ...columnsOf(kind, item), updatedAt: now().toISOString() }, { transaction });
        return { item, version };
      });
    },
    remove: (code, from) =>
      write(async (transaction) => {
        await (await requireVersion(rows, kind.one, code, from, transaction)).destroy({ transaction });
      }),
  };
}
