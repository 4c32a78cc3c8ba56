type Tree = Record<string, unknown>;
const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v);

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

/**
 * A document as one row of a table: dotted names to cells. Absent and null are empty; a list is its words with
 * semicolons; an empty list is a dash, because an empty cell means "not stated".
 */
export function toRow(document: Tree, prefix = ''): Record<string, string> {
  return Object.entries(document).reduce<Record<string, string>>((row, [key, value]) => {
    const path = prefix ? `${prefix}.${key}` : key;
    if (value === null || value === undefined) return row;
    if (Array.isArray(value)) return { ...row, [path]: value.length === 0 ? '-' : value.join('; ') };
    if (isTree(value)) return { ...row, ...toRow(value, path) };
    return { ...row, [path]: String(value) };
  }, {});
}

function cellValue(path: string, cell: string): unknown {
  const text = cell.trim();
  if (LIST_FIELDS.has(path))
    return text === '-'
      ? []
      : text
          .split(';')
          .map((w) => w.trim())
          .filter(Boolean);
  if (TEXT_FIELDS.has(path)) return text;
  if (text === 'true' || text === 'false') return text === 'true';
  const number = Number(text.replace(',', '.'));
  return text !== '' && Number.isFinite(number) ? number : text;
}

/**
 * The document that a row holds, laid over `base`; empty cells are left out, as not stated. The result still has to be
 * checked by its schema.
 */
export function fromRow(row: Readonly<Record<string, string | undefined>>, base: Tree = {}): Tree {
  const document: Tree = { ...base };
  for (const [path, cell] of Object.entries(row)) {
    if (cell === undefined || cell.trim() === '') continue;
    const keys = path.split('.');
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
