import {
  byText,
  CAUSE_IDS,
  FACTORS,
  GRADES,
  SYMPTOM_KINDS,
  causeTitle,
  fieldLabel,
  levelWords,
  type Factor,
  type BatchSummary,
  type SavedFilter,
} from '@warm-jar/core';
import { inWords, midSentence } from '../../components/words';

/** What the log can be filtered by; each stands in the address under its own name. */
export const FILTERS = [
  'search',
  'product',
  'symptom',
  'pattern',
  'stage',
  'grade',
  'mould',
  'lot',
  'by',
  'from',
  'to',
  'limit',
  'fact',
  'looked',
  'codes',
  'cavity',
  'reason',
  'sold',
  'outcome',
  'gear',
] as const;
export type Filter = (typeof FILTERS)[number];
export type LogFilters = Record<Filter, string>;

/** Columns there are, in their order; those shown where nobody chose. */
export const COLUMNS = [
  { id: 'startedAt', words: 'Began' },
  { id: 'productSlug', words: 'Product' },
  { id: 'mould', words: 'Mould' },
  { id: 'lotA', words: 'Lot A' },
  { id: 'lotB', words: 'Lot B' },
  { id: 'massG', words: 'Mixed' },
  { id: 'by', words: 'By' },
  { id: 'stage', words: 'Stage' },
  { id: 'outside', words: 'Outside' },
  { id: 'seen', words: 'Seen' },
  { id: 'grade', words: 'Grade' },
  { id: 'note', words: 'Note' },
] as const;
export type ColumnId = (typeof COLUMNS)[number]['id'];
export const USUAL_COLUMNS: readonly ColumnId[] = [
  'startedAt',
  'productSlug',
  'mould',
  'by',
  'stage',
  'outside',
  'seen',
  'grade',
];
export const SORTED_BY_SERVER: ReadonlySet<string> = new Set([
  'startedAt',
  'productSlug',
  'mould',
  'lotA',
  'lotB',
  'massG',
  'by',
  'stage',
  'outside',
  'grade',
]);

/** What the log is sorted by where nobody chose: the last batch first. */
export const USUAL_SORT = '-startedAt';
/**
 * How the log is sorted after a heading was chosen: first up, then down, then as it was before anybody chose.
 * @returns the column, with - before it for last first; undefined for the usual order
 */
export function nextSort(now: string, column: string): string | undefined {
  if (now === column) return `-${column}` === USUAL_SORT ? undefined : `-${column}`;
  return now === `-${column}` && now !== USUAL_SORT ? undefined : column;
}

const isColumn = (id: string): id is ColumnId => COLUMNS.some((c) => c.id === id);
/** The columns that a text names, in its order; the usual ones where it names none. */
export const columnsFrom = (text: string): ColumnId[] => {
  const chosen = [...new Set(text.split(',').filter(isColumn))];
  return chosen.length > 0 ? chosen : [...USUAL_COLUMNS];
};
/** The columns shown with one moved to another place; a place beyond the last or the first changes nothing. */
export function movedTo(columns: readonly ColumnId[], from: number, to: number): ColumnId[] {
  const moved = columns[from];
  if (moved === undefined || to < 0 || to >= columns.length) return [...columns];
  return columns.filter((_, i) => i !== from).toSpliced(to, 0, moved);
}
/**
 * What is shown after columns were ticked or let go: those that stay keep their order, a new one comes where the
 * list of columns has it among them.
 */
export function chosenColumns(before: readonly ColumnId[], chosen: readonly ColumnId[]): ColumnId[] {
  const rank = (id: ColumnId) => COLUMNS.findIndex((c) => c.id === id);
  const kept = before.filter((id) => chosen.includes(id));
  return chosen
    .filter((id) => !before.includes(id))
    .reduce<ColumnId[]>((all, id) => {
      const next = all.findIndex((other) => rank(other) > rank(id));
      return all.toSpliced(next === -1 ? all.length : next, 0, id);
    }, kept);
}

export const noFilters = (): LogFilters => Object.fromEntries(FILTERS.map((f) => [f, ''])) as LogFilters;
type Query = Readonly<Record<string, unknown>>;
export const filtersFrom = (query: Query): LogFilters =>
  Object.fromEntries(FILTERS.map((f) => [f, typeof query[f] === 'string' ? query[f] : ''])) as LogFilters;
