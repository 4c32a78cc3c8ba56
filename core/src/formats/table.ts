import { CoreError } from './errors';
import { isTree, isWritable, type Tree } from './documentPath';
import { productSchema } from './product';
import { schemaPaths } from './schemaPaths';
import { readYesNo } from './yesNo';

/** Fields of a product card that hold text whatever it looks like. */
const TEXT_FIELDS = new Set([
  'format',
  'slug',
  'name',
  'family',
  'source',
  'hardness.scale',
  'additives.basis',
  'degas.method',
]);
/** Fields that hold a list of words, written with semicolons between. */
const LIST_FIELDS = new Set(['use', 'inhibitedBy', 'hazards', 'additives.refused']);

/** Fields that say yes or no. */
const YES_NO_FIELDS = new Set(['waxed', 'light.stable', 'moistureSensitive']);

/** What a spreadsheet would take for a formula, and what would be taken for a quoted text. */
const MISREAD = /^(?:["=+@\t\r]|-.)/;
/** A text as a cell or a column's name: one that would be misread is written as a JSON string. */
const quoted = (text: string) => (MISREAD.test(text) ? JSON.stringify(text) : text);
const unquoted = (cell: string): string => {
  if (!cell.startsWith('"')) return cell;
  try {
    const value: unknown = JSON.parse(cell);
    return typeof value === 'string' ? value : cell;
  } catch {
    return cell;
  }
};

/**
 * A document as one row of a table: dotted names to cells. Absent and null are empty; a list is its words with
 * semicolons; an empty list is a dash, because an empty cell means "not stated". Nothing in it is a formula.
 */
export function toRow(document: Tree, prefix = ''): Record<string, string> {
  return Object.entries(document).reduce<Record<string, string>>((row, [key, value]) => {
    const path = prefix ? `${prefix}.${key}` : quoted(key);
    if (value === null || value === undefined) return row;
    if (Array.isArray(value)) return { ...row, [path]: value.length === 0 ? '-' : quoted(value.join('; ')) };
    if (isTree(value)) return { ...row, ...toRow(value, path) };
    return { ...row, [path]: typeof value === 'string' ? quoted(value) : String(value) };
  }, {});
}

function cellValue(path: string, cell: string): unknown {
  const text = unquoted(cell.trim());
  if (LIST_FIELDS.has(path))
    return text === '-'
      ? []
      : text
          .split(';')
          .map((w) => w.trim())
          .filter(Boolean);
  if (TEXT_FIELDS.has(path)) return text;
  if (YES_NO_FIELDS.has(path)) return readYesNo(text) ?? text;
  const number = Number(text.replace(',', '.'));
  return text !== '' && Number.isFinite(number) ? number : text;
}

/** @throws CoreError `column-refused` for a column that names no field of a document */
export function requireColumns(columns: readonly string[]): void {
  const bad = columns.find((column) => !isWritable(column.split('.').map((key) => key.trim())));
  if (bad !== undefined)
    throw new CoreError('column-refused', `The column "${bad}" names no field of a card. Take it out.`, bad);
}

/**
 * The document that a row holds, laid over `base`; empty cells are left out, as not stated. The result still has to be
 * checked by its schema. @throws CoreError `column-refused`
 */
export function fromRow(row: Readonly<Record<string, string | undefined>>, base: Tree = {}): Tree {
  requireColumns(Object.keys(row));
  const document: Tree = { ...base };
  for (const [path, cell] of Object.entries(row)) {
    if (cell === undefined || cell.trim() === '') continue;
    const keys = unquoted(path).split('.');
    const last = keys.pop()!;
    const at = keys.reduce<Tree>((tree, key) => {
      const next = isTree(tree[key]) ? tree[key] : {};
      tree[key] = next;
      return next;
    }, document);
    at[last] = cellValue(path, cell);
  }
  return document;
}

/** Columns of a table that are no field of a card, as they are written. */
export function unknownCardColumns(columns: readonly string[]): string[] {
  const known = schemaPaths(productSchema);
  return columns.filter((column) => !known.has(unquoted(column.trim())));
}
