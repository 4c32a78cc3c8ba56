import { labelsIn } from './sheetLabels';
import { measuresIn, type Measure } from './measures';
import type { DecimalSign } from './sheetNumber';
import { partNamed } from './sheetParts';
import type { Part } from './segment';
import type { Cell, SheetLine } from './sheetLines';
import { unitAlone, type SheetUnit } from './sheetUnits';

/** What a column of a table holds, as its head says. */
export type Column =
  | { readonly is: 'property' | 'value' | 'unit' | 'method' }
  | { readonly is: 'part'; readonly part: Part }
  | { readonly is: 'bound'; readonly word: string }
  | { readonly is: 'condition'; readonly cell: Cell; readonly label: string }
  | { readonly is: 'given'; readonly what: string; readonly unit: SheetUnit | null }
  | { readonly is: 'field'; readonly cell: Cell }
  | { readonly is: 'product'; readonly name: string };

export interface TableHead {
  readonly line: number;
  readonly columns: readonly Column[];
  readonly cells: readonly Cell[];
  /** The unit of all values of a column, where its head names one. */
  readonly units: readonly (SheetUnit | null)[];
}

const PROPERTY = /^(?:propert(?:y|ies)|characteristics?|parameters?|tests?|description|items?|data|feature)?$/i;
const VALUE =
  /^(?:(?:typical |test |nominal )?(?:values?|results?|data)|metric|imperial|us(?: units)?|si(?: units)?|specification|amount)$/i;
const UNIT = /^(?:units?|unit of measure|u\/m)$/i;
const METHOD = /\b(?:methods?|standards?|norm|test)$|^(?:astm|iso|din)\b/i;
const BOUND = /^(?:min(?:imum|\.)?|max(?:imum|\.)?|typical|typ\.?|lowest|highest)$/i;
const GIVEN =
  /^(?:at |cure |test |room |resin )?(?:temperature|temp\.?|mass|sample|quantity|batch(?: size)?|amount|catalyst|dose|mekp)\b/i;
const NAME_HEAD = /^(?:product|grade|type|system|resin|name|version)s?$/i;

/**
 * The unit that a label names for its values: in brackets, behind a comma, or as its last word.
 * Example: labelUnit('Viscosity (mPa·s, 25 °C)')?.id // 'mPa·s'
 */
export function labelUnit(label: string): SheetUnit | null {
  const inBrackets = [...label.matchAll(/[[(]([^\])]*)[\])]/g)].flatMap((m) => (m[1] ?? '').split(/[,;@]|\bat\b/));
  const bare = label.replaceAll(/[[(][^\])]*[\])]/g, ' ').trim();
  const words = bare.split(/\s+/);
  const candidates = [
    ...inBrackets,
    ...bare
      .split(/[,;]/)
      .slice(1)
      .flatMap((p) => [p, p.split(/@|\bat\b/)[0] ?? '']),
    ...[3, 2, 1].filter((n) => n < words.length).map((n) => words.slice(-n).join(' ')),
  ];
  for (const candidate of candidates) {
    const unit = /^\s*\d/.test(candidate) ? null : unitAlone(candidate.replace(/:\s*$/, ''));
    if (unit) return unit;
  }
  return null;
}

const isCondition = (measures: readonly Measure[], text: string): boolean => {
  const [only] = measures;
  if (measures.length !== 1 || !only || only.low !== only.high) return false;
  const rest = (text.slice(0, only.start) + text.slice(only.end)).replaceAll(/[\s@()]|\b(?:at|mass|in|of|mix)\b/g, '');
  return rest === '' && ['temperature', 'mass', 'percent'].includes(only.dimension);
};

/** Whether a label of a row or column is one of what the figure is given at, not of the figure. */
const isGiven = (text: string) => GIVEN.test(text) && !labelsIn(text).some((l) => l.field === 'exotherm');

const RATIO = /\bratio\b|\bparts by\b/i;

/** Whether a head names what a figure is of; a product called "deep" does not. */
const namesField = (text: string) =>
  RATIO.test(text) ||
  labelsIn(text).some((l) => l.field !== 'other' && !/^(?:deep|thick)$/i.test(text.slice(l.start, l.end)));

function columnOf(cell: Cell, index: number, decimal: DecimalSign): Column {
  const words = cell.text.replaceAll(/[[(][^\])]*[\])]/g, '').trim();
  if (index > 0 && UNIT.test(words)) return { is: 'unit' };
  if (index > 0 && VALUE.test(words)) return { is: 'value' };
  const part = index > 0 ? partNamed(cell.text) : null;
  if (part) return { is: 'part', part };
  if (BOUND.test(words)) return { is: 'bound', word: words };
  if (PROPERTY.test(words)) return { is: 'property' };
  const measures = measuresIn(cell.text, decimal);
  if (isCondition(measures, cell.text)) return { is: 'condition', cell, label: cell.text };
  if (isGiven(words)) return { is: 'given', what: words, unit: labelUnit(cell.text) };
  if (namesField(cell.text)) return { is: 'field', cell };
  if (METHOD.test(words)) return { is: 'method' };
  return NAME_HEAD.test(words) ? { is: 'property' } : { is: 'product', name: cell.text };
}

