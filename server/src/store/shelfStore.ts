import type { CodeAt } from '@warm-jar/core';
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

export function shelfStore<T extends { code: string }>({ models, write }: Database, kind: Kind<T>): ShelfStore<T> {
  const rows = models.shelf[kind.table];
  const refuseNew = codeGuard({ models });
  const codesOf = (item: T): CodeAt[] => [{ path: 'code', code: item.code }, ...(kind.codes?.(item) ?? [])];
  const parse = (row: ShelfRow): Shelved<T> => ({
    item: readStored(kind.schema, row.document),
    version: row.version,
  });
  const columns = (item: T) => ({
    search: kind.words(item).filter(Boolean).join(' ').toLowerCase(),
    document: JSON.stringify(item),
    ...(kind.productSlug ? { productSlug: kind.productSlug(item) } : {}),
  });

  async function checkProduct(item: T): Promise<void> {
    const slug = kind.productSlug?.(item);
    if (slug !== undefined && !(await models.products.findByPk(slug))) {
      throw new Problem(400, 'unknown-product', `There is no card "${slug}". Add the card first.`, [
        { path: 'productSlug', message: `"${slug}" has no card.` },
      ]);
    }
  }

  async function requireVersion(
    code: string,
    version: number,
    transaction: Parameters<Parameters<Database['write']>[0]>[0],
  ): Promise<ShelfRow> {
    const row = await rows.findByPk(code, { transaction });
    if (!row) throw notFound(`${kind.one} ${code}`);
    if (row.version !== version) {
      throw new Problem(
        409,
        'version-conflict',
        `${kind.one} ${code} was changed meanwhile: it is at version ${row.version}, yours started from ${version}. Load it again and repeat your change.`,
        [{ path: 'If-Match', message: `Expected "${row.version}".` }],
      );
    }
    return row;
  }

  return {
    list: async () => (await rows.findAll({ order: [['code', 'ASC']] })).map(parse),
    get: async (code) => {
      const row = await rows.findByPk(code);
      if (!row) throw notFound(`${kind.one} ${code}`);
      return parse(row);
    },
    create: async (item) => {
      await checkProduct(item);
      await refuseNew(codesOf(item), []);
      return write(async (transaction) => {
        if (await rows.findByPk(item.code, { transaction })) {
          throw new Problem(409, 'code-taken', `The code ${item.code} is taken. Choose another.`, [
            { path: 'code', message: `${item.code} is taken.` },
          ]);
        }
        const now = new Date().toISOString();
        await rows.create(
          { code: item.code, version: 1, ...columns(item), createdAt: now, updatedAt: now },
          { transaction },
        );
        return { item, version: 1 };
      });
    },
    replace: async (code, version, item) => {
      if (item.code !== code)
        throw new Problem(400, 'code-fixed', `It keeps its code: this is ${code}.`, [
          { path: 'code', message: `Must be ${code}.` },
        ]);
      await checkProduct(item);
      const stored = await rows.findByPk(code);
      await refuseNew(codesOf(item), stored ? codesOf(parse(stored).item) : []);
      return write(async (transaction) => {
        const row = await requireVersion(code, version, transaction);
        await row.update(
          { version: version + 1, ...columns(item), updatedAt: new Date().toISOString() },
          { transaction },
        );
        return { item, version: version + 1 };
      });
    },
    remove: (code, version) =>
      write(async (transaction) => {
        await (await requireVersion(code, version, transaction)).destroy({ transaction });
      }),
  };
}
