import { PATTERNS_BY_SYMPTOM, STAGES, endOfDayIn, startOfDayIn, type BatchListQuery } from '@warm-jar/core';
import { Op, Sequelize, type Order, type WhereOptions } from 'sequelize';
import { studioZone } from '../live/studioZone';
import type { BatchRow } from './models';
import { NEAR, WHOLE, factToken, limitToken, lookedToken, wordsQuestion } from './searchWords';

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
 * asked for, each held against the answer of an index of words, or asked of that index by itself.
 */
export type Finding = 'all' | 'rows' | 'each';

/** A condition as it is written in the statement. */
const one = (condition: string): WhereOptions<BatchRow> =>
  Sequelize.literal(condition) as unknown as WhereOptions<BatchRow>;

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
  return [one(`EXISTS (SELECT 1 FROM castings k${index} WHERE k.batch_code = batch.code AND ${said})`)];
}

/** Batches whose words, or whose facts as words, answer a question to their index. */
export function answering(
  index: 'batch_words' | 'batch_levels',
  question: string,
  finding: Finding,
): WhereOptions<BatchRow> {
  const matching = `${index} MATCH ${quoted(question)}`;
  if (finding === 'each') return one(`EXISTS (SELECT 1 FROM ${index} WHERE rowid = batch.number AND ${matching})`);
  return one(`${finding === 'rows' ? '+' : ''}number IN (SELECT rowid FROM ${index} WHERE ${matching})`);
}

/**
 * A fact of the batch, or of one of its castings; with a symptom that was asked for too, of the casting that shows it.
 * Where castings are told apart each speaks for itself; what all of them share stands with each.
 * @param shows a kind, or a kind with its pattern, of the closed lists
 */
const levelQuestion = (fact: string, shows: string | null): string =>
  shows === null ? factToken(fact) : `(${WHOLE} AND ${factToken(fact)}) OR ${factToken(`${fact}|${shows}`)}`;

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

/** What is asked of the facts, as one question to their index; null where nothing is. */
export function factsQuestion(query: BatchListQuery): string | null {
  const { limit, fact, looked } = query;
  const all = [
    ...(limit && limit !== 'outside' && limit !== 'inside' ? [limit === 'near' ? NEAR : limitToken(limit)] : []),
    ...(fact ? [`(${levelQuestion(fact, shownBy(query))})`] : []),
    ...(looked ? [lookedToken(looked === 'yes')] : []),
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
  const seen = 'EXISTS (SELECT 1 FROM batch_symptoms s WHERE s.batch_code = batch.code';
  if (query.symptom === 'none') all.push(one(`NOT ${seen})`));
  else if (query.symptom === 'any') all.push(one(`${seen})`));
  // The kind is one of a closed list, checked at the border, so it is safe to write into the statement.
  else if (query.symptom) all.push(one(`${seen} AND s.kind = '${query.symptom}'${patternOf(query)})`));
  all.push(...moreOf(query, finding));
  const [words, facts] = [wordsQuestion(query.search ?? ''), factsQuestion(query)];
  if (words !== null) all.push(answering('batch_words', words, finding));
  if (facts !== null) all.push(answering('batch_levels', facts, finding));
  return { [Op.and]: all };
}

/** The order a query asks for, codes last so that it is one order. */
export function orderOf(sort: BatchListQuery['sort']): Order {
  const descending = sort.startsWith('-');
  const column = descending ? sort.slice(1) : sort;
  const direction = descending ? 'DESC' : 'ASC';
  return column === 'code'
    ? [['code', direction]]
    : [
        [column, direction],
        ['code', direction],
      ];
}
