import type { Migration } from './migration';

const STATEMENTS = [
  // One row for each thing done at the bench: sent twice, it is still one.
  `CREATE TABLE batch_entries (
    key TEXT PRIMARY KEY,
    batch_code TEXT NOT NULL,
    version INTEGER NOT NULL,
    at TEXT NOT NULL,
    by TEXT,
    body TEXT NOT NULL CHECK (json_valid(body))
  )`,
  'CREATE INDEX batch_entries_by_batch ON batch_entries (batch_code, version)',
];

export const benchEntries: Migration = {
  name: '0003-bench-entries',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
