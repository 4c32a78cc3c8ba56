import { PATTERNS_BY_SYMPTOM, STAGES, endOfDayIn, startOfDayIn, type BatchListQuery } from '@warm-jar/core';
import { Op, Sequelize, type Order, type WhereOptions } from 'sequelize';
import { studioZone } from '../live/studioZone';
import type { BatchRow } from './models';
import { NEAR, WHOLE, factAsked, limitAsked, lookedAsked, wordsQuestion } from './searchWords';

/** All that is not done; named one by one, an index answers. */
const IN_WORK = STAGES.filter((stage) => stage !== 'done');
export const PATTERNS: ReadonlySet<string> = new Set(Object.values(PATTERNS_BY_SYMPTOM).flat());
/** Written into the statement only where it is a word of the closed list. */
export const patternOf = ({ pattern }: BatchListQuery) =>
  pattern && PATTERNS.has(pattern) ? ` AND pattern = '${pattern}'` : '';

/** A text as SQLite writes it; a sign that would end the statement is no part of any code. */
export const quoted = (text: string): string => `'${text.replaceAll('\0', '').replaceAll("'", "''")}'`;

/**
 * How the rows of a query are found: all that answer, which are then put in order; or row by row in the order that is
 * asked for, each held against the answer of the index of words, or asked of that index by itself.
 */
export type Finding = 'all' | 'rows' | 'each';

/** A condition as it is written in the statement. */
const one = (condition: string): WhereOptions<BatchRow> =>
  Sequelize.literal(condition) as unknown as WhereOptions<BatchRow>;

/**
 * Whether there is any row of its own. With a limit of its own, for SQLite 3.52 makes a join of one without, and then
 * skips such rows more than once where a page does not begin with the first.
 */
const any = (from: string): string => `EXISTS (SELECT 1 FROM ${from} LIMIT 1)`;

/** What is said of one casting; null where nothing is. */
export function saidOfCasting({ mould, cavity, grade, reason, sold }: BatchListQuery): string | null {
  const where = [
    ...(mould ? [`mould = ${quoted(mould)}`] : []),
    ...(cavity === undefined ? [] : [`cavity = ${cavity}`]),
    ...(grade ? [grade === 'none' ? 'grade IS NULL' : `grade = '${grade}'`] : []),
    ...(reason ? [`reason IS NOT NULL AND instr(lower(reason), ${quoted(reason.toLowerCase())}) > 0`] : []),
    ...(sold ? [`sold_on IS ${sold === 'yes' ? 'NOT NULL' : 'NULL'}`] : []),
  ];
  return where.length === 0 ? null : where.join(' AND ');
}

/** Batches by one of their castings, all of it said of the same one. */
function ofCastings(query: BatchListQuery, finding: Finding): WhereOptions<BatchRow>[] {
  const { mould, reason, sold } = query;
  const said = saidOfCasting(query);
  if (said === null) return [];
  // Few castings are out of one mould or have a reason: those are asked for. Most have a grade: each is held against
  // it. So it is with a mould of many, where a page is soon full; by the index that says so, for any other is slower.
  const isFew = [mould, reason, sold === 'yes'].some(Boolean);
  if (isFew && finding === 'all') return [one(`batch.code IN (SELECT batch_code FROM castings WHERE ${said})`)];
  const index = isFew ? ' INDEXED BY castings_of_batch' : '';
  return [one(any(`castings k${index} WHERE k.batch_code = batch.code AND ${said}`))];
}

/** Rows of the index of words, from one number to another. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** Batches that answer a question to the index of words; with a span, of those alone that have their numbers in it. */
export function answering(question: string, finding: Finding, span?: Span): WhereOptions<BatchRow> {
  const matching = `batch_words MATCH ${quoted(question)}${span ? ` AND rowid BETWEEN ${span.from} AND ${span.to}` : ''}`;
  if (finding === 'each') return one(any(`batch_words WHERE rowid = batch.number AND ${matching}`));
  // With a sign before it, the answer is held against each row as they come in their order.
  return one(`${finding === 'rows' ? '+' : ''}number IN (SELECT rowid FROM batch_words WHERE ${matching})`);
}

/**
 * A fact of the batch, or of one of its castings; with a symptom that was asked for too, of the casting that shows it.
 * Where castings are told apart each speaks for itself; what all of them share stands with each.
 * @param shows a kind, or a kind with its pattern, of the closed lists
 */
const levelQuestion = (fact: string, shows: string | null): string =>
  shows === null ? factAsked(fact) : `((${WHOLE} AND ${factAsked(fact)}) OR ${factAsked(`${fact}|${shows}`)})`;

