import type { Batch } from './batch';
import { BATCH_SECTIONS, batchField, isTextField } from './batchFields';
import { eachLeaf, isTree, isWritable, parsePath, putValue, type Tree } from './documentPath';
import { readYesNo } from './yesNo';

/** Parts of a batch that are too long for columns of their own: they stand in one cell, as JSON. */
const IN_ONE_CELL = new Set(['readings', 'plan', 'bench']);

/**
 * Texts that a table would take for something else, a spreadsheet's
 * formula among them: they are written as JSON strings.
 */
const MISREAD = /^(?:["[{=+@\t\r-]|true$|false$|null$)|^-?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?$|^\s|\s$/;

function cellOf(value: unknown): string {
  if (typeof value === 'string') return value === '' || MISREAD.test(value) ? JSON.stringify(value) : value;
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

/** Sections that stand in one cell: the long ones, and empty ones, for none is not the same as nothing said. */
const inOneCell = (path: string, value: unknown) =>
  IN_ONE_CELL.has(path) || (isTree(value) && Object.keys(value).length === 0);

/** A batch as one row of a table: dotted names to cells. What was not recorded has no cell. */
export function batchToRow(batch: Batch): Record<string, string> {
  const row: Record<string, string> = {};
  eachLeaf(
    batch,
    (path, value) => {
      // Within a list even nothing has its place.
      if (value !== null || path.endsWith(']')) row[path] = cellOf(value);
    },
    inOneCell,
  );
  return row;
}

/** Long sections come last. */
const COLUMN_ORDER = [
  ...BATCH_SECTIONS.filter((section) => !IN_ONE_CELL.has(section)),
  ...BATCH_SECTIONS.filter((section) => IN_ONE_CELL.has(section)),
];
const placeOf = (column: string) => {
  const at = COLUMN_ORDER.indexOf(/^[^.[]+/.exec(column)?.[0] ?? '');
  return at < 0 ? COLUMN_ORDER.length : at;
};

/** Every column that some row has, in the order of the work. */
export function batchColumnsOf(rows: readonly Readonly<Record<string, string>>[]): string[] {
  const names = [...new Set(rows.flatMap((r) => Object.keys(r)))];
  return names
    .map((name, i) => ({ name, i }))
    .sort((a, b) => placeOf(a.name) - placeOf(b.name) || a.name.localeCompare(b.name, 'en', { numeric: true }))
    .map((n) => n.name);
}

function valueOf(cell: string): unknown {
  const text = cell.trim();
  if (/^["[{]/.test(text)) {
    try {
      return JSON.parse(text) as unknown;
    } catch {
      return text;
    }
  }
  if (text === 'null') return null;
  if (text === 'true' || text === 'false') return text === 'true';
  return /^-?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?$/.test(text) ? Number(text.replace(',', '.')) : text;
}

/** Fields beside the format's own that hold text, whatever it looks like. */
const TEXT_COLUMN = /(?:^|\.)(?:code|by|note|name|what|where|says|id)$/;
const isText = (path: string) => isTextField(path) ?? TEXT_COLUMN.test(path);

/** What a cell says in its column. */
function readCell(path: string, text: string): unknown {
  if (batchField(path)?.kind === 'yes-no') return readYesNo(text) ?? valueOf(text);
  const value = valueOf(text);
  return isText(path) && typeof value === 'number' ? text : value;
}

/** Columns of a table that are no field of a batch, as they are written. */
export const unknownBatchColumns = (columns: readonly string[]): string[] =>
  columns.filter((column) => column.trim() !== 'format' && batchField(column.trim()) === undefined);

/**
 * The document that a row holds; empty cells are left out, as not recorded. It still has to be checked by its schema.
 */
export function batchFromRow(row: Readonly<Record<string, string | undefined>>): Tree {
  const document: Tree = { format: 'warm-jar.batch/1' };
  for (const [path, cell] of Object.entries(row)) {
    const text = cell?.trim() ?? '';
    const steps = text === '' ? null : parsePath(path.trim());
    if (!steps || !isWritable(steps)) continue;
    putValue(document, steps, readCell(path, text));
  }
  return document;
}
