import { QueryTypes, Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { migratorFor } from '../store/database';

/** A table, index, trigger or view, as SQLite keeps it. */
interface SchemaObject {
  readonly type: string;
  readonly name: string;
  readonly sql: string;
}
export interface FoundSchema {
  readonly objects: readonly SchemaObject[];
  /** Steps that were made, oldest first. */
  readonly steps: readonly string[];
}

// What SQLite makes by itself, for keys and statistics, has a name of its own that nobody else may use.
const OBJECTS = `SELECT type, name, sql FROM sqlite_master WHERE name NOT LIKE 'sqlite\\_%' ESCAPE '\\' ORDER BY type, name`;
const STEPS = 'SELECT name FROM migrations ORDER BY name';

/** The schema of a file that nobody vouches for: read only, and nothing in it is run. @throws the driver's error */
export async function schemaOf(file: string): Promise<FoundSchema> {
  const database = await new Promise<sqlite3.Database>((done, fail) => {
    const opened = new sqlite3.Database(file, sqlite3.OPEN_READONLY, (error) => {
      if (error) fail(error);
      else done(opened);
    });
  });
  const all = <T>(sql: string) =>
    new Promise<T[]>((done, fail) => {
      database.all(sql, (error, rows) => {
        if (error) fail(error);
        else done(rows as T[]);
      });
    });
  try {
    await all('PRAGMA trusted_schema = OFF');
    const objects = await all<SchemaObject>(OBJECTS);
    const steps = objects.some((o) => o.type === 'table' && o.name === 'migrations')
      ? (await all<{ name: string }>(STEPS)).map((r) => r.name)
      : [];
    return { objects, steps };
  } finally {
    await new Promise<void>((done) => {
      database.close(() => {
        done();
      });
    });
  }
}

/** What the first so many steps make of an empty database. */
async function ownSchema(steps: readonly string[]): Promise<readonly SchemaObject[]> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
  try {
    const migrator = migratorFor(sequelize);
    const last = steps.at(-1);
    if (last === undefined) await migrator.executed();
    else await migrator.up({ to: last });
    return await sequelize.query<SchemaObject>(OBJECTS, { type: QueryTypes.SELECT });
  } finally {
    await sequelize.close();
  }
}

const plain = (sql: string | null) => (sql ?? '').replaceAll(/\s+/g, ' ').trim();

/** In what a schema differs from what the steps it claims would make, object by object; none where it is ours. */
export async function differencesFromOwn(found: FoundSchema): Promise<string[]> {
  const own = new Map((await ownSchema(found.steps)).map((o) => [`${o.type} ${o.name}`, plain(o.sql)]));
  const theirs = new Map(found.objects.map((o) => [`${o.type} ${o.name}`, plain(o.sql)]));
  return [
    ...[...own.keys()].filter((key) => !theirs.has(key)).map((key) => `the ${key} is missing`),
    ...[...theirs].flatMap(([key, sql]) => {
      if (!own.has(key)) return [`the ${key} is not ours`];
      return own.get(key) === sql ? [] : [`the ${key} is another`];
    }),
  ];
}
