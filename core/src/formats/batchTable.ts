import type { Batch } from './batch';
import { isTree, type Tree } from './documentPath';

/** Parts of a batch that are too long for columns of their own: they stand in one cell, as JSON. */
const IN_ONE_CELL = new Set(['readings', 'plan', 'bench']);

/** Texts that a table would take for something else, a spreadsheet's formula among them: they are written as JSON strings. */
const MISREAD = /^(?:["[{=+@\t\r-]|true$|false$|null$)|^-?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?$|^\s|\s$/;

function cellOf(value: unknown): string {
  if (typeof value === 'string') return value === '' || MISREAD.test(value) ? JSON.stringify(value) : value;
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

function walk(value: unknown, path: string, row: Record<string, string>): void {
  if (value === null || value === undefined) return;
  if (!isTree(value) || IN_ONE_CELL.has(path)) { row[path] = cellOf(value); return; }
  const entries = Object.entries(value);
  // An empty list says "none", which is not the same as saying nothing.
  if (entries.length === 0) { row[path] = Array.isArray(value) ? '[]' : '{}'; return; }
  for (const [key, child] of entries) walk(child, Array.isArray(value) ? `${path}[${key}]` : path === '' ? key : `${path}.${key}`, row);
}

/** A batch as one row of a table: dotted names to cells. What was not recorded has no cell. */
export function batchToRow(batch: Batch): Record<string, string> {
  const row: Record<string, string> = {};
  walk(batch, '', row);
  return row;
}

/** The order of the work, for a table's columns. */
const COLUMN_ORDER = ['format', 'code', 'startedAt', 'by', 'product', 'lotA', 'lotB', 'room', 'resin', 'mix', 'additives', 'degas', 'pour', 'pressure', 'mould', 'inclusions', 'layerBelow', 'cure', 'witness', 'checks', 'quickTests', 'mends', 'copiedFrom', 'note', 'readings', 'bench', 'plan'];
const placeOf = (column: string) => { const at = COLUMN_ORDER.indexOf(/^[^.[]+/.exec(column)?.[0] ?? ''); return at < 0 ? COLUMN_ORDER.length : at; };

/** Every column that some row has, in the order of the work. */
export function batchColumnsOf(rows: readonly Readonly<Record<string, string>>[]): string[] {
  const names = [...new Set(rows.flatMap((r) => Object.keys(r)))];
  return names.map((name, i) => ({ name, i })).sort((a, b) => placeOf(a.name) - placeOf(b.name) || a.name.localeCompare(b.name, 'en', { numeric: true })).map((n) => n.name);
}

function valueOf(cell: string): unknown {
  const text = cell.trim();
  if (/^["[{]/.test(text)) {
    try { return JSON.parse(text) as unknown; } catch { return text; }
  }
  if (text === 'true' || text === 'false') return text === 'true';
  return /^-?\d+(?:[.,]\d+)?(?:[eE][+-]?\d+)?$/.test(text) ? Number(text.replace(',', '.')) : text;
}

/** Texts, whatever they look like: a code of figures alone stays a text. */
const TEXT_COLUMN = /(?:^|\.)(?:code|by|note|name|what|where|says|openedOn|useBy|poured|cause|test|outcome|startedAt|id)$/;
/** Longest list a table may ask for; a mistyped index is no reason to fill the memory. */
const MOST_ITEMS = 20_000;

function put(into: Tree, path: string, value: unknown): void {
  const keys = path.replaceAll(/\[(\d+)\]/g, '.$1').split('.');
  let at: Tree | unknown[] = into;
  keys.forEach((key, i) => {
    const index = Number(key);
    if (Array.isArray(at) && (!Number.isInteger(index) || index >= MOST_ITEMS)) return;
    const here = at as Tree;
    if (i === keys.length - 1) { here[key] = value; return; }
    if (!isTree(here[key])) here[key] = /^\d+$/.test(keys[i + 1]!) ? [] : {};
    at = here[key] as Tree;
  });
}

const FORBIDDEN = /(?:^|[.[])(?:__proto__|prototype|constructor)(?:$|[.\]])/;

/** The document that a row holds; empty cells are left out, as not recorded. It still has to be checked by its schema. */
export function batchFromRow(row: Readonly<Record<string, string | undefined>>): Tree {
  const document: Tree = { format: 'warm-jar.batch/1' };
  for (const [path, cell] of Object.entries(row)) {
    if (cell === undefined || cell.trim() === '' || path.trim() === '' || FORBIDDEN.test(path)) continue;
    const value = valueOf(cell);
    put(document, path.trim(), TEXT_COLUMN.test(path) && typeof value === 'number' ? cell.trim() : value);
  }
  return document;
}
