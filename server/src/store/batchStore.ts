import { batchContext, type BatchGuard } from './batchContext';
import { addAll, carded, insertAll } from './batchImports';
import { documents, get, history, list, taken } from './batchReads';
import { check, create, enter, remove, replace } from './batchWrites';
import type { Database } from './database';
import type { ProductStore } from './productStore';
import type { BatchStore } from './storedBatch';

export type { BatchGuard } from './batchContext';
export type { BatchStore, Stored } from './storedBatch';

/** Batches over a database. @param guard what a batch is held against before it is stored, beyond its own format */
export function batchStore(
  database: Database,
  products: ProductStore,
  guard: BatchGuard = () => Promise.resolve(),
): BatchStore {
  const context = batchContext(database, products, guard);
  return {
    list: list(context),
    get: get(context),
    documents: documents(context),
    taken: taken(context),
    history: history(context),
    check: check(context),
    create: create(context),
    replace: replace(context),
    enter: enter(context),
    remove: remove(context),
    addAll: addAll(context),
    carded: carded(context),
    insertAll: insertAll(context),
  };
}
