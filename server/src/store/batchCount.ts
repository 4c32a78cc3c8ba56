import type { BatchListQuery } from '@warm-jar/core';
import { askedOfMarks, without } from './batchMarks';
import { quoted, saidOfCasting, wordsAndFacts } from './batchQuery';

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

/**
 * How to count the batches that answer a query by one part of the log alone: the index of words, or the castings.
 * @returns null where it asks for more than that
 */
export function countByPart(query: BatchListQuery): string | null {
  const words = byWords(query);
  if (words !== null && asksAlone(words.left, []))
    return `(SELECT COUNT(*) FROM batch_words WHERE batch_words MATCH ${quoted(words.question)})`;
  const casting = saidOfCasting(query);
  return casting !== null && asksAlone(query, BY_CASTINGS)
    ? `(SELECT COUNT(*) FROM (SELECT DISTINCT batch_code FROM castings WHERE ${casting}))`
    : null;
}
