import type { Migration } from './migration';

const STATEMENTS = [
  // What learning and the filters need of a batch; filled for older rows when they are next asked for.
  'ALTER TABLE batches ADD COLUMN facts TEXT CHECK (facts IS NULL OR json_valid(facts))',
  'ALTER TABLE batches ADD COLUMN mass_g REAL',
  'ALTER TABLE batches ADD COLUMN note TEXT',
  'ALTER TABLE batches ADD COLUMN copied_from TEXT',
  "UPDATE batches SET mass_g = mass_a_g + coalesce(mass_b_g, 0), note = substr(json_extract(document, '$.note'), 1, 120), copied_from = json_extract(document, '$.copiedFrom.code')",
  // Words and facts are looked through in these, and not in rows that are mostly documents.
  'CREATE INDEX batches_by_words ON batches (started_at, code, search)',
  'CREATE INDEX batches_by_facts ON batches (started_at, code, facts)',
  'CREATE INDEX batches_without_facts ON batches (code) WHERE facts IS NULL',
  'CREATE INDEX batches_by_copied ON batches (copied_from) WHERE copied_from IS NOT NULL',
  'CREATE INDEX batches_by_person ON batches (by, started_at)',
  'CREATE INDEX batches_by_grade ON batches (grade, started_at)',
  'CREATE INDEX batches_by_outside ON batches (outside, started_at)',
  `CREATE TABLE pieces (
    code TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    search TEXT NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    created_at TEXT NOT NULL,
    updated_at TEXT NOT NULL
  )`,
  `CREATE TABLE saved_filters (
    name TEXT PRIMARY KEY,
    query TEXT NOT NULL CHECK (json_valid(query)),
    created_at TEXT NOT NULL
  )`,
  `CREATE TABLE settings (
    key TEXT PRIMARY KEY,
    value TEXT NOT NULL CHECK (json_valid(value))
  )`,
];

export const learning: Migration = {
  name: '0005-learning',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
