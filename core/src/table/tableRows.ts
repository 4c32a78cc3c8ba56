import { isTree } from '../formats/documentPath';
import { dateOrders } from './tableDate';

/** A table as it is pasted or read: rows of cells, or rows under their heads. */
export type TableRows = readonly (readonly unknown[])[] | readonly Readonly<Record<string, unknown>>[];

/** A table with its heads told apart from its rows. */
export interface Table {
  /** A head for each column: as written, or its number where there is none. */
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** How many lines stand above the first row of values. */
  readonly above: number;
}

const cellText = (value: unknown): string => {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString();
  return isTree(value) ? JSON.stringify(value) : String(value as string | number | boolean).trim();
};

/** Words that stand for an empty cell. */
const NOTHING = /^(?:-+|–|—|n\/?a|nil|null|\?+|tbd|#n\/a)$/i;

/** A cell as it is read: what stands for nothing is empty. */
export const readable = (cell: string): string => (NOTHING.test(cell.trim()) ? '' : cell.trim());

const isWord = (cell: string) =>
  cell !== '' && !/^[-+]?[\d.,]+\s*[^\d\s]{0,5}$/.test(cell) && dateOrders(cell).length === 0;

/** Whether the first line names the columns: words where the rows below have numbers or dates, or nothing but words. */
function hasHeads(lines: readonly (readonly string[])[]): boolean {
  const [first, ...rest] = lines;
  if (!first) return false;
  const filled = first.filter((cell) => cell !== '');
  if (filled.length === 0 || !filled.every(isWord)) return false;
  const below = rest.slice(0, 20);
  return below.length === 0 || first.some((_, at) => below.some((row) => (row[at] ?? '') !== '' && !isWord(row[at]!)))
    ? true
    : new Set(filled).size === filled.length && below.every((row) => row.join('\u0000') !== first.join('\u0000'));
}

/** Lines above the heads, such as a title, have fewer cells than the table. */
function startOf(lines: readonly (readonly string[])[]): number {
  const width = Math.max(0, ...lines.slice(0, 30).map((line) => line.filter((c) => c !== '').length));
  const at = lines.findIndex((line) => line.filter((c) => c !== '').length >= Math.max(1, Math.ceil(width / 2)));
  return Math.max(0, at);
}

function unique(heads: readonly string[]): string[] {
  return heads.map((head, at) => {
    const name = head === '' ? `Column ${at + 1}` : head;
    const before = heads.slice(0, at).filter((other) => other === head && head !== '').length;
    return before === 0 ? name : `${name} (${before + 1})`;
  });
}

/**
 * Tells the heads of a table from its rows; empty lines and a title above are left out.
 * @param rows lines of cells, or objects whose keys are the heads
 */
export function tableOf(rows: TableRows): Table {
  const [first] = rows;
  if (first !== undefined && !Array.isArray(first)) {
    const heads = [
      ...new Set((rows as readonly Readonly<Record<string, unknown>>[]).flatMap((row) => Object.keys(row))),
    ];
    const cells = (rows as readonly Readonly<Record<string, unknown>>[]).map((row) =>
      heads.map((h) => cellText(row[h])),
    );
    return { heads, rows: cells, above: 1 };
  }
  const lines = (rows as readonly (readonly unknown[])[]).map((row) => row.map(cellText));
  const start = startOf(lines);
  const table = lines.slice(start);
  const width = Math.max(0, ...table.map((line) => line.length));
  const wide = (line: readonly string[]) => Array.from({ length: width }, (_, at) => line[at] ?? '');
  const named = hasHeads(table);
  const heads = unique(named ? wide(table[0] ?? []) : wide([]));
  return { heads, rows: table.slice(named ? 1 : 0).map(wide), above: start + (named ? 1 : 0) };
}
