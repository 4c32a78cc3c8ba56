import { batchSchema, type Batch } from '../formats/batch';
import { parsePath, putValue, type Tree } from '../formats/documentPath';
import { issuesFromZod } from '../formats/problem';
import { slugOf } from '../formats/slugOf';
import { lotSchema, type LotCard } from '../formats/lot';
import { mouldSchema, type Mould } from '../formats/mould';
import { productSchema, type Product } from '../formats/product';
import type { DecimalSign } from '../datasheet/sheetNumber';
import { readCell, type CellContext } from './cellValue';
import { decimalOf } from './suggestColumns';
import { momentIn, type CellDate } from './tableDate';
import { TABLE_KINDS, type TableKind } from '../formats/vocabulary';
import { type TableField } from './tableField';
import { TABLE_FIELDS, tableField } from './tableFields';
import { readable, tableOf, type Table, type TableRows } from './tableRows';

/** A column and what it fills, as `suggestColumns` hands it out and a person corrects it. */
export interface ColumnMapping {
  readonly column: string;
  readonly path: string | null;
  readonly unit?: string | null;
}

/** How a table is read: its columns, and what is the same for all of its rows. */
export interface TableMapping {
  readonly kind?: TableKind | undefined;
  readonly columns: readonly ColumnMapping[];
  /** The sign of tenths; told by the table where it is not given. */
  readonly decimal?: DecimalSign | undefined;
  /** What somebody says of every row, by path: of those rows that do not say it themselves. */
  readonly forAll?: Readonly<Record<string, string>> | undefined;
}

export interface ReadTableOptions {
  /** Products that are known here, by slug and name. */
  readonly products?: readonly { readonly slug: string; readonly name: string }[] | undefined;
  /** The studio's time zone, an IANA name: a time without an offset is of its clock. */
  readonly zone?: string | undefined;
}

/** Why a row does not fit, at the column that it is about where it is about one. */
export interface RowFault {
  readonly column: string | null;
  readonly path: string;
  readonly message: string;
}

export interface RefusedRow {
  /** Counted from 1 among the rows of values. */
  readonly row: number;
  readonly cells: readonly string[];
  readonly why: readonly RowFault[];
}

export interface TableRead {
  readonly kind: TableKind;
  readonly documents: readonly (Batch | LotCard | Mould | Product)[];
  /** The row that each document comes from. */
  readonly rowOf: readonly number[];
  readonly refused: readonly RefusedRow[];
}

const SCHEMAS = { batch: batchSchema, lot: lotSchema, mould: mouldSchema, product: productSchema } as const;
const BLANK: Readonly<Record<TableKind, () => Tree>> = {
  batch: () => ({ format: 'warm-jar.batch/1' }),
  lot: () => ({ format: 'warm-jar.lot/1' }),
  mould: () => ({ format: 'warm-jar.mould/1' }),
  product: () => ({ format: 'warm-jar.product/1', revision: 1, ratio: {} }),
};

/** A column that is read: where it stands, its field, its unit. */
interface Bound {
  readonly at: number;
  readonly column: string;
  readonly field: TableField;
  readonly unit: string | null;
}

/** The kind that has all fields of a mapping. */
function kindOf(columns: readonly ColumnMapping[]): TableKind {
  const paths = columns.flatMap((c) => c.path ?? []);
  const fits = TABLE_KINDS.map((kind) => ({ kind, n: paths.filter((p) => tableField(kind, p) !== undefined).length }));
  return fits.reduce((best, next) => (next.n > best.n ? next : best)).kind;
}

function boundColumns(kind: TableKind, table: Table, columns: readonly ColumnMapping[]): Bound[] {
  return columns.flatMap(({ column, path, unit }): Bound[] => {
    const at = table.heads.indexOf(column);
    const field = path === null ? undefined : tableField(kind, path);
    return at < 0 || !field ? [] : [{ at, column, field, unit: unit ?? null }];
  });
}

/** A row being read: its document, its faults, and the halves of its moments. */
interface RowState {
  readonly document: Tree;
  readonly faults: RowFault[];
  readonly days: Map<string, CellDate>;
  readonly times: Map<string, string>;
}

function put(document: Tree, path: string, value: unknown): void {
  const steps = parsePath(path);
  if (steps) putValue(document, steps, value);
}

function takeCell(state: RowState, field: TableField, column: string | null, text: string, context: CellContext): void {
  const read = readCell(field, text, context);
  if ('fault' in read) state.faults.push({ column, path: field.path, message: read.fault });
  else if ('time' in read) state.times.set(field.path, read.time);
  else if ('date' in read && field.kind === 'moment') state.days.set(field.path, read.date);
  else if ('date' in read) put(state.document, field.path, read.date.day);
  else {
    put(state.document, field.path, read.value);
    if (field.unit === 'g or mL' && read.unit)
      put(state.document, 'mix.unit', read.unit.dimension === 'volume' ? 'mL' : 'g');
  }
}

const MIDNIGHT = '00:00:00';

