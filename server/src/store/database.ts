import { mkdirSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { Umzug } from 'umzug';
import { copyBeforeMigrating } from './beforeMigrating';
import { DatabaseDamaged, NewerDatabase } from './databaseProblem';
import { MIGRATIONS } from './migrations';
import { defineModels, type Models } from './models';
import { oneAtATime } from './queue';

/** How long a write waits for another process's before it gives up, ms. */
const BUSY_WAIT_MS = 4_000;

const pragmas = (synchronous: 'FULL' | 'OFF') =>
  `PRAGMA busy_timeout = ${BUSY_WAIT_MS}; PRAGMA journal_mode = WAL; PRAGMA synchronous = ${synchronous}; PRAGMA foreign_keys = ON;`;

type Opened = (error: Error | null) => void;

/** The work, in whose own turn errors are made without a trace of where. */
const untraced = (work: () => void) => () => {
  const { stackTraceLimit } = Error;
  Error.stackTraceLimit = 0;
  try {
    work();
  } finally {
    Error.stackTraceLimit = stackTraceLimit;
  }
};

/**
 * sqlite3 whose every connection, transactions' own included, is set up before it is handed out. The connection of a
 * transaction that has ended is kept for the next: to open the file anew and read its schema took longer than to write.
 */
function connections(synchronous: 'FULL' | 'OFF'): { readonly Database: unknown; readonly end: () => Promise<void> } {
  /** One at the most, for writes take turns. */
  const spare: KeptDatabase[] = [];
  /** From then on none is kept: what a write that was still under way leaves would never be closed. */
  let isEnded = false;

  class KeptDatabase extends sqlite3.Database {
    /** Named by whoever opens a transaction on it. */
    declare readonly uuid: string | undefined;

    constructor(file: string, mode: number, opened: Opened) {
      super(file, mode, (error) => {
        if (error) opened(error);
        else this.exec(pragmas(synchronous), opened);
      });
    }

    override close(closed?: Opened): void {
      if (this.uuid === undefined || isEnded || spare.length > 0) super.close(closed);
      else {
        spare.push(this);
        closed?.(null);
      }
    }

    end(closed: Opened): void {
      super.close(closed);
    }

    /** Sequelize takes a trace of itself for every statement, whether it fails or not: a sixth of what a list takes. */
    override serialize(work?: () => void): void {
      super.serialize(work && untraced(work));
    }
  }

  const taken = (file: string, mode: number, opened: Opened): KeptDatabase => {
    const kept = spare.pop();
    if (!kept) return new KeptDatabase(file, mode, opened);
    setImmediate(opened, null);
    return kept;
  };
  return {
    // Asked for with `new`, which gives what the function gives.
    Database: function (file: string, mode: number, opened: Opened) {
      return taken(file, mode, opened);
    },
    end: () =>
      new Promise((done) => {
        isEnded = true;
        const kept = spare.pop();
        if (!kept) done();
        else
          kept.end(() => {
            done();
          });
      }),
  };
}

export interface Database {
  readonly sequelize: Sequelize;
  readonly models: Models;
  /** The same over a connection of its own, for questions that take long: what is asked meanwhile does not wait. */
  readonly searched: Models;
  /** Runs `work` in one write transaction, in turn with the others. */
  readonly write: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>;
  /**
   * A write that is under way goes first, for somebody at the bench waits for it: what is read bit by bit asks before
   * each. One that takes long is not waited for.
   */
  readonly letWriteGo: () => Promise<void>;
  /** How often something was written: what was worked out of the data holds while this stays. */
  readonly writes: () => number;
  /** Brings the schema up to this version's. */
  readonly migrate: () => Promise<void>;
  /** The studio's moment, which everything written is dated by. */
  readonly now: () => Date;
  readonly close: () => Promise<void>;
}

interface OpenOptions {
  /** Whether the schema is brought up to this version's; a file that is only looked at first is left as it is. */
  readonly migrate?: boolean;
  /**
   * Whether the data are thrown away before they are opened again, as those of a demo are: then no write waits for the
   * disk, and a power cut may leave nothing of them.
   */
  readonly disposable?: boolean | undefined;
  /** The machine's own clock where it is not given. */
  readonly now?: (() => Date) | undefined;
}

const machineNow = () => new Date();

/** As long as what is read waits for a write, ms; most take a third of it. */
const WRITE_FIRST_MS = 30;

/** @returns once the work has ended, well or not, and no later than after `ms` */
const endedWithin = (work: Promise<unknown>, ms: number): Promise<void> =>
  new Promise((done) => {
    const timer = setTimeout(done, ms);
    const ended = () => {
      clearTimeout(timer);
      done();
    };
    work.then(ended, ended);
  });

/** Files up to this size are looked through when they are opened, bytes: larger ones would keep the studio waiting. */
const MAX_LOOKED_THROUGH = 64_000_000;

/** @throws DatabaseDamaged where the file does not hold together */
async function requireSound(sequelize: Sequelize, file: string): Promise<void> {
  if ((statSync(file, { throwIfNoEntry: false })?.size ?? 0) > MAX_LOOKED_THROUGH) return;
  const [rows] = await sequelize.query('PRAGMA quick_check(1)');
  const [first] = rows as { quick_check: string }[];
  if (first?.quick_check !== 'ok') throw new DatabaseDamaged(first?.quick_check ?? 'It cannot be read.');
}

/**
 * The steps that the file has, oldest first; none for a new file.
 * @throws DatabaseDamaged where it is somebody else's database
 */
async function stepsOf(sequelize: Sequelize): Promise<string[]> {
  const [tables] = await sequelize.query("SELECT name FROM sqlite_master WHERE type = 'table'");
  const names = (tables as { name: string }[]).map((t) => t.name).filter((name) => !name.startsWith('sqlite_'));
  if (names.length === 0) return [];
  if (!names.includes('migrations')) throw new DatabaseDamaged('It holds tables, but not those of a studio.');
  const [rows] = await sequelize.query('SELECT name FROM migrations ORDER BY name');
  return (rows as { name: string }[]).map((r) => r.name);
}

/**
 * Brings the schema up to this version's; a copy is made first where there is something to lose.
 * @throws NewerDatabase where the file knows steps that this version does not
 */
async function bringUp(sequelize: Sequelize, file: string): Promise<void> {
  const steps = await stepsOf(sequelize);
  const known = new Set(MIGRATIONS.map((m) => m.name));
  const foreign = steps.find((step) => !known.has(step));
  if (foreign !== undefined) throw new NewerDatabase(foreign);
  const last = steps.at(-1);
  if (last !== undefined && steps.length < MIGRATIONS.length)
    await copyBeforeMigrating(sequelize, file, last, new Date());
  await migratorFor(sequelize).up();
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
 * @throws NewerDatabase, DatabaseDamaged, or the driver's error
 */
export async function openDatabase(
  file: string,
  { migrate = true, disposable = false, now = machineNow }: OpenOptions = {},
): Promise<Database> {
  mkdirSync(dirname(file), { recursive: true });
  const { Database, end } = connections(disposable ? 'OFF' : 'FULL');
  const connect = () =>
    new Sequelize({ dialect: 'sqlite', storage: file, logging: false, dialectModule: { ...sqlite3, Database } });
  const [sequelize, searching] = [connect(), connect()];
  const up = () => bringUp(sequelize, file);
  try {
    await sequelize.authenticate();
    if (migrate) {
      await requireSound(sequelize, file);
      await up();
    }
  } catch (error) {
    await end();
    await Promise.all([sequelize, searching].map((c) => c.close().catch(() => undefined)));
    throw error;
  }
  const models = defineModels(sequelize);
  // Writers that wait inside SQLite each hold a thread of Node's few; the one with the lock would find none left.
  const inTurn = oneAtATime();
  let writes = 0;
  let underWay: Promise<unknown> | null = null;
  const begin = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
    const mine = sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work);
    underWay = mine;
    return mine;
  };
  return {
    writes: () => writes,
    letWriteGo: async () => {
      if (underWay !== null) await endedWithin(underWay, WRITE_FIRST_MS);
    },
    sequelize,
    models,
    searched: defineModels(searching),
    now,
    migrate: up,
    write: async (work) => {
      try {
        return await inTurn(() => begin(work).finally(() => (underWay = null)));
      } finally {
        writes += 1;
      }
    },
    close: async () => {
      await end();
      await searching.close();
      // Everything into the one file, so that a copy of it taken after closing is whole.
      await sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
      await sequelize.close();
    },
  };
}
