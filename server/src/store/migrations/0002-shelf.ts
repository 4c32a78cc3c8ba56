import { batchSchema, mixMasses, storedProductSchema } from '@warm-jar/core';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Migration } from './migration';
import { readStored } from '../readStored';

/** The shelf's own things, each a document under its code. */
const SHELF_TABLES = ['lots', 'moulds', 'inclusions', 'additives', 'gear'];

const STATEMENTS = [
  ...SHELF_TABLES.map(
    (table) => `CREATE TABLE ${table} (
    code TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    ${table === 'lots' ? 'product_slug TEXT NOT NULL REFERENCES products (slug),' : ''}
    search TEXT NOT NULL,
    document TEXT NOT NULL CHECK (json_valid(document)),
    created_at TEXT NOT NULL,
    updated_at TEXT NOT NULL
  )`,
  ),
  'CREATE INDEX lots_by_product ON lots (product_slug)',
  'ALTER TABLE batches ADD COLUMN lot_a TEXT',
  'ALTER TABLE batches ADD COLUMN lot_b TEXT',
  'ALTER TABLE batches ADD COLUMN mass_a_g REAL',
  'ALTER TABLE batches ADD COLUMN mass_b_g REAL',
  'CREATE INDEX batches_by_lot_a ON batches (lot_a, product_slug)',
  'CREATE INDEX batches_by_lot_b ON batches (lot_b, product_slug)',
  'CREATE INDEX batches_by_mould ON batches (mould, started_at)',
];

interface Row {
  readonly code: string;
  readonly batch: string;
  readonly card: string;
}

/** Batches logged before this step get their new columns from their documents. */
async function fillColumns(sequelize: Sequelize, transaction: Transaction): Promise<void> {
  const rows = await sequelize.query<Row>(
    `SELECT b.code AS code, b.document AS batch, r.document AS card FROM batches b
     JOIN product_revisions r ON r.slug = b.product_slug AND r.revision = b.product_revision`,
    { type: QueryTypes.SELECT, transaction },
  );
  for (const row of rows) {
    const batch = readStored(batchSchema, row.batch);
    const { massAG, massBG } = mixMasses(readStored(storedProductSchema, row.card), batch);
    await sequelize.query('UPDATE batches SET lot_a = ?, lot_b = ?, mass_a_g = ?, mass_b_g = ? WHERE code = ?', {
      replacements: [batch.lotA?.code ?? null, batch.lotB?.code ?? null, massAG, massBG, row.code],
      transaction,
    });
  }
}

export const shelf: Migration = {
  name: '0002-shelf',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
      await fillColumns(sequelize, transaction);
    });
  },
};
