import type { Migration } from './migration';

const STATEMENTS = [
  `CREATE TABLE products (
    slug TEXT PRIMARY KEY,
    current_revision INTEGER NOT NULL CHECK (current_revision >= 1),
    created_at TEXT NOT NULL
  )`,
  `CREATE TABLE product_revisions (
    slug TEXT NOT NULL REFERENCES products (slug),
    revision INTEGER NOT NULL CHECK (revision >= 1),
    name TEXT NOT NULL,
    family TEXT NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    created_at TEXT NOT NULL,
    PRIMARY KEY (slug, revision)
  )`,
  // A card's revision is what a batch was made with: it can be superseded, never changed or removed.
  `CREATE TRIGGER product_revisions_stay BEFORE UPDATE ON product_revisions
    BEGIN SELECT RAISE(ABORT, 'a product revision cannot be changed'); END`,
  `CREATE TRIGGER product_revisions_kept BEFORE DELETE ON product_revisions
    BEGIN SELECT RAISE(ABORT, 'a product revision cannot be removed'); END`,
  `CREATE TABLE batches (
    code TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    product_slug TEXT NOT NULL,
    product_revision INTEGER NOT NULL,
    started_at TEXT,
    by TEXT,
    mould TEXT,
    stage TEXT NOT NULL,
    grade TEXT,
    outside INTEGER NOT NULL,
    search TEXT NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    created_at TEXT NOT NULL,
    updated_at TEXT NOT NULL,
    FOREIGN KEY (product_slug, product_revision) REFERENCES product_revisions (slug, revision)
  )`,
  'CREATE INDEX batches_by_start ON batches (started_at, code)',
  'CREATE INDEX batches_by_product ON batches (product_slug, started_at)',
  'CREATE INDEX batches_by_stage ON batches (stage, started_at)',
  'CREATE INDEX batches_by_update ON batches (updated_at)',
  `CREATE TABLE batch_symptoms (
    id INTEGER PRIMARY KEY,
    batch_code TEXT NOT NULL REFERENCES batches (code) ON DELETE CASCADE,
    kind TEXT NOT NULL,
    pattern TEXT NOT NULL
  )`,
  'CREATE INDEX batch_symptoms_by_batch ON batch_symptoms (batch_code)',
  'CREATE INDEX batch_symptoms_by_kind ON batch_symptoms (kind, batch_code)',
  // History outlives the batch, so it holds no reference to it.
  `CREATE TABLE batch_history (
    id INTEGER PRIMARY KEY,
    batch_code TEXT NOT NULL,
    version INTEGER NOT NULL,
    at TEXT NOT NULL,
    action TEXT NOT NULL CHECK (action IN ('created', 'replaced', 'deleted')),
    by TEXT,
    changed_fields TEXT NOT NULL CHECK (json_valid(changed_fields)),
    document TEXT NOT NULL CHECK (json_valid(document)),
    UNIQUE (batch_code, version)
  )`,
];

export const firstSchema: Migration = {
  name: '0001-first-schema',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
