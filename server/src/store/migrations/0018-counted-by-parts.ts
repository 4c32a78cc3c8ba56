import { COUNTED_AT_ONCE } from '../searchWords';
import type { Migration } from './migration';

/** Indexes of orders that now tell what row it is too: what is asked for in that order is then found by them alone. */
const LONGER = [
  ['batches_by_lot_a', 'lot_a, product_slug'],
  ['batches_by_lot_b', 'lot_b, product_slug'],
  ['batches_by_product_code', 'product_slug'],
  ['batches_by_update', 'updated_at'],
] as const;

const told = (number: string) => `INSERT OR REPLACE INTO word_changes (part, at)
    VALUES (${number} / ${COUNTED_AT_ONCE}, (SELECT COALESCE(MAX(at), 0) + 1 FROM word_changes))`;

const STATEMENTS = [
  // Which parts of the index of words were written to, newest last: how many batches answer a question is counted anew
  // in these alone.
  'CREATE TABLE word_changes (part INTEGER PRIMARY KEY, at INTEGER NOT NULL)',
  `INSERT INTO word_changes (part, at) SELECT DISTINCT number / ${COUNTED_AT_ONCE}, 1 FROM batches WHERE number IS NOT NULL`,
  // A row is given its number when it has come.
  `CREATE TRIGGER word_changes_in AFTER UPDATE OF number, search, facts, marks ON batches
    WHEN NEW.number IS NOT OLD.number OR NEW.search IS NOT OLD.search OR NEW.facts IS NOT OLD.facts OR NEW.marks IS NOT OLD.marks BEGIN
    ${told('NEW.number')};
  END`,
  `CREATE TRIGGER word_changes_out BEFORE DELETE ON batches WHEN OLD.number IS NOT NULL BEGIN ${told('OLD.number')}; END`,
  ...LONGER.flatMap(([name, columns]) => [
    `DROP INDEX ${name}`,
    `CREATE INDEX ${name} ON batches (${columns}, code, number)`,
  ]),
];

export const countedByParts: Migration = {
  name: '0018-counted-by-parts',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