const PART_AT_END = /^(.*\S)[\s-]+(?:part\s*)?([AB])$/i;

/** Two names that differ only by an A and a B at their end are the liquids of one product. */
function asParts(columns: readonly Column[]): Column[] {
  const ends = columns.map((c) => (c.is === 'product' ? PART_AT_END.exec(c.name) : null));
  const stems = ends.flatMap((end) => (end ? [end[1]!.toLowerCase()] : []));
  const isPair = stems.length === 2 && stems[0] === stems[1];
  if (!isPair) return [...columns];
  return columns.map((column, at) => {
    const end = ends[at]?.[2]?.toLowerCase();
    return end === 'a' || end === 'b' ? { is: 'part', part: end } : column;
  });
}

const among = (columns: readonly Column[], ...kinds: Column['is'][]) =>
  columns.filter((c) => kinds.includes(c.is)).length;

/** Whether a cell holds a figure that no head holds: one with a unit that is no condition, or several. */
function holdsFigure(cell: Cell, decimal: DecimalSign): boolean {
  const measures = measuresIn(cell.text, decimal);
  return (
    measures.some((m) => m.dimension !== 'bare') &&
    !isCondition(measures, cell.text) &&
    labelsIn(cell.text).length === 0
  );
}

const NUMBER_ALONE = /^[<>≤≥~]?\s*\d[\d.,: -]*$/;
const RATIO_OF_NUMBERS = /\d\s*A?\s*:\s*\d/;
const STARTS_WITH_NUMBER = /^[<>≤≥~]?\s*\d/;

/** Whether any cell of a line holds what only a row of values holds. */
function holdsValues(columns: readonly Column[], cells: readonly Cell[], decimal: DecimalSign): boolean {
  return cells.some((cell, at) => {
    const fieldOfNumber = columns[at]?.is === 'field' && STARTS_WITH_NUMBER.test(cell.text);
    return (
      fieldOfNumber || RATIO_OF_NUMBERS.test(cell.text) || NUMBER_ALONE.test(cell.text) || holdsFigure(cell, decimal)
    );
  });
}

/** Columns that are properties, with what they are given at. */
function isHeadOfFields(columns: readonly Column[]): boolean {
  const rest = columns.slice(1);
  if (among(columns, 'field') >= 2) return among(columns, 'condition', 'part', 'value') === 0;
  return columns[0]?.is === 'given' && among(rest, 'condition', 'field') >= 1;
}

/** Columns that are liquids, units, ends, products, or what figures are given at. */
function isHeadOfValues(columns: readonly Column[]): boolean {
  const [first, ...rest] = columns;
  // "Pot life | 100 g | 500 g": what the rows are of stands in the corner.
  if (first?.is === 'field') return rest.length >= 2 && among(rest, 'condition') === rest.length;
  const named = among(rest, 'part', 'unit', 'value', 'bound');
  if (named >= 1 && named + among(rest, 'method') === rest.length) return true;
  if (named >= 1 && (first?.is === 'property' || first?.is === 'product')) return true;
  return among(rest, 'condition') >= 2 || (first?.is === 'property' && among(rest, 'product') >= 1);
}

const isHead = (columns: readonly Column[], cells: readonly Cell[], decimal: DecimalSign): boolean =>
  !holdsValues(columns, cells, decimal) && (isHeadOfFields(columns) || isHeadOfValues(columns));

/** So many letters from the margin, a line has no first cell. */
const INDENT = 8;

/** The head of a table that this line is, or null. */
export function tableHead(line: SheetLine, decimal: DecimalSign): TableHead | null {
  // A head that begins far from the margin has no words over its labels.
  const indented = (line.cells[0]?.at ?? 0) >= INDENT && !line.text.includes('\t');
  const cells = indented ? [{ text: '', at: 0 }, ...line.cells] : line.cells;
  if (cells.length < 2) return null;
  const columns = asParts(cells.map((cell, index) => columnOf(cell, index, decimal)));
  if (!isHead(columns, cells, decimal)) return null;
  return { line: line.number, columns, cells, units: cells.map((c) => labelUnit(c.text)) };
}

/**
 * Which column of the head each cell of a row stands in: by count where they agree, else by where it stands; null where
 * two cells would stand in one column, for then nobody can tell which is whose.
 */
export function columnsUnder(head: TableHead, row: readonly Cell[]): number[] | null {
  if (row.length === head.columns.length) return row.map((_, index) => index);
  if (row.length === head.columns.length + 1 && head.columns[0]?.is !== 'property')
    return row.map((_, index) => index - 1);
  const columns = row.map(({ at }) => {
    const distances = head.cells.map((cell) => Math.abs(cell.at - at));
    return distances.indexOf(Math.min(...distances));
  });
  return new Set(columns).size === columns.length ? columns : null;
}
