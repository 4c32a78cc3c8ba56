import type { BatchListQuery } from '@warm-jar/core';
import { QueryTypes, type Sequelize } from 'sequelize';
import { studioZone } from '../live/studioZone';
import type { BatchContext } from './batchContext';
import { askedOfMarks, without } from './batchMarks';
import { quoted, saidOfCasting, whereOf, wordsAndFacts } from './batchQuery';
import { COUNTED_AT_ONCE } from './searchWords';

/** What a query may ask for that does not narrow it down. */
const NOT_ASKED: ReadonlySet<string> = new Set(['page', 'pageSize', 'sort']);
/** Filters that ask for words or for facts. */
const WORDS: readonly string[] = ['search', 'limit', 'fact', 'looked'];
/** Filters that a row of the table of castings answers. */
const BY_CASTINGS: readonly string[] = ['mould', 'cavity', 'grade', 'reason', 'sold'];

const askedOf = (query: BatchListQuery): string[] =>
  Object.entries(query).flatMap(([key, value]) => (value == null || NOT_ASKED.has(key) ? [] : [key]));

const asksAlone = (query: BatchListQuery, keys: readonly string[]) => askedOf(query).every((key) => keys.includes(key));

/** As much of a query as the index of words answers: its words, facts and marks, as one question. */
export interface ByWords {
  readonly question: string;
  /** What of the query that index does not answer. */
  readonly left: BatchListQuery;
}

/** @returns null where a query asks nothing of the index of words */
export function byWords(query: BatchListQuery): ByWords | null {
  const { marks, left } = askedOfMarks(query);
  const question = [wordsAndFacts(query), marks].filter((part) => part !== null).join(' AND ');
  return question === '' ? null : { question, left: without(left, WORDS) };
}

/** A statement that counts the batches that answer a query by their castings alone; null where it asks for more. */
function countByCastings(query: BatchListQuery): string | null {
  const casting = saidOfCasting(query);
  return casting !== null && asksAlone(query, BY_CASTINGS)
    ? `SELECT COUNT(*) AS n FROM (SELECT DISTINCT batch_code FROM castings WHERE ${casting})`
    : null;
}

/** How many rows of each part of the index of words answer a question, as of some change to it. */
interface ByParts {
  readonly at: number;
  readonly parts: ReadonlyMap<number, number>;
}

const ask = <T extends object>(searching: Sequelize, statement: string) =>
  searching.query<T>(statement, { type: QueryTypes.SELECT });

const inPart = (question: string, part: number): string =>
  `SELECT ${part} AS part, COUNT(*) AS n FROM batch_words WHERE batch_words MATCH ${quoted(question)}
   AND rowid BETWEEN ${part * COUNTED_AT_ONCE} AND ${(part + 1) * COUNTED_AT_ONCE - 1}`;

/** @param known what was counted before: only parts that were written to since are counted anew */
async function countByParts(searching: Sequelize, question: string, known?: ByParts): Promise<ByParts> {
  // Read before it is counted: what is written meanwhile is counted again the next time.
  const changes = await ask<{ part: number; at: number }>(searching, 'SELECT part, at FROM word_changes');
  const changed = changes.filter(({ at }) => known === undefined || at > known.at);
  const anew =
    changed.length === 0
      ? []
      : await ask<{ part: number; n: number }>(
          searching,
          changed.map(({ part }) => inPart(question, part)).join(' UNION ALL '),
        );
  return {
    at: Math.max(0, ...changes.map(({ at }) => at)),
    parts: new Map([...(known?.parts ?? []), ...anew.map(({ part, n }) => [part, n] as const)]),
  };
}

/** A count as it is remembered: how much was written when it was taken, and where it can be, by its parts. */
interface KeptCount {
  readonly at: number;
  readonly total: number;
  readonly byParts?: ByParts;
}

async function countAnew(
  { searched, sequelize }: BatchContext,
  query: BatchListQuery,
  before?: KeptCount,
): Promise<Omit<KeptCount, 'at'>> {
  const searching = searched.batches.sequelize ?? sequelize;
  const words = byWords(query);
  if (words !== null && asksAlone(words.left, [])) {
    const byParts = await countByParts(searching, words.question, before?.byParts);
    return { byParts, total: [...byParts.parts.values()].reduce((sum, n) => sum + n, 0) };
  }
  const statement = countByCastings(query);
  if (statement === null) return { total: await searched.batches.count({ where: whereOf(query) }) };
  const [row] = await ask<{ n: number }>(searching, statement);
  return { total: row!.n };
}

/** Counts that are kept. */
const MOST_COUNTS = 200;

/** How many batches answer a question, remembered until something is written: the pages of one list ask it each. */
export function countsOf(context: BatchContext): (query: BatchListQuery) => Promise<number> {
  const known = new Map<string, KeptCount>();
  return async (query) => {
    const key = JSON.stringify([studioZone(), { ...query, page: 1, pageSize: 1, sort: '' }]);
    // Taken before it is counted: what is written meanwhile is not held to be counted in.
    const at = context.writes();
    const before = known.get(key);
    if (before?.at === at) return before.total;
    const counted = await countAnew(context, query, before);
    if (known.size >= MOST_COUNTS) known.clear();
    known.set(key, { at, ...counted });
    return counted.total;
  };
}
