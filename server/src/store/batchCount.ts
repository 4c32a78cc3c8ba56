import type { BatchListQuery } from '@warm-jar/core';
import { KNOWN_OUTCOMES, factsQuestion, patternOf, quoted, saidOfCasting } from './batchQuery';
import { wordsQuestion } from './searchWords';

/** What a query may ask for that does not narrow it down. */
const NOT_ASKED: ReadonlySet<string> = new Set(['page', 'pageSize', 'sort']);

/** Batches that a part of the log names, each once: to go through that part is far less than to hold every batch against it. */
const named = (from: string): string => `(SELECT COUNT(*) FROM (SELECT DISTINCT batch_code FROM ${from}))`;
const unnamed = (from: string): string => `(SELECT COUNT(*) FROM batches) - ${named(from)}`;
/** Each batch has one row in the index of its words, and one in that of its facts. */
const answering = (index: 'batch_words' | 'batch_levels', question: string | null): string | null =>
  question === null ? null : `(SELECT COUNT(*) FROM ${index} WHERE ${index} MATCH ${quoted(question)})`;

function ofSymptom(query: BatchListQuery): string | null {
  const { symptom } = query;
  if (symptom === undefined) return null;
  // In the order of its batches, so that each is counted as it comes.
  const all = 'batch_symptoms INDEXED BY batch_symptoms_of_batch';
  if (symptom === 'none') return unnamed(all);
  return named(symptom === 'any' ? all : `batch_symptoms WHERE kind = '${symptom}'${patternOf(query)}`);
}

function ofCastings(query: BatchListQuery): string | null {
  const said = saidOfCasting(query);
  return said === null ? null : named(`castings WHERE ${said}`);
}

function ofOutcome({ outcome }: BatchListQuery): string | null {
  if (outcome === undefined) return null;
  if (outcome === 'none') return unnamed(KNOWN_OUTCOMES);
  return named(outcome === 'any' ? KNOWN_OUTCOMES : `${KNOWN_OUTCOMES} AND cause = ${quoted(outcome)}`);
}

/** Parts of the log that can be counted by themselves, and the filters that ask each of them. */
const PARTS: readonly { readonly asks: readonly string[]; readonly count: (query: BatchListQuery) => string | null }[] =
  [
    { asks: ['symptom', 'pattern'], count: ofSymptom },
    { asks: ['mould', 'cavity', 'grade', 'reason', 'sold'], count: ofCastings },
    { asks: ['outcome'], count: ofOutcome },
    { asks: ['gear'], count: ({ gear }) => (gear ? named(`batch_gear WHERE gear = ${quoted(gear)}`) : null) },
    { asks: ['search'], count: ({ search }) => answering('batch_words', wordsQuestion(search ?? '')) },
    { asks: ['limit', 'fact', 'looked'], count: (query) => answering('batch_levels', ofFactsAlone(query)) },
  ];

/** Whether something is outside its limits stands with the batch itself. */
const asksOutside = ({ limit }: BatchListQuery): boolean => limit === 'outside' || limit === 'inside';
const ofFactsAlone = (query: BatchListQuery): string | null => (asksOutside(query) ? null : factsQuestion(query));

const askedOf = (query: BatchListQuery): string[] =>
  Object.entries(query).flatMap(([key, value]) => (value == null || NOT_ASKED.has(key) ? [] : [key]));

/** Filters that an index of words answers. */
const BY_WORDS = ['search', 'limit', 'fact', 'looked'];
/** Whether a query asks something, and nothing that stands with the batch itself or with its castings. */
export function asksWordsAlone(query: BatchListQuery): boolean {
  const asked = askedOf(query);
  return asked.length > 0 && asked.every((key) => BY_WORDS.includes(key)) && !asksOutside(query);
}

/**
 * How to count the batches that answer a query by one part of the log alone.
 * @returns null where it asks for more than one part, or for what stands with the batch itself
 */
export function countByPart(query: BatchListQuery): string | null {
  const asked = askedOf(query);
  const part = PARTS.find(({ asks }) => asked.length > 0 && asked.every((key) => asks.includes(key)));
  return part?.count(query) ?? null;
}
