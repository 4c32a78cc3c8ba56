import { randomUUID } from 'node:crypto';
import { nameOfRange, type PartRange } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { LogChange, LogFeed, LogState } from '../work/logFeed';
import type { Database } from './database';
import type { KeptPart, PartStore } from './partStore';

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

/** From one end of the log's order to another; open where an end is null. */
interface Gap {
  readonly after: Key | null;
  readonly before: Key | null;
}

const firstOf = ([at, code]: PartRange): Key => ({ at, code });
const lastOf = ([, , at, code]: PartRange): Key => ({ at, code });

/** What lies between some parts, before them and after them. @param parts in order */
const gapsBetween = (parts: readonly PartRange[]): Gap[] =>
  [...parts, null].map((part, i) => ({
    after: i === 0 ? null : lastOf(parts[i - 1]!),
    before: part === null ? null : firstOf(part),
  }));

type Ask = <T extends object>(sql: string, replacements?: unknown[]) => Promise<T[]>;

/** Pages of batches, from an index that holds all that is told. */
function pagesOf(ask: Ask) {
  const page = async (where: string, values: readonly unknown[]): Promise<string | null> => {
    const [found] = await ask<{ rows: string | null }>(
      `SELECT ${pageOf('b.code', 'b')} AS rows FROM batches b INDEXED BY batches_by_facts WHERE ${where}`,
      [...values],
    );
    return found?.rows ?? null;
  };
  async function* between({ after, before }: Gap): AsyncGenerator<string> {
    const [start, until] = [after ?? { at: '', code: '' }, before === null ? '' : ' AND (started_at, code) < (?, ?)'];
    const ending = before === null ? [] : [before.at, before.code];
    const ends = await ask<Key>(
      `SELECT at, code FROM (SELECT started_at AS at, code, ROW_NUMBER() OVER (ORDER BY started_at, code) AS n
        FROM batches WHERE (started_at, code) > (?, ?)${until}) WHERE n % ${AT_ONCE} = 0`,
      [start.at, start.code, ...ending],
    );
    let from = start;
    for (const end of [...ends, null]) {
      const [to, values] = end === null ? [until, ending] : [' AND (started_at, code) <= (?, ?)', [end.at, end.code]];
      const rows = await page(`(started_at, code) > (?, ?)${to}`, [from.at, from.code, ...values]);
      if (rows !== null) yield rows;
      if (end !== null) from = end;
    }
  }
  return {
    undated: () => page('started_at IS NULL', []),
    within: (range: PartRange) => page('(started_at, code) BETWEEN (?, ?) AND (?, ?)', range),
    between,
  };
}

/** The last change, and the parts that are kept, in order: both at one moment. */
async function stateNow(ask: Ask): Promise<{ at: number; kept: KeptPart[] }> {
  const [found] = await ask<{ at: number; kept: string }>(
    `SELECT (SELECT COALESCE(MAX(at), 0) FROM fact_changes) AS at,
      (SELECT json_group_array(json_array(id, form, checksum, first_at, first_code, last_at, last_code))
        FROM (SELECT * FROM kept_parts ORDER BY first_at, first_code)) AS kept`,
  );
  const rows = JSON.parse(found!.kept) as [string, string, number, ...PartRange][];
  return { at: found!.at, kept: rows.map(([id, form, checksum, ...range]) => ({ id, form, checksum, range })) };
}

/** What changed in a log, by the triggers that keep `fact_changes` and `kept_parts`. */
export function factFeed({ sequelize, searched }: Database, fill: () => Promise<unknown>, parts: PartStore): LogFeed {
  const reading = searched.batches.sequelize ?? sequelize;
  const ask: Ask = (sql, replacements = []) => reading.query(sql, { type: QueryTypes.SELECT, replacements });
  const pages = pagesOf(ask);
  const now = () => stateNow(ask);

  async function* whole(asksFacts: boolean): AsyncGenerator<LogChange> {
    // What changes while it is read is told the next time.
    const { at, kept } = await now();
    yield { rows: '', upTo: null, anew: true };
    const held: PartRange[] = [];
    for (const part of asksFacts ? [] : kept) {
      const bytes = await parts.read(part);
      if (bytes === null) continue;
      held.push(part.range);
      yield { rows: '', upTo: null, held: { range: part.range, bytes } };
    }
    const undated = await pages.undated();
    if (undated !== null) yield { rows: undated, upTo: null };
    for (const gap of gapsBetween(held)) {
      let isApart = held.length > 0;
      for await (const rows of pages.between(gap)) {
        yield { rows, upTo: null, isApart };
        isApart = false;
      }
    }
    yield { rows: '', upTo: { at, held } };
  }

  async function* changes(since: LogState, asksFacts: boolean): AsyncGenerator<LogChange> {
    const { at, kept } = await now();
    const names = new Set(asksFacts ? [] : kept.map(({ range }) => nameOfRange(range)));
    const held = since.held.filter((range) => names.has(nameOfRange(range)));
    for (const range of since.held)
      if (!names.has(nameOfRange(range))) yield { rows: (await pages.within(range)) ?? '', upTo: null, instead: range };
    for (let from = since.at; from < at;) {
      const [found] = await ask<{ rows: string | null; upTo: number | null }>(
        `SELECT ${pageOf('c.code', 'b')} AS rows, MAX(c.at) AS upTo
          FROM (SELECT code, at FROM fact_changes WHERE at > ? AND at <= ? ORDER BY at LIMIT ${AT_ONCE}) c
          LEFT JOIN batches b ON b.code = c.code`,
        [from, at],
      );
      if (!found?.rows || found.upTo === null) break;
      yield { rows: found.rows, upTo: null };
      from = found.upTo;
    }
    yield { rows: '', upTo: { at, held } };
  }

  return {
    id: randomUUID(),
    async *since(since, asksFacts) {
      await fill();
      yield* since === null ? whole(asksFacts) : changes(since, asksFacts);
    },
    kept: async () => (await now()).kept.map(({ range }) => range),
    keep: parts.keep,
  };
}
