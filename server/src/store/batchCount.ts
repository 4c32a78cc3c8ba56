import type { BatchListQuery } from '@warm-jar/core';
import { askedOfMarks, without } from './batchMarks';
import { factsQuestion, quoted, saidOfCasting } from './batchQuery';
import { wordsQuestion } from './searchWords';

/** What a query may ask for that does not narrow it down. */
const NOT_ASKED: ReadonlySet<string> = new Set(['page', 'pageSize', 'sort']);
/** Filters that ask for words or for facts. */
const WORDS: readonly string[] = ['search', 'limit', 'fact', 'looked'];
/** Filters that a row of the table of castings answers. */
const BY_CASTINGS: readonly string[] = ['mould', 'cavity', 'grade', 'reason', 'sold'];

const askedOf = (query: BatchListQuery): string[] =>
  Object.entries(query).flatMap(([key, value]) => (value == null || NOT_ASKED.has(key) ? [] : [key]));

const asksAlone = (query: BatchListQuery, keys: readonly string[]) => askedOf(query).every((key) => keys.includes(key));

const matching = (index: 'batch_words' | 'batch_levels', question: string) =>
  `${index} WHERE ${index} MATCH ${quoted(question)}`;

/** The numbers of the batches that answer a query's words, facts and marks, as a part of a statement from its table on. */
export interface ByWords {
  readonly from: string;
  /** What of the query the indexes of words do not answer. */
  readonly left: BatchListQuery;
}

/**
 * As much of a query as the indexes of words answer, in one question where it asks for words or for facts alone.
 * @returns null where it asks nothing of them
 */
export function byWords(query: BatchListQuery): ByWords | null {
  const { marks, left } = askedOfMarks(query);
  const [words, facts] = [wordsQuestion(query.search ?? ''), factsQuestion(query)];
  const rest = without(left, WORDS);
  const both = (parts: readonly (string | null)[]) => parts.filter((part) => part !== null).join(' AND ');
  if (words === null && facts === null && marks === null) return null;
  if (words === null) return { from: matching('batch_levels', both([facts, marks])), left: rest };
  const said = matching('batch_words', both([words, marks === null ? null : `{marks} : (${marks})`]));
  if (facts === null) return { from: said, left: rest };
  return { from: `${said} AND +rowid IN (SELECT rowid FROM ${matching('batch_levels', facts)})`, left: rest };
}

/** Whether a query asks the indexes of words something that marks are not enough for. */
export const asksWords = (query: BatchListQuery): boolean =>
  wordsQuestion(query.search ?? '') !== null || factsQuestion(query) !== null;

/**
 * How to count the batches that answer a query by one part of the log alone: an index of words, or the castings.
 * @returns null where it asks for more than that
 */
export function countByPart(query: BatchListQuery): string | null {
  const words = byWords(query);
  if (words !== null && asksAlone(words.left, [])) return `(SELECT COUNT(*) FROM ${words.from})`;
  const casting = saidOfCasting(query);
  return casting !== null && asksAlone(query, BY_CASTINGS)
    ? `(SELECT COUNT(*) FROM (SELECT DISTINCT batch_code FROM castings WHERE ${casting}))`
    : null;
}
