import { QueryTypes, type Transaction } from 'sequelize';
import type { Role } from '@warm-jar/core';
import { notFound } from '../http/problem';
import type { Database } from '../store/database';

/** Somebody as the table keeps them. */
export interface PersonRow {
  readonly code: string;
  readonly version: number;
  readonly name: string | null;
  readonly role: Role;
  readonly secret: string | null;
  readonly active: number;
}

/** What the parts of the access store share. */
export interface AccessContext extends Pick<Database, 'models' | 'write'> {
  readonly now: () => Date;
  readonly all: <T extends object>(sql: string, values?: unknown[], transaction?: Transaction) => Promise<T[]>;
  readonly run: (sql: string, values: unknown[], transaction?: Transaction) => Promise<unknown>;
  readonly rowOf: (code: string, transaction?: Transaction) => Promise<PersonRow | undefined>;
  /** Told when devices were signed out: which, each asks for itself. */
  readonly ended: Set<() => void>;
  readonly tellEnded: () => void;
}

export function accessContext({ sequelize, models, write }: Database, now: () => Date): AccessContext {
  const all = <T extends object>(sql: string, replacements: unknown[] = [], transaction?: Transaction) =>
    sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements, transaction });
  const ended = new Set<() => void>();
  return {
    models,
    write,
    now,
    all,
    run: (sql, replacements, transaction) => sequelize.query(sql, { replacements, transaction }),
    rowOf: async (code, transaction) =>
      (await all<PersonRow>('SELECT * FROM people WHERE code = ?', [code], transaction))[0],
    ended,
    tellEnded: () => {
      for (const listener of ended) listener();
    },
  };
}

/** @throws Problem 404 */
export async function requirePerson(
  { rowOf }: Pick<AccessContext, 'rowOf'>,
  code: string,
  transaction: Transaction,
): Promise<PersonRow> {
  const row = await rowOf(code, transaction);
  if (!row) throw notFound(`Person ${code}`);
  return row;
}