/** What the server is asked, and what an address or a saved filter keeps: only what was chosen. */
export const chosenOf = (filters: LogFilters): Record<string, string> =>
  Object.fromEntries(FILTERS.flatMap((f) => (filters[f] ? [[f, filters[f]]] : [])));

export const SYMPTOMS = [
  { value: 'any', words: 'any symptom' },
  { value: 'none', words: 'no symptom' },
  ...SYMPTOM_KINDS.map((value) => ({ value: value as string, words: inWords(value) })),
];
export const GRADE_CHOICES = [
  ...GRADES.map((value) => ({ value: value as string, words: value as string })),
  { value: 'none', words: 'not graded' },
];
/** What a fault turned out to be. */
export const OUTCOME_CHOICES = [
  { value: 'any', words: 'any that is known' },
  { value: 'none', words: 'nothing known' },
  ...CAUSE_IDS.map((id) => ({ value: id as string, words: causeTitle(id) })).sort((a, b) => byText(a.words, b.words)),
];
export const SOLD_CHOICES = [
  { value: 'yes', words: 'with one sold' },
  { value: 'no', words: 'with one not sold' },
];
/** How the castings of a batch ended, in words: `3 pass, 1 second`; empty where it tells none apart. */
export function castingEnds({ castings }: Pick<BatchSummary, 'castings'>): string {
  const count = (grade: string | null) => castings.filter((k) => k.grade === grade).length;
  return [...GRADES, null]
    .flatMap((grade) => (count(grade) === 0 ? [] : [`${count(grade)} ${grade ?? 'open'}`]))
    .join(', ');
}
/** The mould of a batch, or those of its castings. */
export const mouldsOf = ({ mould, castings }: Pick<BatchSummary, 'mould' | 'castings'>): string =>
  mould ?? [...new Set(castings.flatMap((k) => k.mould ?? []))].join(', ');
export const LIMIT_CHOICES = [
  { value: 'outside', words: 'any limit outside' },
  { value: 'inside', words: 'nothing outside' },
  { value: 'near', words: 'something near its edge' },
  ...[
    'room.temperatureC:below',
    'room.humidityPct:above',
    'resin.atPourC:below',
    'mix.ratioErrorPct:above',
    'mix.ratioErrorPct:below',
    'mix.stirMin:below',
    'additives.totalPct:above',
    'pour.depthMm:above',
    'pressure.reachedMin:above',
    'pressure.releasedMin:below',
    'lotB.openedOn:above',
    'cure.demouldedMin:below',
  ].map((value) => {
    const [field, state] = value.split(':') as [string, string];
    return { value, words: `${midSentence(fieldLabel(field))} ${state}` };
  }),
];

/** A filter that has no control of its own, in words: what Patterns or a link brought along. */
export function broughtAlong(
  filters: LogFilters,
  names: Readonly<Record<string, string>>,
): { filter: Filter; words: string }[] {
  const told: { filter: Filter; words: string }[] = [];
  const at = filters.fact.indexOf(':');
  const factor = filters.fact.slice(0, at);
  if (at > 0 && (FACTORS as readonly string[]).includes(factor))
    told.push({ filter: 'fact', words: levelWords(factor as Factor, filters.fact.slice(at + 1), names) });
  if (filters.pattern) told.push({ filter: 'pattern', words: inWords(filters.pattern) });
  if (filters.looked) told.push({ filter: 'looked', words: filters.looked === 'yes' ? 'looked at' : 'not looked at' });
  if (filters.cavity) told.push({ filter: 'cavity', words: `cavity ${filters.cavity}` });
  if (filters.gear) told.push({ filter: 'gear', words: `made with ${filters.gear}` });
  if (filters.codes) told.push({ filter: 'codes', words: `${filters.codes.split(',').length} chosen batches` });
  return told;
}

/** Whether a saved filter is the one in use. */
export const sameFilter = (saved: SavedFilter, filters: LogFilters): boolean => {
  const now = chosenOf(filters);
  return (
    Object.keys(now).length === Object.keys(saved.query).length &&
    Object.entries(now).every(([k, v]) => saved.query[k] === v)
  );
};
