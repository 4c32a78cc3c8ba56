import type { DecimalSign } from './sheetNumber';
import { measuresIn } from './measures';
import { segmentOf, type Segment, type Stretch } from './segment';
import { partNamed, partsIn } from './sheetParts';
import type { Cell, SheetLine } from './sheetLines';
import { unitAlone, type SheetUnit } from './sheetUnits';
import { columnsUnder, labelUnit, type Column, type TableHead } from './tableHead';

/** What holds for all rows where this one stands. */
export type About = Pick<Segment, 'part' | 'product' | 'heading' | 'stored'>;

const METHOD_CELL = /\b(?:ASTM|ISO|DIN|EN|JIS|method|internal)\b/;
const RATIO_LABEL = /\b(?:ratio|parts|mix)\b/i;
const NOTHING = /^(?:-+|n\/?a|none|tbd|not stated|\*|\.)?$/i;

const stretch = (cell: Cell, line: SheetLine): Stretch => ({ text: cell.text, line: line.number, at: cell.at });

/** A row with no head above it: all its cells behind one another. */
export function plainRow(line: SheetLine, about: About, decimal: DecimalSign): Segment {
  const [label, ...rest] = line.cells;
  const unitCell = rest.find((cell) => unitAlone(cell.text));
  const values = rest.filter((cell) => cell !== unitCell && !METHOD_CELL.test(cell.text));
  const bare = values.filter((cell) => measuresIn(cell.text, decimal).some((m) => m.dimension === 'bare'));
  const ratio = RATIO_LABEL.test(label?.text ?? '');
  const implied = (unitCell && unitAlone(unitCell.text)) ?? labelUnit(label?.text ?? '');
  // Several bare numbers with nothing above them: nobody can say which is which.
  const isTold = bare.every((cell) => partsIn(cell.text).length > 0);
  const told = bare.length > 1 && !ratio && !isTold ? values.filter((cell) => !bare.includes(cell)) : values;
  const stretches = told.flatMap((cell, index) => [{ text: index === 0 ? ': ' : ' | ' }, stretch(cell, line)]);
  return segmentOf(label ? [stretch(label, line), ...stretches] : stretches, { ...about, unit: implied ?? undefined });
}

const isValue = (column: Column | undefined) =>
  column === undefined || !['property', 'unit', 'method', 'given', 'field'].includes(column.is);

/** The unit of a row: its own cell's, its label's, or its column's. */
function unitOfRow(cells: readonly Cell[], columns: readonly (Column | undefined)[], label: Cell): SheetUnit | null {
  const at = columns.findIndex((column) => column?.is === 'unit');
  const own = at >= 0 && cells[at] ? unitAlone(cells[at].text) : null;
  const loose = cells
    .slice(1)
    .map((cell) => unitAlone(cell.text))
    .find((unit) => unit !== null);
  return own ?? labelUnit(label.text) ?? loose ?? null;
}

/** Two columns of the liquids hold the two sides of a ratio. */
function ratioRow(
  line: SheetLine,
  columns: readonly (Column | undefined)[],
  label: Cell,
  about: About,
): Segment | null {
  if (!RATIO_LABEL.test(label.text)) return null;
  const side = (part: 'a' | 'b') => line.cells[columns.findIndex((c) => c?.is === 'part' && c.part === part)];
  const [a, b] = [side('a'), side('b')];
  if (!a || !b || !/^\d/.test(a.text) || !/^\d/.test(b.text)) return null;
  const basis = line.cells
    .filter((_, index) => columns[index]?.is === 'unit')
    .flatMap((cell) => [{ text: ' ' }, stretch(cell, line)]);
  return segmentOf(
    [stretch(label, line), ...basis, { text: ': ' }, stretch(a, line), { text: ' : ' }, stretch(b, line)],
    about,
  );
}

