import type { Migration } from './migration';

/** Which part of the log a batch lies in, by its moment and code; none where nobody wrote a moment down. */
const goneOf = (row: 'OLD' | 'NEW') =>
  `DELETE FROM kept_parts WHERE (first_at, first_code) <= (${row}.started_at, ${row}.code) AND (last_at, last_code) >= (${row}.started_at, ${row}.code)`;

const STATEMENTS = [
  // Parts of the log whose columns lie in a file each; a part goes as soon as one of its batches is another.
  `CREATE TABLE kept_parts (id TEXT PRIMARY KEY, form TEXT NOT NULL, checksum INTEGER NOT NULL, first_at TEXT NOT NULL, first_code TEXT NOT NULL,
    last_at TEXT NOT NULL, last_code TEXT NOT NULL)`,
  'CREATE UNIQUE INDEX kept_parts_in_order ON kept_parts (first_at, first_code)',
  `CREATE TRIGGER kept_parts_come AFTER INSERT ON batches BEGIN ${goneOf('NEW')}; END`,
  `CREATE TRIGGER kept_parts_change AFTER UPDATE OF facts, started_at ON batches
    WHEN NEW.facts IS NOT OLD.facts OR NEW.started_at IS NOT OLD.started_at BEGIN ${goneOf('OLD')}; ${goneOf('NEW')}; END`,
  `CREATE TRIGGER kept_parts_go AFTER DELETE ON batches BEGIN ${goneOf('OLD')}; END`,
];

export const keptParts: Migration = {
  name: '0014-kept-parts',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
