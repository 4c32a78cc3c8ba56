import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { Umzug } from 'umzug';
import { MIGRATIONS } from './migrations';
import { defineModels, type Models } from './models';
import { oneAtATime } from './queue';

/** How long a write waits for another process's before it gives up, ms. */
const BUSY_WAIT_MS = 4_000;

const PRAGMAS = `PRAGMA busy_timeout = ${BUSY_WAIT_MS}; PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON;`;

/** sqlite3 whose every connection, transactions' own included, is set up before it is handed out. */
class DurableDatabase extends sqlite3.Database {
  constructor(file: string, mode: number, opened: (error: Error | null) => void) {
    super(file, mode, (error) => {
      if (error) opened(error);
      else this.exec(PRAGMAS, opened);
    });
  }
}

export interface Database {
  readonly sequelize: Sequelize;
  readonly models: Models;
  /** Runs `work` in one write transaction, in turn with the others. */
  readonly write: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>;
  /** Brings the schema up to this version's. */
  readonly migrate: () => Promise<void>;
  readonly close: () => Promise<void>;
}

/** Migrator over a connection; names of applied migrations are kept in the table `migrations`. */
export function migratorFor(sequelize: Sequelize): Umzug<Sequelize> {
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up }) => ({ name, up: () => up(sequelize) })),
    context: sequelize,
    storage: {
      logMigration: async ({ name }) => {
        await sequelize.query('INSERT INTO migrations (name, applied_at) VALUES (?, ?)', {
          replacements: [name, new Date().toISOString()],
        });
      },
      unlogMigration: () => Promise.reject(new Error('Migrations go forward only.')),
      executed: async () => {
        await sequelize.query(
          'CREATE TABLE IF NOT EXISTS migrations (name TEXT PRIMARY KEY, applied_at TEXT NOT NULL)',
        );
        const [rows] = await sequelize.query('SELECT name FROM migrations ORDER BY name');
        return (rows as { name: string }[]).map((r) => r.name);
      },
    },
    logger: undefined,
  });
}

/**
 * Opens (and where it is new, makes) the studio's database file, brought to the newest schema.
 * @param file path of the SQLite file
 * @param options `migrate: false` opens it as it is, to be looked at first
 */
export async function openDatabase(file: string, { migrate = true }: { migrate?: boolean } = {}): Promise<Database> {
  mkdirSync(dirname(file), { recursive: true });
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: file,
    logging: false,
    dialectModule: { ...sqlite3, Database: DurableDatabase },
  });
  await sequelize.authenticate();
  const up = async () => {
    await migratorFor(sequelize).up();
  };
  if (migrate) await up();
  const models = defineModels(sequelize);
  // Writers that wait inside SQLite each hold a thread of Node's few; the one with the lock would find none left.
  const inTurn = oneAtATime();
  return {
    sequelize,
    models,
    migrate: up,
    write: (work) => inTurn(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work)),
    close: async () => {
      // Everything into the one file, so that a copy of it taken after closing is whole.
      await sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
      await sequelize.close();
    },
  };
}
