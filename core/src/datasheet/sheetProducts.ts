import type { Family } from '../formats/vocabulary';
import { labelsIn } from './sheetLabels';
import { sheetLines, type SheetLine } from './sheetLines';
import { decimalSign, type DecimalSign } from './sheetNumber';
import { partNamed } from './sheetParts';
import { tableHead } from './tableHead';

const plain = (name: string) =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, ' ')
    .trim();

/** Whether two writings name the same product. */
export const sameProduct = (one: string, other: string): boolean => {
  const [a, b] = [plain(one), plain(other)];
  return a !== '' && (a === b || ` ${a} `.includes(` ${b} `) || ` ${b} `.includes(` ${a} `));
};

const NAMED = /^(?:product(?: name)?|grade|trade name|name|system)\s*[:#]\s*(\S.{1,60})$/i;
const LONGEST_NAME = 50;

/** A line that may be the name of a product: short, words alone, no label of a figure. */
function mayBeName(line: SheetLine): boolean {
  const text = line.text.trim();
  if (line.cells.length !== 1 || text.length === 0 || text.length > LONGEST_NAME || /[.;:!?]$/.test(text)) return false;
  return labelsIn(text).length === 0 && partNamed(text) === null && /^[A-Z0-9]/.test(text);
}

const nameOf = (line: SheetLine): string | null => NAMED.exec(line.text.trim())?.[1]?.trim() ?? null;

/** The names that stand over the columns of a table, or before its rows, where it is one of several products. */
function namesInTables(lines: readonly SheetLine[], decimal: DecimalSign): string[] {
  return lines.flatMap((line, index) => {
    const head = tableHead(line, decimal);
    if (!head) return [];
    const columns = head.columns.flatMap((c, at) => (c.is === 'product' && at > 0 ? [c.name] : []));
    if (columns.length > 1) return columns;
    const fields = head.columns.filter((c) => c.is === 'field').length;
    const firstIsName = ['property', 'product'].includes(head.columns[0]?.is ?? '');
    if (fields < 2 || !firstIsName) return [];
    const rows = lines.slice(index + 1);
    const until = rows.findIndex((row) => row.cells.length !== line.cells.length);
    return rows
      .slice(0, until < 0 ? rows.length : until)
      .flatMap((row) => row.cells[0]?.text ?? [])
      .filter((name) => name !== '' && partNamed(name) === null);
  });
}

/** Names of one kind, such as two that differ only in their number. */
const stemOf = (name: string) =>
  plain(name)
    .replaceAll(/\d+/g, '')
    .replaceAll(/\b(?:fast|slow|medium|regular|extra)\b/g, '')
    .trim();

/** Lines of which several begin with the same words and go on otherwise: headings of blocks. */
function namesOverBlocks(lines: readonly SheetLine[]): string[] {
  const named = lines.flatMap((line) => nameOf(line) ?? []);
  if (named.length > 1) return named;
  const candidates = lines.filter(mayBeName).map((line) => line.text.trim());
  return candidates.filter(
    (name) =>
      stemOf(name).length >= 3 &&
      candidates.some((other) => plain(other) !== plain(name) && stemOf(other) === stemOf(name)),
  );
}

const unique = (names: readonly string[]) =>
  names.filter((n, at) => names.findIndex((o) => plain(o) === plain(n)) === at);

/**
 * The products that a sheet holds figures of, as it names them; one or none where it is a sheet of one product.
 * @param text the sheet's lines in reading order
 */
export function sheetProducts(text: string): string[] {
  const lines = sheetLines(text);
  const inTables = unique(namesInTables(lines, decimalSign(text)));
  if (inTables.length > 1) return inTables;
  const blocks = unique(namesOverBlocks(lines));
  return blocks.length > 1 ? blocks : [];
}

/** A stretch of a sheet and the product that it is about; none for what holds for all. */
export interface Block {
  readonly product: string | undefined;
  readonly lines: readonly SheetLine[];
}

/** Parts a sheet at the lines that name one of its products. */
export function blocksOf(lines: readonly SheetLine[], products: readonly string[]): Block[] {
  const blocks: { product: string | undefined; lines: SheetLine[] }[] = [{ product: undefined, lines: [] }];
  for (const line of lines) {
    const named = nameOf(line) ?? (mayBeName(line) ? line.text.trim() : null);
    const product = named === null ? undefined : products.find((p) => plain(p) === plain(named));
    if (product === undefined) blocks.at(-1)!.lines.push(line);
    else blocks.push({ product, lines: [] });
  }
  return blocks;
}

const FAMILY_WORDS: readonly (readonly [Family, RegExp])[] = [
  ['silicone', /\bsilicone(?: rubber)?\b|\bRTV\b/gi],
  ['uv-acrylate', /\b(?:UV|light)[- ]?(?:cur\w+|resin)|\bphotopolymer\b|\bacrylate\b/gi],
  ['polyester', /\bpolyester\b|\bMEKP\b|\bstyrene\b/gi],
  ['polyurethane', /\b(?:poly)?urethane\b|\bisocyanate\b/gi],
  [
    'mineral-acrylic',
    /\bacrylic[- ](?:modified |casting )?(?:gypsum|plaster|mineral|compound)\b|\bwater[- ]based casting\b|\bgypsum\b/gi,
  ],
  ['epoxy', /\bepox(?:y|ies|ide)\b/gi],
];

/**
 * The family that a sheet's words speak of most, and the line on which it is first named; null where none is named or
 * two are named as often.
 */
export function sheetFamily(text: string): { family: Family; line: number } | null {
  const counts = FAMILY_WORDS.map(([family, pattern]) => ({ family, pattern, times: text.match(pattern)?.length ?? 0 }))
    .filter((c) => c.times > 0)
    .sort((x, y) => y.times - x.times);
  const [first, second] = counts;
  if (!first || (second && second.times === first.times)) return null;
  const line = text
    .split(/\r\n|[\r\n\f\v\u2028]/)
    .findIndex((words) => new RegExp(first.pattern.source, 'i').test(words));
  return { family: first.family, line: line + 1 };
}

/** A sheet's title: its first line that may be a name, with no word about the paper itself. */
export function sheetTitle(text: string): string | null {
  const named = sheetLines(text).flatMap((line) => nameOf(line) ?? [])[0];
  const title = sheetLines(text)
    .slice(0, 12)
    .find((line) => mayBeName(line) && !/\b(?:data ?sheet|bulletin|page|rev|date|www)\b/i.test(line.text));
  return named ?? title?.text.trim() ?? null;
}
