import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { LogChange, LogFeed } from '../work/logFeed';
import type { Database } from './database';

/** Batches told at once. */
const AT_ONCE = 2_000;

/** Batches with their moments and facts, made into one text by SQLite: a page crosses as a whole. */
const pageOf = (code: string, row: string) =>
  `group_concat('[' || json_quote(${code}) || ',' || json_quote(${row}.started_at) || ',' || COALESCE(${row}.facts, 'null') || ']')`;

/** The last batch of a page, by the log's own order. */
interface Key {
  readonly at: string;
  readonly code: string;
}

/** What changed in a log, by the triggers that keep `fact_changes`; all of it from an index that holds all that is told. */
export function factFeed({ sequelize, searched }: Database, fill: () => Promise<unknown>): LogFeed {
  const reading = searched.batches.sequelize ?? sequelize;
  const ask = <T extends object>(sql: string, replacements: unknown[] = []) =>
    reading.query<T>(sql, { type: QueryTypes.SELECT, replacements });

  async function* whole(): AsyncGenerator<LogChange> {
    // What changes while it is read is told the next time.
    const [last] = await ask<{ at: number | null }>('SELECT MAX(at) AS at FROM fact_changes');
    yield { rows: '', upTo: null, anew: true };
    const page = async (where: string, values: unknown[]) => {
      const [found] = await ask<{ rows: string | null }>(
        `SELECT ${pageOf('b.code', 'b')} AS rows FROM batches b INDEXED BY batches_by_facts WHERE ${where}`,
        values,
      );
      return found?.rows ?? null;
    };
    const ends: (Key | null)[] = await ask<Key>(
      `SELECT at, code FROM (SELECT started_at AS at, code, ROW_NUMBER() OVER (ORDER BY started_at, code) AS n
        FROM batches WHERE started_at IS NOT NULL) WHERE n % ${AT_ONCE} = 0`,
    );
    const undated = await page('b.started_at IS NULL', []);
    if (undated !== null) yield { rows: undated, upTo: null };
    let after: Key = { at: '', code: '' };
    for (const end of [...ends, null]) {
      const rows = await page(
        `(b.started_at, b.code) > (?, ?)${end === null ? '' : ' AND (b.started_at, b.code) <= (?, ?)'}`,
        [after.at, after.code, ...(end === null ? [] : [end.at, end.code])],
      );
      if (rows !== null) yield { rows, upTo: null };
      if (end !== null) after = end;
    }
    yield { rows: '', upTo: last?.at ?? 0 };
  }

  async function* changes(since: number): AsyncGenerator<LogChange> {
    for (let from = since; ;) {
      const [found] = await ask<{ rows: string | null; upTo: number | null }>(
        `SELECT ${pageOf('c.code', 'b')} AS rows, MAX(c.at) AS upTo
          FROM (SELECT code, at FROM fact_changes WHERE at > ? ORDER BY at LIMIT ${AT_ONCE}) c
          LEFT JOIN batches b ON b.code = c.code`,
        [from],
      );
      if (!found?.rows || found.upTo === null) return;
      yield { rows: found.rows, upTo: found.upTo };
      from = found.upTo;
    }
  }

  return {
    id: randomUUID(),
    async *since(since) {
      await fill();
      yield* since === null ? whole() : changes(since);
    },
  };
}