function cellSegment(
  line: SheetLine,
  label: Cell,
  cell: Cell,
  column: Column | undefined,
  head: TableHead,
  about: About,
) {
  const own: About = {
    ...about,
    ...(column?.is === 'part' ? { part: column.part } : {}),
    ...(column?.is === 'product' ? { product: column.name } : {}),
  };
  const bound = column?.is === 'bound' ? `${column.word} ` : '';
  const [corner] = head.columns;
  const of =
    corner?.is === 'field' ? [{ text: corner.cell.text, line: head.line, at: corner.cell.at }, { text: ' ' }] : [];
  const stretches: Stretch[] = [...of, stretch(label, line), { text: `: ${bound}` }, stretch(cell, line)];
  if (column?.is === 'condition')
    stretches.push({ text: ' at ' }, { text: column.cell.text, line: head.line, at: column.cell.at });
  return { stretches, own };
}

/** What the first cell of a row under properties names: a liquid, or a product. */
function ownerOf(name: string | undefined): About {
  const part = name === undefined ? null : partNamed(name);
  if (part) return { part };
  return name !== undefined && name !== '' && !/^\d/.test(name) ? { product: name } : {};
}

/** Columns whose cells in the rows of the two liquids are the sides of a ratio. */
const SIDES = /\bratio\b|\bparts?\b|\bmix\b|\bby (?:weight|volume)\b/i;

/** The ratios that the rows of part A and part B make together under heads of properties. */
export function ratiosOfRows(rowA: SheetLine, rowB: SheetLine, head: TableHead, about: About): Segment[] {
  return head.columns.flatMap((column, at) => {
    const [a, b] = [rowA.cells[at], rowB.cells[at]];
    if (column.is !== 'field' && column.is !== 'product') return [];
    const cell = head.cells[at];
    if (!cell || !a || !b || !SIDES.test(cell.text) || !/^\d/.test(a.text) || !/^\d/.test(b.text)) return [];
    return [
      segmentOf(
        [
          { text: cell.text, line: head.line, at: cell.at },
          { text: ' ratio: ' },
          stretch(a, rowA),
          { text: ' : ' },
          stretch(b, rowB),
        ],
        about,
      ),
    ];
  });
}

/** A row whose columns are properties: each cell is told under its head, with what the row says it is given at. */
function rowUnderFields(line: SheetLine, head: TableHead, columns: readonly (Column | undefined)[], about: About) {
  const nameAt = columns.findIndex((c) => c?.is === 'property' || c?.is === 'product');
  const name = nameAt >= 0 ? line.cells[nameAt]?.text : undefined;
  const given = line.cells.flatMap((cell, index): Stretch[] => {
    const column = columns[index];
    if (column?.is !== 'given') return [];
    const unit = column.unit && /^[\d.,]+$/.test(cell.text) ? ` ${column.unit.id}` : '';
    return [{ text: ' at ' }, stretch(cell, line), { text: unit }];
  });
  return line.cells.flatMap((cell, index) => {
    const column = columns[index];
    if (column?.is !== 'field' || NOTHING.test(cell.text)) return [];
    const head_ = { text: column.cell.text, line: head.line, at: column.cell.at };
    const own = { ...about, ...ownerOf(name) };
    return [
      segmentOf([head_, { text: ': ' }, stretch(cell, line), ...given], {
        ...own,
        unit: labelUnit(column.cell.text) ?? undefined,
      }),
    ];
  });
}

/** The segments of a row under a head: one for each cell that holds a value. */
export function rowUnderHead(line: SheetLine, head: TableHead, about: About): Segment[] {
  const under = columnsUnder(head, line.cells);
  if (under === null) return [];
  const columns = under.map((at) => head.columns[at]);
  if (head.columns.slice(1).some((c) => c.is === 'field')) return rowUnderFields(line, head, columns, about);
  const [label] = line.cells;
  if (!label) return [];
  const ratio = ratioRow(line, columns, label, about);
  if (ratio) return [ratio];
  const unit = unitOfRow(line.cells, columns, label);
  return line.cells.flatMap((cell, index) => {
    const column = columns[index];
    const skipped = index === 0 || !isValue(column) || NOTHING.test(cell.text) || unitAlone(cell.text) !== null;
    if (skipped || METHOD_CELL.test(cell.text)) return [];
    const { stretches, own } = cellSegment(line, label, cell, column, head, about);
    const columnUnit = head.units[under[index] ?? -1] ?? null;
    return [segmentOf(stretches, { ...own, unit: unit ?? columnUnit ?? undefined })];
  });
}
