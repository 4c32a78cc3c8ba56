import { STAGES, type BatchListQuery } from '@warm-jar/core';
import { PATTERNS } from './batchQuery';
import type { BatchRows } from './batchRows';
import { markAsked, markWord } from './searchWords';

/** All that is not done; each is a mark of its own. */
const IN_WORK = STAGES.filter((stage) => stage !== 'done');

/** What several of a batch's rows say, each once. */
const each = <T>(rows: readonly T[], marks: (row: T) => readonly string[]) => new Set(rows.flatMap(marks));
const named = (key: string, value: string | null | undefined): string[] => (value == null ? [] : [`${key}:${value}`]);

/**
 * What the filters of the log ask of a batch and of its parts, each as a word: an index of words then tells at once
 * which batches have some of them together. `0016-marks` lays down the same.
 */
export function marksOf({ columns, castings, symptoms, outcomes, gear }: Omit<BatchRows, 'marks'>): string {
  const { productSlug, stage, by, outside, lotA, lotB } = columns;
  const causes = outcomes.filter((o) => o.refuted === 0).map((o) => o.cause);
  const marks = [
    `product:${productSlug}`,
    `stage:${stage}`,
    ...named('by', by),
    outside > 0 ? 'outside' : 'inside',
    ...new Set([...named('lot', lotA), ...named('lot', lotB)]),
    symptoms.length > 0 ? 'seen' : 'unseen',
    ...each(symptoms, ({ kind, pattern }) => [`seen:${kind}`, `seen:${kind}/${pattern}`]),
    ...each(castings, (k) => [
      `grade:${k.grade ?? 'none'}`,
      ...named('mould', k.mould),
      k.soldOn == null ? 'unsold' : 'sold',
    ]),
    causes.length > 0 ? 'outcome' : 'unknown',
    ...each(causes, (cause) => [`outcome:${cause}`]),
    ...each(gear, (used) => [`gear:${used.gear}`]),
  ];
  return marks.map(markWord).join(' ');
}

/** A filter as a question to the marks, and the keys that it answers for; null where it is not for them. */
type Asking = (
  query: BatchListQuery,
) => { readonly keys: readonly (keyof BatchListQuery)[]; readonly mark: string } | null;

const plainly =
  (key: 'product' | 'by' | 'lot' | 'gear'): Asking =>
  (query) =>
    query[key] ? { keys: [key], mark: markAsked(`${key}:${query[key]}`) } : null;

const stage: Asking = (query) => {
  if (!query.stage) return null;
  const stages = query.stage === 'in-work' ? IN_WORK : [query.stage];
  return { keys: ['stage'], mark: `(${stages.map((s) => markAsked(`stage:${s}`)).join(' OR ')})` };
};

const symptom: Asking = ({ symptom: kind, pattern }) => {
  if (kind === undefined) return null;
  const keys = ['symptom', 'pattern'] as const;
  if (kind === 'any' || kind === 'none') return { keys, mark: markAsked(kind === 'any' ? 'seen' : 'unseen') };
  return { keys, mark: markAsked(pattern && PATTERNS.has(pattern) ? `seen:${kind}/${pattern}` : `seen:${kind}`) };
};

/** What is asked of one casting; of several things at once no mark tells whether they are so of the same. */
const casting: Asking = ({ mould, cavity, grade, reason, sold }) => {
  const marks = [
    ...(mould ? [{ keys: ['mould'] as const, mark: markAsked(`mould:${mould}`) }] : []),
    ...(grade ? [{ keys: ['grade'] as const, mark: markAsked(`grade:${grade}`) }] : []),
    ...(sold ? [{ keys: ['sold'] as const, mark: markAsked(sold === 'yes' ? 'sold' : 'unsold') }] : []),
  ];
  return marks.length === 1 && cavity === undefined && !reason ? marks[0]! : null;
};

const limit: Asking = ({ limit: state }) =>
  state === 'outside' || state === 'inside' ? { keys: ['limit'], mark: markAsked(state) } : null;

const outcome: Asking = ({ outcome: cause }) => {
  if (cause === undefined) return null;
  const marks: Readonly<Record<string, string>> = { any: 'outcome', none: 'unknown' };
  return { keys: ['outcome'], mark: markAsked(marks[cause] ?? `outcome:${cause}`) };
};

const ASKINGS: readonly Asking[] = [
  plainly('product'),
  plainly('by'),
  plainly('lot'),
  plainly('gear'),
  stage,
  symptom,
  casting,
  limit,
  outcome,
];

/** A query, divided into what the marks answer and what is left of it. */
export interface AskedOfMarks {
  /** A question to the index of words; null where it asks nothing of them. */
  readonly marks: string | null;
  /** The same query without the filters that the marks answer. */
  readonly left: BatchListQuery;
}

/** A query without some of its filters. */
export const without = (query: BatchListQuery, keys: readonly string[]): BatchListQuery =>
  Object.fromEntries(Object.entries(query).filter(([key]) => !keys.includes(key))) as BatchListQuery;

export function askedOfMarks(query: BatchListQuery): AskedOfMarks {
  const asked = ASKINGS.flatMap((asking) => asking(query) ?? []);
  const left = without(
    query,
    asked.flatMap(({ keys }) => keys),
  );
  return { marks: asked.length === 0 ? null : asked.map(({ mark }) => mark).join(' AND '), left };
}
