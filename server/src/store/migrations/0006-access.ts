import type { Migration } from './migration';

const STATEMENTS = [
  // Who works here. Without a secret a person can be named, but not sign in.
  `CREATE TABLE people (
    code TEXT PRIMARY KEY,
    version INTEGER NOT NULL CHECK (version >= 1),
    name TEXT,
    role TEXT NOT NULL CHECK (role IN ('technician', 'lead', 'board')),
    secret TEXT,
    active INTEGER NOT NULL DEFAULT 1,
    created_at TEXT NOT NULL,
    updated_at TEXT NOT NULL
  )`,
  // Devices that are signed in, by the hash of what their cookie holds.
  `CREATE TABLE sessions (
    id TEXT PRIMARY KEY,
    person TEXT NOT NULL REFERENCES people (code) ON DELETE CASCADE,
    label TEXT NOT NULL,
    how TEXT NOT NULL CHECK (how IN ('secret', 'pairing')),
    address TEXT NOT NULL,
    created_at TEXT NOT NULL,
    seen_at TEXT NOT NULL,
    ended_at TEXT
  )`,
  'CREATE INDEX sessions_by_person ON sessions (person, ended_at)',
  // What a device on a wire speaks by, by its hash.
  `CREATE TABLE device_tokens (
    id TEXT PRIMARY KEY,
    device TEXT NOT NULL,
    label TEXT NOT NULL,
    created_at TEXT NOT NULL,
    created_by TEXT,
    used_at TEXT,
    ended_at TEXT
  )`,
  `CREATE TABLE device_readings (
    id INTEGER PRIMARY KEY,
    device TEXT NOT NULL,
    at TEXT NOT NULL,
    received_at TEXT NOT NULL,
    what TEXT NOT NULL,
    value REAL NOT NULL,
    unit TEXT NOT NULL
  )`,
  'CREATE INDEX device_readings_by_device ON device_readings (device, received_at)',
  // Who did what, beside the batches' own history.
  `CREATE TABLE deeds (
    id INTEGER PRIMARY KEY,
    at TEXT NOT NULL,
    by TEXT,
    verified INTEGER NOT NULL,
    what TEXT NOT NULL,
    place TEXT NOT NULL,
    address TEXT
  )`,
  'CREATE INDEX deeds_by_time ON deeds (at)',
  // Whether who is named had signed in, or was only chosen.
  'ALTER TABLE batch_history ADD COLUMN verified INTEGER NOT NULL DEFAULT 0',
];

export const access: Migration = {
  name: '0006-access',
  up: async (sequelize) => {
    await sequelize.transaction(async (transaction) => {
      for (const statement of STATEMENTS) await sequelize.query(statement, { transaction });
    });
  },
};
