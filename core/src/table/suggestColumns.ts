import { decimalSign, type DecimalSign } from '../datasheet/sheetNumber';
import { unitAlone } from '../datasheet/sheetUnits';
import { labelUnit } from '../datasheet/tableHead';
import { readCell, type CellContext } from './cellValue';
import { dateOrders, readTime } from './tableDate';
import { TABLE_KINDS, type TableKind } from '../formats/vocabulary';
import { UNITS_OF, dimensionsOf, type DateOrder, type TableField } from './tableField';
import { TABLE_FIELDS } from './tableFields';
import { readable, tableOf, type Table, type TableRows } from './tableRows';

/** What a column of a table seems to hold. */
export interface ColumnSuggestion {
  /** The head as it is written; `Column 3` where it has none. */
  readonly column: string;
  /** The field it fills; null for none. */
  readonly path: string | null;
  /** The unit of its numbers, or the order of its dates (`dmy`); null where nothing tells, and it has to be said. */
  readonly unit: string | null;
  /** Why, in words. */
  readonly why: string;
}

export interface SuggestOptions {
  /** What the rows are of; guessed by the columns where it is not given. */
  readonly kind?: TableKind | undefined;
  /** Products that are known, so that a column of their names is told by them. */
  readonly products?: readonly { readonly slug: string; readonly name: string }[] | undefined;
}

/** Rows that are looked at; a column is alike all the way down. */
const LOOKED_AT = 200;
/** So many of a column's cells have to fit a field that its head names, and one that only its values tell. */
const [ENOUGH, NEARLY_ALL] = [0.5, 0.9];