/** Puts days and times of day together; where only the day is known the record says so. */
function putMoments({ document, faults, days, times }: RowState, zone: string): void {
  for (const [path, { day, time, offset }] of days) {
    const at = time ?? times.get(path) ?? null;
    const moment = momentIn(day, at ?? MIDNIGHT, zone);
    put(
      document,
      path,
      offset === null ? moment : `${day}T${at ?? MIDNIGHT}${offset.replace(/^([+-]\d{2})(\d{2})$/, '$1:$2')}`,
    );
    if (at === null && path === 'startedAt') put(document, 'dayOnly', true);
  }
  for (const path of times.keys())
    if (!days.has(path))
      faults.push({
        column: null,
        path,
        message: 'There is a time of day and no day. Match the column with the date.',
      });
}

/** What a format asks for and a table has in other words. */
function complete(kind: TableKind, document: Tree): void {
  if (kind === 'product' && document['slug'] === undefined && typeof document['name'] === 'string')
    document['slug'] = slugOf(document['name']);
  const [check] = (document['checks'] as Tree[] | undefined) ?? [];
  const symptoms = check?.['symptoms'] as Tree[] | undefined;
  // That a fault is named says nothing of its pattern.
  for (const symptom of symptoms ?? []) symptom['pattern'] ??= 'unspecified';
}

/** A look needs its hour: said for all rows, or in a column. */
const FRIENDLIER: Readonly<Record<string, string>> = {
  'checks[0].afterH': 'Say how long after the pour it was looked at: in a column, or once for all rows.',
  'product.slug': 'It does not say which product it was.',
  product: 'It does not say which product it was.',
  code: 'It has no code.',
};

const isEmpty = (row: readonly string[], bound: readonly Bound[]) =>
  bound.every(({ at }) => readable(row[at] ?? '') === '');

/** How all rows of a table are read. */
interface Reading {
  readonly kind: TableKind;
  readonly bound: readonly Bound[];
  readonly forAll: Readonly<Record<string, string>>;
  readonly context: Omit<CellContext, 'unit'>;
  readonly zone: string;
}

/** What is said of every look or layer is said only of rows that have one. */
function isAbout(path: string, said: ReadonlySet<string>): boolean {
  const entry = /^(.*\[0\]\.)/.exec(path)?.[1];
  return entry === undefined || [...said].some((other) => other.startsWith(entry));
}

/** A row's document as far as its cells say, with what is wrong with them. */
function readRow(cells: readonly string[], { kind, bound, forAll, context, zone }: Reading): RowState {
  const state: RowState = { document: BLANK[kind](), faults: [], days: new Map(), times: new Map() };
  const said = new Set<string>();
  for (const { at, column, field, unit } of bound) {
    const text = readable(cells[at] ?? '');
    if (text === '') continue;
    said.add(field.path);
    takeCell(state, field, column, text, { ...context, unit });
  }
  for (const [path, text] of Object.entries(forAll)) {
    if (text.trim() === '') continue;
    const field = tableField(kind, path);
    if (field && !said.has(path) && isAbout(path, said))
      takeCell(state, field, null, text, { ...context, decimal: '.', unit: null });
  }
  putMoments(state, zone);
  complete(kind, state.document);
  return state;
}

function schemaFaults(
  error: Parameters<typeof issuesFromZod>[0],
  known: readonly RowFault[],
  bound: readonly Bound[],
): RowFault[] {
  return issuesFromZod(error)
    .filter(({ path }) => !known.some((fault) => fault.path === path || fault.path.startsWith(`${path}.`)))
    .map(({ path, message }) => ({
      column: bound.find(({ field }) => field.path === path)?.column ?? null,
      path,
      message: FRIENDLIER[path] ?? message,
    }));
}

/**
 * Reads a studio's own table into documents of the open formats, by a mapping of its columns.
 * @param rows lines of cells, the heads among them, or objects whose keys are the heads
 * @param mapping the columns with their fields, units and orders of dates, or a list of them alone
 * @returns documents that keep to their format, and the rows that do not with why, each whole; an empty cell is not
 * recorded, and an empty row is none
 */
export function readTable(
  rows: TableRows,
  mapping: TableMapping | readonly ColumnMapping[],
  { products = [], zone = 'UTC' }: ReadTableOptions = {},
): TableRead {
  const asked: TableMapping = 'columns' in mapping ? mapping : { columns: mapping };
  const kind = asked.kind ?? kindOf(asked.columns);
  const table = tableOf(rows);
  const bound = boundColumns(kind, table, asked.columns);
  const context = { decimal: asked.decimal ?? decimalOf(table), products };
  const reading: Reading = { kind, bound, forAll: asked.forAll ?? {}, context, zone };
  const [documents, rowOf, refused]: [TableRead['documents'][number][], number[], RefusedRow[]] = [[], [], []];
  table.rows.forEach((cells, index) => {
    if (isEmpty(cells, bound)) return;
    const { document, faults } = readRow(cells, reading);
    const parsed = SCHEMAS[kind].safeParse(document);
    const why = [...faults, ...(parsed.success ? [] : schemaFaults(parsed.error, faults, bound))];
    if (why.length > 0 || !parsed.success) refused.push({ row: index + 1, cells, why });
    else {
      documents.push(parsed.data);
      rowOf.push(index + 1);
    }
  });
  return { kind, documents, rowOf, refused };
}

/** Fields that a column of this kind of table may fill, with their names. */
export const fieldsOfTable = (kind: TableKind): readonly TableField[] => TABLE_FIELDS[kind];
