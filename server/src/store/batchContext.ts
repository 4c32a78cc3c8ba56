import { codesInBatch, type Batch, type Product } from '@warm-jar/core';
import { ForeignKeyConstraintError } from 'sequelize';
import { Problem } from '../http/problem';
import { codeGuard } from './codeGuard';
import type { Database } from './database';
import type { ProductStore } from './productStore';

/** What a batch is held against before it is stored, beyond its own format. @throws Problem 400 */
export type BatchGuard = (batch: Batch) => Promise<void>;

/** What the parts of the batch store share. */
export interface BatchContext extends Pick<
  Database,
  'models' | 'searched' | 'write' | 'writes' | 'letWriteGo' | 'sequelize' | 'now'
> {
  /** The card a batch names, at its revision or the newest; an unknown one is the batch's fault. @throws Problem 400 */
  readonly cardOf: (batch: Batch) => Promise<Product>;
  /** The guard, and codes that are given for the first time. @throws Problem 400 */
  readonly checkOver: (batch: Batch, before: Batch | null) => Promise<void>;
}

/** What a batch is told whose card is not there. */
const noCard = (message: string, path: string, cause: unknown) =>
  new Problem(
    400,
    'unknown-product',
    `${message} Add its card first, or choose another.`,
    [{ path: `product.${path}`, message }],
    { cause },
  );

/** Writes what is of a card: its card was there when it was read, and whoever brought that in may take it back since. */
export const refusingGoneCards =
  (write: Database['write']): Database['write'] =>
  async (work) => {
    try {
      return await write(work);
    } catch (cause) {
      if (!(cause instanceof ForeignKeyConstraintError)) throw cause;
      throw noCard('The card that this is of was taken away meanwhile.', 'slug', cause);
    }
  };

export function batchContext(
  { models, searched, write, writes, letWriteGo, sequelize, now }: Database,
  products: ProductStore,
  guard: BatchGuard,
): BatchContext {
  const refuseNew = codeGuard({ models });
  return {
    models,
    searched,
    write: refusingGoneCards(write),
    writes,
    letWriteGo,
    sequelize,
    now,
    checkOver: async (batch, before) => {
      await refuseNew(codesInBatch(batch), before ? codesInBatch(before) : []);
      await guard(batch);
    },
    cardOf: async (batch) => {
      try {
        return await products.get(batch.product.slug, batch.product.revision);
      } catch (cause) {
        if (!(cause instanceof Problem)) throw cause;
        throw noCard(cause.message, batch.product.revision == null ? 'slug' : 'revision', cause);
      }
    },
  };
}