/** A head without its units, brackets and signs. */
const plainHead = (head: string): string =>
  head
    .toLowerCase()
    .replaceAll(/[[(][^\])]*[\])]/g, ' ')
    .replaceAll(/[°%#]/g, ' ')
    .replaceAll(/[^a-z0-9.[\]]+/g, ' ')
    .trim();

/** A head without the unit that stands behind it in no brackets: "room c", "a g". */
function withoutUnit(head: string): string[] {
  const plain = plainHead(head);
  const words = plain.split(' ');
  const last = words.at(-1) ?? '';
  const isUnit = words.length > 1 && unitAlone(last) !== null;
  const noUnitWord = ['f', 'c', 'psi', 'bar', 'kpa', 'mm', 'pct', 'percent', 'deg'].includes(last) && words.length > 1;
  return isUnit || noUnitWord ? [plain, words.slice(0, -1).join(' ')] : [plain];
}

interface Column {
  readonly head: string;
  readonly cells: readonly string[];
}

const share = (cells: readonly string[], fits: (cell: string) => boolean) =>
  cells.length === 0 ? 1 : cells.filter(fits).length / cells.length;

const contextOf = (decimal: DecimalSign, options: SuggestOptions, unit: string | null): CellContext => ({
  decimal,
  unit,
  products: options.products ?? [],
});

/** The share of a column's cells that a field can take. */
const fitOf = (field: TableField, column: Column, context: CellContext) =>
  share(column.cells, (cell) => {
    if (field.kind === 'date' || field.kind === 'moment') return dateOrders(cell).length > 0 || readTime(cell) !== null;
    // A choice that is written in other words is still that column: the row says so.
    if (field.kind === 'choice' || field.kind === 'product') return !/^[-+]?[\d.,]+$/.test(cell);
    return !('fault' in readCell(field, cell, { ...context, unit: null }));
  });

interface UnitFound {
  readonly unit: string | null;
  readonly why: string;
}

/** The order of a column's dates: what all its cells allow. */
function orderOf(cells: readonly string[]): UnitFound {
  const orders = cells.map(dateOrders).filter((list) => list.length > 0);
  if (orders.length === 0) return { unit: null, why: '' };
  const all = (['ymd', 'dmy', 'mdy'] as const).filter((order) => orders.every((list) => list.includes(order)));
  const [only] = all;
  if (all.length === 3 && only) return { unit: 'ymd', why: 'its dates say themselves which is the month' };
  if (all.length === 1 && only) return { unit: only, why: `its dates can only be ${ORDER_WORDS[only]}` };
  return { unit: null, why: 'its dates can be read two ways: say whether the day or the month comes first' };
}

export const ORDER_WORDS: Readonly<Record<DateOrder, string>> = {
  ymd: 'year, month, day',
  dmy: 'day, month, year',
  mdy: 'month, day, year',
};

/** The unit that a head names: between brackets, or as its last word. */
function unitInHead(head: string, field: TableField): string | null {
  const dimensions = dimensionsOf(field);
  const spelled = /[(\s]°?\s*([FC])\)?\s*$/.exec(head)?.[1];
  if (spelled && dimensions.includes('temperature')) return `°${spelled}`;
  const found = labelUnit(head) ?? (head.includes('%') ? unitAlone('%') : null) ?? unitAlone(head.trim());
  return found && dimensions.includes(found.dimension) ? found.id : null;
}

/** The one unit that cells write behind their numbers. */
function unitInCells(field: TableField, column: Column, context: CellContext): string | null {
  const units = new Set(
    column.cells.map((cell) => {
      const read = readCell(field, cell, { ...context, unit: null });
      return 'unit' in read ? (read.unit?.id ?? '') : '';
    }),
  );
  const [only] = units;
  return units.size === 1 && only ? only : null;
}

/** Whether numbers lie where a workshop's do, in this unit. */
function areUsual(field: TableField, column: Column, context: CellContext, unit: string): boolean {
  const [least, most] = field.usual ?? [0, 0];
  return (
    share(column.cells, (cell) => {
      const read = readCell(field, cell, { ...context, unit });
      return 'value' in read && typeof read.value === 'number' && read.value >= least && read.value <= most;
    }) >= NEARLY_ALL
  );
}

function unitOf(field: TableField, column: Column, context: CellContext): UnitFound {
  if (field.kind === 'date' || field.kind === 'moment') return orderOf(column.cells);
  const units = UNITS_OF[field.unit ?? ''];
  if (field.kind !== 'number' || !units) return { unit: null, why: '' };
  const [stored = ''] = units;
  const named = unitInHead(column.head, field);
  if (named) return { unit: named, why: `its head says ${named}` };
  const written = unitInCells(field, column, context);
  if (written) return { unit: written, why: `its cells say ${written}` };
  if (field.usual && !areUsual(field, column, context, stored)) {
    const other = units.slice(1).find((unit) => areUsual(field, column, context, unit));
    if (other) return { unit: other, why: `its numbers are usual in ${other}, not in ${stored}` };
  }
  return { unit: stored, why: units.length > 1 ? `no unit is written: taken as ${stored}` : '' };
}

/** A field that a column may be, and how surely. */
interface Candidate {
  readonly at: number;
  readonly field: TableField;
  readonly score: number;
  readonly why: string;
}

function byHead(field: TableField, column: Column, at: number, context: CellContext): Candidate | null {
  const heads = withoutUnit(column.head);
  const meant = field.heads !== undefined && heads.some((head) => field.heads!.test(head));
  const rank = [column.head.trim() === field.path, meant, heads.includes(plainHead(field.label))].indexOf(true);
  if (rank < 0) return null;
  const fit = fitOf(field, column, context);
  if (fit < ENOUGH) return null;
  const score = 4 - rank + fit;
  return { at, field, score, why: `its head is "${column.head}"` };
}

/** What values alone tell: products by name, days, grades and the like. */
function byValues(field: TableField, column: Column, at: number, context: CellContext): Candidate | null {
  if (column.cells.length === 0) return null;
  const told = (score: number, why: string): Candidate => ({ at, field, score, why });
  if (field.kind === 'product' && context.products.length > 0) {
    const fit = share(column.cells, (cell) => !('fault' in readCell(field, cell, context)));
    return fit >= ENOUGH ? told(1.5, 'its cells are names of products here') : null;
  }
  if (field.path === 'startedAt' || field.path === 'receivedOn') {
    const fit = share(column.cells, (cell) => dateOrders(cell).length > 0);
    return fit >= NEARLY_ALL ? told(1.2, 'its cells are dates') : null;
  }
  if (field.kind === 'choice' && field.heads) {
    const fit = share(column.cells, (cell) => !('fault' in readCell(field, cell, context)));
    return fit >= NEARLY_ALL && column.cells.length >= 2
      ? told(1, `its cells are ${(field.options ?? []).join(', ')}`)
      : null;
  }
  return null;
}

function candidatesOf(columns: readonly Column[], fields: readonly TableField[], context: CellContext): Candidate[] {
  return columns
    .flatMap((column, at) =>
      fields.flatMap((field) => byHead(field, column, at, context) ?? byValues(field, column, at, context) ?? []),
    )
    .sort((x, y) => y.score - x.score || x.at - y.at);
}

/** Two columns may make one moment: a day and its time. */
const mayShare = (field: TableField, column: Column, other: Column) =>
  field.kind === 'moment' &&
  share(column.cells, (c) => readTime(c) !== null && dateOrders(c).length === 0) >= NEARLY_ALL &&
  share(other.cells, (c) => dateOrders(c).length > 0) >= NEARLY_ALL;

/** Each field to the column that fits it best, each column once. */
function assigned(columns: readonly Column[], candidates: readonly Candidate[]): Map<number, Candidate> {
  const chosen = new Map<number, Candidate>();
  const owner = new Map<string, number>();
  for (const candidate of candidates) {
    if (chosen.has(candidate.at)) continue;
    const taken = owner.get(candidate.field.path);
    const shared = taken !== undefined && mayShare(candidate.field, columns[candidate.at]!, columns[taken]!);
    if (taken !== undefined && !shared) continue;
    chosen.set(candidate.at, candidate);
    if (taken === undefined) owner.set(candidate.field.path, candidate.at);
  }
  return chosen;
}

const columnsOf = (table: Table): Column[] =>
  table.heads.map((head, at) => ({
    head,
    cells: table.rows
      .slice(0, LOOKED_AT)
      .map((row) => readable(row[at] ?? ''))
      .filter((cell) => cell !== ''),
  }));

function suggestFor(kind: TableKind, columns: readonly Column[], context: CellContext): ColumnSuggestion[] {
  const chosen = assigned(columns, candidatesOf(columns, TABLE_FIELDS[kind], context));
  return columns.map((column, at): ColumnSuggestion => {
    const candidate = chosen.get(at);
    if (!candidate) return { column: column.head, path: null, unit: null, why: 'nothing here is called so' };
    const { unit, why } = unitOf(candidate.field, column, context);
    return {
      column: column.head,
      path: candidate.field.path,
      unit,
      why: [candidate.why, why].filter(Boolean).join('; '),
    };
  });
}

/** Fields by which a kind is known from the others. */
const TELLING: Readonly<Record<TableKind, readonly string[]>> = {
  batch: ['product.slug', 'startedAt', 'mix.amountA', 'room.temperatureC', 'by'],
  lot: ['openedOn', 'useBy', 'part', 'quantityG', 'receivedOn'],
  mould: ['rubber', 'makes', 'pullsBefore', 'cavities[0].volumeML', 'degassed'],
  product: ['family', 'ratio.byWeight', 'ratio.byVolume', 'potLife.minutes', 'viscosity.mixedMPaS'],
};

/** What the rows of a table seem to be of. */
export function kindOfTable(rows: TableRows, options: SuggestOptions = {}): TableKind {
  const table = tableOf(rows);
  const columns = columnsOf(table);
  const context = contextOf(decimalOf(table), options, null);
  const scores = TABLE_KINDS.map((kind) => {
    const found = suggestFor(kind, columns, context).filter((c) => c.path !== null);
    const telling = found.filter((c) => TELLING[kind].includes(c.path!)).length;
    return { kind, score: telling * 2 + found.length };
  });
  return scores.reduce((best, next) => (next.score > best.score ? next : best)).kind;
}

/** The sign of tenths in a table's cells. */
export const decimalOf = (table: Table): DecimalSign =>
  decimalSign(
    table.rows
      .slice(0, LOOKED_AT)
      .map((row) => row.join('\n'))
      .join('\n'),
  );

/**
 * What the columns of a studio's own table seem to hold, by the words of their heads and by their values. Nothing is
 * settled by it: a person looks it over.
 * @param rows lines of cells, the heads among them, or objects whose keys are the heads
 * @returns one for each column, in order; `path` null where nothing fits, `unit` null where nobody can tell
 */
export function suggestColumns(rows: TableRows, options: SuggestOptions = {}): ColumnSuggestion[] {
  const table = tableOf(rows);
  const kind = options.kind ?? kindOfTable(rows, options);
  return suggestFor(kind, columnsOf(table), contextOf(decimalOf(table), options, null));
}
