import type { TableImportAnswer } from '@warm-jar/core';
import type { ReadTableAnswer } from '../../workers/readTableInWorker';

/** A row that stays out, and why. */
export interface RowLeftOut {
  readonly row: number;
  readonly why: readonly { readonly column: string | null; readonly message: string }[];
}

/** What would come of a table's rows. */
export interface RowsTold {
  readonly fits: number;
  readonly same: number;
  /** Of those that fit, how many come in as done. */
  readonly closed: number;
  readonly out: readonly RowLeftOut[];
}

/** What the page read and what the server said of it, put together under the rows of the table. */
export function rowsTold({ read }: ReadTableAnswer, answer: TableImportAnswer | null): RowsTold {
  const told = answer?.rows ?? [];
  const byServer = told.flatMap((r): RowLeftOut[] =>
    r.action === 'refused'
      ? [
          {
            row: read.rowOf[r.row - 1] ?? r.row,
            why: r.issues.map(({ path, message }) => ({ column: path === '' ? null : path, message })),
          },
        ]
      : [],
  );
  const fresh = told.filter((r) => r.action === 'new');
  return {
    fits: fresh.length,
    same: told.filter((r) => r.action === 'same').length,
    closed: fresh.filter((r) => r.closed).length,
    out: [...read.refused, ...byServer].sort((a, b) => a.row - b.row),
  };
}
