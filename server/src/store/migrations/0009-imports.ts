import type { Migration } from './migration';

const STATEMENTS = [
  // A table that was brought in, and what of it there is: so that the whole can be taken back.
  `CREATE TABLE imports (
    id TEXT PRIMARY KEY,
    kind TEXT NOT NULL CHECK (kind IN ('batch', 'lot', 'mould', 'product')),
    name TEXT NOT NULL,
    at TEXT NOT NULL,
    by TEXT,
    count INTEGER NOT NULL CHECK (count >= 0),
    undone_at TEXT
  )`,
  'CREATE INDEX imports_by_time ON imports (at)',
  `CREATE TABLE import_items (
    import_id TEXT NOT NULL REFERENCES imports (id) ON DELETE CASCADE,
    code TEXT NOT NULL,
    version INTEGER NOT NULL CHECK (version >= 1),
    PRIMARY KEY (import_id, code)
  ) WITHOUT ROWID`,
  'CREATE INDEX import_items_by_code ON import_items (code, version)',
  // How the columns of a table are read, under their heads.
  `CREATE TABLE table_mappings (
    kind TEXT NOT NULL,
    heads TEXT NOT NULL,
    mapping TEXT NOT NULL CHECK (json_valid(mapping)),
    updated_at TEXT NOT NULL,
    PRIMARY KEY (kind, heads)
  )`,
  // A card's revision stays, but for one that came in with a table which is taken back, and that no batch was made with.
  'DROP TRIGGER product_revisions_kept',
  `CREATE TRIGGER product_revisions_kept BEFORE DELETE ON product_revisions
    WHEN NOT EXISTS (
      SELECT 1 FROM import_items i JOIN imports m ON m.id = i.import_id
      WHERE m.kind = 'product' AND m.undone_at IS NOT NULL AND i.code = OLD.slug AND i.version = OLD.revision)
    BEGIN SELECT RAISE(ABORT, 'a product revision cannot be removed'); END`,
];

export const imports: Migration = {
  name: '0009-imports',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