/** The symptom that a query asks for, as facts hold it; null where it asks for none, any, or the lack of one. */
function shownBy({ symptom, pattern }: BatchListQuery): string | null {
  if (symptom === undefined || symptom === 'any' || symptom === 'none') return null;
  return pattern && PATTERNS.has(pattern) ? `${symptom}/${pattern}` : symptom;
}

/** What turned out to be so, and was not refuted. */
export const KNOWN_OUTCOMES = 'outcomes WHERE refuted = 0';

/** Batches by what their faults turned out to be, and by the gear they were made with. */
function ofOutcomes({ outcome, gear }: BatchListQuery): WhereOptions<BatchRow>[] {
  const codes = (from: string) => Sequelize.literal(`(SELECT batch_code FROM ${from})`);
  const known = KNOWN_OUTCOMES;
  const all: WhereOptions<BatchRow>[] = [];
  if (outcome === 'none') all.push({ code: { [Op.notIn]: codes(known) } });
  else if (outcome === 'any') all.push({ code: { [Op.in]: codes(known) } });
  else if (outcome) all.push({ code: { [Op.in]: codes(`${known} AND cause = ${quoted(outcome)}`) } });
  if (gear) all.push({ code: { [Op.in]: codes(`batch_gear WHERE gear = ${quoted(gear)}`) } });
  return all;
}

/** What is asked of the words and of the facts, as one question to their index; null where nothing is. */
export function wordsAndFacts(query: BatchListQuery): string | null {
  const { search = '', limit, fact, looked } = query;
  const words = wordsQuestion(search);
  const all = [
    ...(words === null ? [] : [words]),
    ...(limit && limit !== 'outside' && limit !== 'inside' ? [limit === 'near' ? NEAR : limitAsked(limit)] : []),
    ...(fact ? [levelQuestion(fact, shownBy(query))] : []),
    ...(looked ? [lookedAsked(looked === 'yes')] : []),
  ];
  return all.length === 0 ? null : all.join(' AND ');
}

function moreOf(query: BatchListQuery, finding: Finding): WhereOptions<BatchRow>[] {
  const { lot, by, limit, codes } = query;
  const all: WhereOptions<BatchRow>[] = [...ofOutcomes(query)];
  if (lot) all.push({ [Op.or]: [{ lotA: lot }, { lotB: lot }] });
  if (by) all.push({ by });
  all.push(...ofCastings(query, finding));
  if (limit === 'outside') all.push({ outside: { [Op.gt]: 0 } });
  else if (limit === 'inside') all.push({ outside: 0 });
  if (codes && codes.length > 0) all.push({ code: { [Op.in]: codes } });
  return all;
}

/**
 * What a query of the list asks of the rows.
 * @param finding row by row is best where many answer and few of them are wanted
 */
export function whereOf(query: BatchListQuery, finding: Finding = 'all'): WhereOptions<BatchRow> {
  const all: WhereOptions<BatchRow>[] = [];
  if (query.product) all.push({ productSlug: query.product });
  if (query.stage) all.push(query.stage === 'in-work' ? { stage: { [Op.in]: IN_WORK } } : { stage: query.stage });
  if (query.from) all.push({ startedAt: { [Op.gte]: startOfDayIn(query.from, studioZone()) } });
  if (query.to) all.push({ startedAt: { [Op.lt]: endOfDayIn(query.to, studioZone()) } });
  const seen = 'batch_symptoms s WHERE s.batch_code = batch.code';
  if (query.symptom === 'none') all.push(one(`NOT ${any(seen)}`));
  else if (query.symptom === 'any') all.push(one(any(seen)));
  // The kind is one of a closed list, checked at the border, so it is safe to write into the statement.
  else if (query.symptom) all.push(one(any(`${seen} AND s.kind = '${query.symptom}'${patternOf(query)}`)));
  all.push(...moreOf(query, finding));
  const words = wordsAndFacts(query);
  if (words !== null) all.push(answering(words, finding));
  return { [Op.and]: all };
}

/**
 * The order a query asks for, codes last so that it is one order.
 * @param fromBehind the same the other way round
 */
export function orderOf(sort: BatchListQuery['sort'], fromBehind = false): Order {
  const descending = sort.startsWith('-');
  const column = descending ? sort.slice(1) : sort;
  const direction = descending === fromBehind ? 'ASC' : 'DESC';
  return column === 'code'
    ? [['code', direction]]
    : [
        [column, direction],
        ['code', direction],
      ];
}
