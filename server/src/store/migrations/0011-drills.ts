import type { Migration } from './migration';

const STATEMENTS = [
  // Drills stand apart from the log: nothing there refers to them, and they refer to nothing there.
  `CREATE TABLE drill_runs (
    id TEXT PRIMARY KEY,
    kind TEXT NOT NULL CHECK (kind IN ('diagnosis', 'quick', 'bench')),
    person TEXT,
    begun_at TEXT NOT NULL,
    ended_at TEXT,
    doc TEXT NOT NULL CHECK (json_valid(doc))
  )`,
  'CREATE INDEX drill_runs_by_person ON drill_runs (person, kind, ended_at)',
  'CREATE INDEX drill_runs_unended ON drill_runs (begun_at) WHERE ended_at IS NULL',
  // Causes that somebody took for each other, and when they come back.
  `CREATE TABLE drill_confusions (
    person TEXT NOT NULL,
    cause TEXT NOT NULL,
    taken_for TEXT NOT NULL,
    due TEXT NOT NULL,
    card TEXT NOT NULL CHECK (json_valid(card)),
    PRIMARY KEY (person, cause, taken_for)
  ) WITHOUT ROWID`,
];

export const drills: Migration = {
  name: '0011-drills',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
