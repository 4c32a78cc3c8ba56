import { randomInt, randomUUID } from 'node:crypto';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { z } from 'zod';
import { actorNow } from '../access/actor';
import { Problem, notFound } from '../http/problem';
import type { Database } from './database';

export type DrillKind = 'diagnosis' | 'quick' | 'bench';

/** A drill as it is kept. */
export interface DrillRun<T> {
  readonly id: string;
  readonly person: string | null;
  readonly begunAt: string;
  readonly endedAt: string | null;
  readonly doc: T;
}

/** Drills of one kind, each with its document. */
export interface DrillStore<T> {
  readonly begin: (doc: T) => Promise<DrillRun<T>>;
  /** @throws Problem 404; 403 where it is another's */
  readonly get: (id: string) => Promise<DrillRun<T>>;
  /** Changes one that is not ended. @throws Problem 404; 403; 409 where it is ended */
  readonly change: (
    id: string,
    to: (
      run: DrillRun<T>,
      transaction: Transaction,
    ) => Promise<{ doc: T; ended?: boolean }> | { doc: T; ended?: boolean },
  ) => Promise<DrillRun<T>>;
  /**
   * What progress reads of those that somebody ended, the latest first: parts of their documents, picked in the store,
   * for a whole one is much to parse. What cannot be read is left out.
   * @param parts SQL of a JSON value for each, over `doc`
   */
  readonly ended: <P>(
    person: string | null,
    parts: Readonly<Record<string, string>>,
    as: z.ZodType<P>,
  ) => Promise<{ readonly at: string; readonly parts: P }[]>;
}

interface Row {
  readonly id: string;
  readonly person: string | null;
  readonly begun_at: string;
  readonly ended_at: string | null;
  readonly doc: string;
}

/** One that nobody answered is forgotten after so long, ms; and as many of somebody's are read for their progress. */
const [FORGOTTEN_MS, MOST_READ] = [7 * 86_400_000, 500];
const MAX_SEED = 2 ** 31 - 1;

/** A seed that nobody can guess. */
export const newSeed = (): number => randomInt(1, MAX_SEED);

function parsedDoc<T>(schema: z.ZodType<T>, text: string): T | null {
  try {
    const read = schema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

const SELECT = 'SELECT id, person, begun_at, ended_at, doc FROM drill_runs';

/** Whom a drill is of: who signed in, or was chosen. */
const personNow = () => actorNow()?.person ?? null;

/** A drill is answered by whom it was given to, where people sign in. */
function guarded<T>(run: DrillRun<T>): DrillRun<T> {
  const actor = actorNow();
  if (actor?.verified && run.person !== actor.person)
    throw new Problem(403, 'not-yours', 'That drill is somebody else’s. Begin one of your own.');
  return run;
}

/** Forgets drills that were begun before a moment and never answered. */
const forget = (sequelize: Sequelize, before: Date, transaction: Transaction) =>
  sequelize.query('DELETE FROM drill_runs WHERE ended_at IS NULL AND begun_at < ?', {
    replacements: [before.toISOString()],
    transaction,
  });

export function drillStore<T>(
  { sequelize, write }: Database,
  kind: DrillKind,
  schema: z.ZodType<T>,
  now: () => Date,
): DrillStore<T> {
  const runOf = (row: Row): DrillRun<T> | null => {
    const doc = parsedDoc(schema, row.doc);
    return doc && { id: row.id, person: row.person, begunAt: row.begun_at, endedAt: row.ended_at, doc };
  };
  async function read(id: string, transaction?: Transaction): Promise<DrillRun<T>> {
    const [row] = await sequelize.query<Row>(`${SELECT} WHERE id = ? AND kind = ?`, {
      replacements: [id, kind],
      type: QueryTypes.SELECT,
      ...(transaction ? { transaction } : {}),
    });
    const run = row && runOf(row);
    if (!run) throw notFound(`The drill ${id}`);
    return guarded(run);
  }
  return {
    get: (id) => read(id),
    begin: (doc) =>
      write(async (transaction) => {
        const begunAt = now().toISOString();
        await forget(sequelize, new Date(now().getTime() - FORGOTTEN_MS), transaction);
        const run = { id: randomUUID(), person: personNow(), begunAt, endedAt: null, doc };
        await sequelize.query('INSERT INTO drill_runs (id, kind, person, begun_at, doc) VALUES (?, ?, ?, ?, ?)', {
          replacements: [run.id, kind, run.person, begunAt, JSON.stringify(doc)],
          transaction,
        });
        return run;
      }),
    change: (id, to) =>
      write(async (transaction) => {
        const run = await read(id, transaction);
        if (run.endedAt !== null) throw new Problem(409, 'ended', 'This drill is answered. Begin another.');
        const { doc, ended } = await to(run, transaction);
        const endedAt = ended ? now().toISOString() : null;
        await sequelize.query('UPDATE drill_runs SET doc = ?, ended_at = ? WHERE id = ?', {
          replacements: [JSON.stringify(doc), endedAt, id],
          transaction,
        });
        return { ...run, doc, endedAt };
      }),
    ended: async (person, parts, as) => {
      const picked = Object.entries(parts).map(([name, sql]) => `'${name}', ${sql}`);
      const rows = await sequelize.query<{ at: string; parts: string }>(
        `SELECT ended_at AS at, json_object(${picked.join(', ')}) AS parts FROM drill_runs
         WHERE kind = ? AND person IS ? AND ended_at IS NOT NULL ORDER BY ended_at DESC LIMIT ?`,
        { replacements: [kind, person, MOST_READ], type: QueryTypes.SELECT },
      );
      return rows.flatMap((row) => {
        const read = parsedDoc(as, row.parts);
        return read === null ? [] : [{ at: row.at, parts: read }];
      });
    },
  };
}
