import { batchSchema, dueCheck, storedProductSchema } from '@warm-jar/core';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Migration } from './migration';
import { readStored } from '../readStored';

const STATEMENTS = [
  // When the piece is to be looked at next, and for the sake of what; null where it is let be.
  'ALTER TABLE batches ADD COLUMN next_check_at TEXT',
  'ALTER TABLE batches ADD COLUMN next_check_why TEXT',
  'CREATE INDEX batches_by_next_check ON batches (next_check_at) WHERE next_check_at IS NOT NULL',
];

interface Row {
  readonly code: string;
  readonly batch: string;
  readonly card: string;
}

/** Pieces logged before this step are put on the agenda too. */
async function fillColumns(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  const rows = await sequelize.query<Row>(
    `SELECT b.code AS code, b.document AS batch, r.document AS card FROM batches b
     JOIN product_revisions r ON r.slug = b.product_slug AND r.revision = b.product_revision`,
    { type: QueryTypes.SELECT, transaction },
  );
  for (const row of rows) {
    const batch = readStored(batchSchema, row.batch);
    const next = dueCheck(readStored(storedProductSchema, row.card), batch);
    if (!next || !batch.startedAt) continue;
    const at = new Date(Date.parse(batch.startedAt) + next.afterH * 3_600_000).toISOString();
    await sequelize.query('UPDATE batches SET next_check_at = ?, next_check_why = ? WHERE code = ?', {
      replacements: [at, next.why, row.code],
      transaction,
    });
  }
}

export const checks: Migration = {
  name: '0004-checks',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
      await fillColumns(sequelize, transaction);
    });
  },
};
