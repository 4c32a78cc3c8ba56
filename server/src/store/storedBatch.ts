import type { Batch, BatchListQuery, BatchPage, Entry, HistoryEntry, Product } from '@warm-jar/core';
import type { Transaction } from 'sequelize';

/** A batch document with the version that a change must name. */
export interface Stored {
  readonly batch: Batch;
  readonly version: number;
}

/** A batch with the revision that its card is at, and that card. */
export interface Carded {
  readonly batch: Batch;
  readonly card: Product;
}

/** Batches: validated documents, each change a new version with an entry in its history. */
export interface BatchStore {
  readonly list: (query: BatchListQuery) => Promise<BatchPage>;
  /** @throws Problem 404 */
  readonly get: (code: string) => Promise<Stored>;
  /**
   * Gives the next free code where the document has none.
   * @throws Problem 409 where the code is taken, 400 where the card is unknown
   */
  readonly create: (batch: Batch) => Promise<Stored>;
  /** @throws Problem 409 unless `version` is the stored one; 404; 400 */
  readonly replace: (code: string, version: number, batch: Batch) => Promise<Stored>;
  /**
   * Lays one thing done at the bench over the batch as it stands; what another tablet did to other fields stays. The
   * same key again changes nothing. @throws Problem 409 `field-conflict`
   * where the same field says something else; 404; 400
   */
  readonly enter: (code: string, entry: Entry) => Promise<Stored>;
  /** @throws Problem 409 unless `version` is the stored one; 404 */
  readonly remove: (code: string, version: number) => Promise<void>;
  readonly history: (code: string) => Promise<HistoryEntry[]>;
  /** Whether it could be stored: its card known, its vessel not pressed beyond its rating. @throws Problem 400 */
  readonly check: (batch: Batch) => Promise<void>;
  /** Many at once in one transaction, all of them or none; each has its code. @throws Problem as `create` does */
  readonly addAll: (batches: readonly Batch[]) => Promise<void>;
  /** Looks batches over, as `addAll` would before it writes. @throws Problem 400 */
  readonly carded: (batches: readonly Batch[]) => Promise<Carded[]>;
  /** Writes batches that were looked over, within a transaction of others'; they come back with their codes. */
  readonly insertAll: (batches: readonly Carded[], transaction: Transaction) => Promise<Batch[]>;
  /** Whole documents, in the order of the query, with how many there are in all. */
  readonly documents: (
    query: BatchListQuery,
    most: number,
    offset?: number,
  ) => Promise<{ batches: Batch[]; total: number }>;
  /** Which of these codes the log knows, those of deleted batches too. */
  readonly taken: (codes: readonly string[]) => Promise<ReadonlySet<string>>;
}
