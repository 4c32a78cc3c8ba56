import { PATTERNS_BY_SYMPTOM, endOfDayIn, startOfDayIn, type BatchListQuery } from '@warm-jar/core';
import { Op, Sequelize, type Order, type WhereOptions } from 'sequelize';
import { studioZone } from '../live/studioZone';
import type { BatchRow } from './models';

const PATTERNS: ReadonlySet<string> = new Set(Object.values(PATTERNS_BY_SYMPTOM).flat());
/** Written into the statement only where it is a word of the closed list. */
const patternOf = ({ pattern }: BatchListQuery) =>
  pattern && PATTERNS.has(pattern) ? ` AND pattern = '${pattern}'` : '';

/** A fact of the batch. The path is one of a closed list, checked at the border; the value is escaped by Sequelize. */
const factIs = (path: string, value: string | number) =>
  Sequelize.where(
    Sequelize.literal(`json_extract(facts, '${path}')`),
    value as string,
  ) as unknown as WhereOptions<BatchRow>;
const factsHold = (text: string) =>
  Sequelize.where(Sequelize.fn('instr', Sequelize.col('facts'), text), {
    [Op.gt]: 0,
  }) as unknown as WhereOptions<BatchRow>;

/** A text as SQLite writes it; a sign that would end the statement is no part of any code. */
const quoted = (text: string) => `'${text.replaceAll('\0', '').replaceAll("'", "''")}'`;

/** Batches by one of their castings, all of it said of the same one. */
function ofCastings({ mould, cavity, grade, reason, sold }: BatchListQuery): WhereOptions<BatchRow>[] {
  const where = [
    ...(mould ? [`mould = ${quoted(mould)}`] : []),
    ...(cavity === undefined ? [] : [`cavity = ${cavity}`]),
    ...(grade ? [grade === 'none' ? 'grade IS NULL' : `grade = '${grade}'`] : []),
    ...(reason ? [`instr(lower(reason), ${quoted(reason.toLowerCase())}) > 0`] : []),
    ...(sold ? [`sold_on IS ${sold === 'yes' ? 'NOT NULL' : 'NULL'}`] : []),
  ];
  return where.length === 0
    ? []
    : [{ code: { [Op.in]: Sequelize.literal(`(SELECT batch_code FROM castings WHERE ${where.join(' AND ')})`) } }];
}

/**
 * A fact of the batch, or of one of its castings; with a symptom that was asked for too, of the casting that shows it.
 * @param shows a kind, or a kind with its pattern, of the closed lists
 */
const levelIs = (factor: string, level: string, shows: string | null): WhereOptions<BatchRow> => {
  const at = `'$.levels."${factor}"'`;
  const seen = shows === null ? '' : ` AND instr(json_extract(k.value, '$.seen'), '"${shows}"') > 0`;
  const apart = `json_array_length(facts, '$.castings') > 0`;
  // Where castings are told apart each speaks for itself; what all of them share stands with each.
  return Sequelize.literal(
    `CASE WHEN ${apart} THEN EXISTS (SELECT 1 FROM json_each(facts, '$.castings') k WHERE json_extract(k.value, ${at}) = ${quoted(level)}${seen}) ELSE json_extract(facts, ${at}) = ${quoted(level)} END`,
  ) as unknown as WhereOptions<BatchRow>;
};

/** The symptom that a query asks for, as facts hold it; null where it asks for none, any, or the lack of one. */
function shownBy({ symptom, pattern }: BatchListQuery): string | null {
  if (symptom === undefined || symptom === 'any' || symptom === 'none') return null;
  return pattern && PATTERNS.has(pattern) ? `${symptom}/${pattern}` : symptom;
}

/** Batches by what their faults turned out to be, and by the gear they were made with. */
function ofOutcomes({ outcome, gear }: BatchListQuery): WhereOptions<BatchRow>[] {
  const codes = (from: string) => Sequelize.literal(`(SELECT batch_code FROM ${from})`);
  const known = 'outcomes WHERE refuted = 0';
  const all: WhereOptions<BatchRow>[] = [];
  if (outcome === 'none') all.push({ code: { [Op.notIn]: codes(known) } });
  else if (outcome === 'any') all.push({ code: { [Op.in]: codes(known) } });
  else if (outcome) all.push({ code: { [Op.in]: codes(`${known} AND cause = ${quoted(outcome)}`) } });
  if (gear) all.push({ code: { [Op.in]: codes(`batch_gear WHERE gear = ${quoted(gear)}`) } });
  return all;
}

function moreOf(query: BatchListQuery): WhereOptions<BatchRow>[] {
  const { lot, by, limit, fact, looked, codes } = query;
  const all: WhereOptions<BatchRow>[] = [...ofOutcomes(query)];
  if (lot) all.push({ [Op.or]: [{ lotA: lot }, { lotB: lot }] });
  if (by) all.push({ by });
  all.push(...ofCastings(query));
  if (limit === 'outside') all.push({ outside: { [Op.gt]: 0 } });
  else if (limit === 'inside') all.push({ outside: 0 });
  else if (limit === 'near') all.push(factsHold(':near"'));
  else if (limit) all.push(factsHold(`"${limit}"`));
  if (fact) {
    const at = fact.indexOf(':');
    all.push(levelIs(fact.slice(0, at), fact.slice(at + 1), shownBy(query)));
  }
  if (looked) all.push(factIs('$.looked', looked === 'yes' ? 1 : 0));
  if (codes && codes.length > 0) all.push({ code: { [Op.in]: codes } });
  return all;
}

/** What a query of the list asks of the rows. */
export function whereOf(query: BatchListQuery): WhereOptions<BatchRow> {
  const all: WhereOptions<BatchRow>[] = [];
  if (query.product) all.push({ productSlug: query.product });
  if (query.stage) all.push(query.stage === 'in-work' ? { stage: { [Op.ne]: 'done' } } : { stage: query.stage });
  if (query.from) all.push({ startedAt: { [Op.gte]: startOfDayIn(query.from, studioZone()) } });
  if (query.to) all.push({ startedAt: { [Op.lt]: endOfDayIn(query.to, studioZone()) } });
  const seen = 'SELECT batch_code FROM batch_symptoms';
  if (query.symptom === 'none') all.push({ code: { [Op.notIn]: Sequelize.literal(`(${seen})`) } });
  else if (query.symptom === 'any') all.push({ code: { [Op.in]: Sequelize.literal(`(${seen})`) } });
  // The kind is one of a closed list, checked at the border, so it is safe to write into the statement.
  else if (query.symptom)
    all.push({ code: { [Op.in]: Sequelize.literal(`(${seen} WHERE kind = '${query.symptom}'${patternOf(query)})`) } });
  all.push(...moreOf(query));
  for (const word of (query.search ?? '').split(/\s+/).filter(Boolean)) {
    all.push(
      Sequelize.where(Sequelize.fn('instr', Sequelize.col('search'), word.toLowerCase()), {
        [Op.gt]: 0,
      }) as unknown as WhereOptions<BatchRow>,
    );
  }
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
