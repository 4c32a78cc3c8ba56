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

/** A key of an object within a path; one that would be read as more than one, or as a place in a list, is quoted in brackets. */
const keyed = (path: string, key: string) =>
  /^(?![=+@-])[^.[\]\s"]+$/.test(key) ? (path === '' ? key : `${path}.${key}`) : `${path}[${JSON.stringify(key)}]`;

function walk(value: unknown, path: string, row: Record<string, string>): void {
  if (value === null || value === undefined) return;
  if (!isTree(value) || IN_ONE_CELL.has(path)) {
    row[path] = cellOf(value);
    return;
  }
  // An empty list says "none", which is not the same as saying nothing.
  if (Object.keys(value).length === 0) {
    row[path] = Array.isArray(value) ? '[]' : '{}';
    return;
  }
  if (Array.isArray(value)) {
    // Within a list even nothing has its place.
    value.forEach((child: unknown, i) => {
      if (child === null) row[`${path}[${i}]`] = 'null';
      else walk(child, `${path}[${i}]`, row);
    });
    return;
  }
  for (const [key, child] of Object.entries(value)) walk(child, keyed(path, key), row);
}

/** A batch as one row of a table: dotted names to cells. What was not recorded has no cell. */
export function batchToRow(batch: Batch): Record<string, string> {
  const row: Record<string, string> = {};
  walk(batch, '', row);
  return row;
}

/** The order of the work, for a table's columns. */
const COLUMN_ORDER = [
  'format',
  'code',
  'startedAt',
  'by',
  'product',
  'lotA',
  'lotB',
  'room',
  'resin',
  'mix',
  'additives',
  'degas',
  'pour',
  'pressure',
  'mould',
  'inclusions',
  'layerBelow',
  'cure',
  'witness',
  'checks',
  'quickTests',
  'mends',
  'copiedFrom',
  'note',
  'readings',
  'bench',
  'plan',
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

/** Texts, whatever they look like: a code of figures alone stays a text. */
const TEXT_COLUMN =
  /(?:^|\.)(?:code|by|note|name|what|where|says|openedOn|useBy|poured|cause|test|outcome|startedAt|id)$/;
/** Longest list a table may ask for; a mistyped index is no reason to fill the memory. */
const MAX_ITEMS = 20_000;

/** A step of a path: a key of an object, or a place in a list. */
type Step = { readonly key: string } | { readonly at: number };

/** The steps of a column's name; null for a name that is none. */
function stepsOf(path: string): Step[] | null {
  const steps: Step[] = [];
  let rest = path;
  while (rest !== '') {
    const found = /^\[(\d{1,6})\]|^\[("(?:[^"\\]|\\.)*")\]|^\.?([^.[\]]+)/.exec(rest);
    if (!found) return null;
    if (found[1] !== undefined) steps.push({ at: Number(found[1]) });
    else if (found[2] !== undefined) {
      try {
        steps.push({ key: JSON.parse(found[2]) as string });
      } catch {
        return null;
      }
    } else steps.push({ key: found[3]! });
    rest = rest.slice(found[0].length);
  }
  return steps;
}

const FORBIDDEN = new Set(['__proto__', 'prototype', 'constructor']);
const allowed = (step: Step) => ('at' in step ? step.at < MAX_ITEMS : !FORBIDDEN.has(step.key));
const nameOf = (step: Step) => ('at' in step ? step.at : step.key);

function put(into: Tree, steps: readonly Step[], value: unknown): void {
  let at = into as Record<string | number, unknown>;
  steps.forEach((step, i) => {
    const name = nameOf(step);
    if (i === steps.length - 1) {
      at[name] = value;
      return;
    }
    if (!isTree(at[name])) at[name] = 'at' in steps[i + 1]! ? [] : {};
    at = at[name] as Record<string | number, unknown>;
  });
}

/** The document that a row holds; empty cells are left out, as not recorded. It still has to be checked by its schema. */
export function batchFromRow(row: Readonly<Record<string, string | undefined>>): Tree {
  const document: Tree = { format: 'warm-jar.batch/1' };
  for (const [path, cell] of Object.entries(row)) {
    const steps = cell === undefined || cell.trim() === '' ? null : stepsOf(path.trim());
    if (!steps || steps.length === 0 || !steps.every(allowed)) continue;
    const value = valueOf(cell!);
    put(document, steps, TEXT_COLUMN.test(path) && typeof value === 'number' ? cell!.trim() : value);
  }
  return document;
}
