/** A run of letters on a page of a PDF: where it begins, from the left and from the top. */
export interface PageItem {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface Row {
  readonly y: number;
  readonly items: readonly PageItem[];
}

/** Of a letter's height: runs nearer than this to one line stand on it. */
const SAME_LINE = 0.5;
/** Of a letter's height: a gap that is a space, and one that parts two cells. */
const [SPACE, CELL] = [0.12, 0.8];
/** A column of running text is at least this share of the page wide, and goes on for this many lines. */
const [COLUMN_SHARE, COLUMN_LINES] = [0.3, 4];

function rowsOf(items: readonly PageItem[]): Row[] {
  const rows: { y: number; items: PageItem[] }[] = [];
  for (const item of [...items].sort((p, q) => p.y - q.y || p.x - q.x)) {
    const row = rows.at(-1);
    const isSame = row !== undefined && Math.abs(item.y - row.y) <= SAME_LINE * item.height;
    if (isSame) row.items.push(item);
    else rows.push({ y: item.y, items: [item] });
  }
  return rows.map((row) => ({ ...row, items: row.items.sort((p, q) => p.x - q.x) }));
}

interface Run {
  readonly text: string;
  readonly x: number;
  readonly end: number;
}

/** Runs of a row that belong together: cells of a table, or the whole of a line. */
function runsOf(row: Row): Run[] {
  const runs: { text: string; x: number; end: number }[] = [];
  for (const item of row.items) {
    const run = runs.at(-1);
    const gap = run ? item.x - run.end : Number.POSITIVE_INFINITY;
    if (!run || gap > CELL * item.height) runs.push({ text: item.text, x: item.x, end: item.x + item.width });
    else {
      const space = gap > SPACE * item.height && !/\s$/.test(run.text) && !/^\s/.test(item.text) ? ' ' : '';
      run.text += space + item.text;
      run.end = Math.max(run.end, item.x + item.width);
    }
  }
  return runs.filter((run) => run.text.trim() !== '');
}

const median = (values: readonly number[]): number =>
  values.length === 0 ? 0 : [...values].sort((p, q) => p - q)[Math.floor(values.length / 2)]!;

/** A row as a line whose letters stand where they stand on the page, so that columns stay columns. */
function lineOf(runs: readonly Run[], letterWidth: number): string {
  return runs.reduce((line, run) => {
    const at = Math.round(run.x / letterWidth);
    const gap = line === '' ? at : Math.max(2, at - line.length);
    return line + ' '.repeat(gap) + run.text.trim();
  }, '');
}

/**
 * Where two columns of running text part, or null: the same free strip through many lines, wide words on both sides.
 */
function gutterOf(rows: readonly (readonly Run[])[], left: number, right: number): number | null {
  const width = right - left;
  const pairs = rows.filter((runs) => runs.length === 2);
  const isWide = (run: Run) => run.end - run.x >= COLUMN_SHARE * width;
  const wide = pairs.filter(([one, two]) => isWide(one!) && isWide(two!));
  if (wide.length < COLUMN_LINES || wide.length < pairs.length / 2) return null;
  const starts = wide.map(([, two]) => two!.x);
  const at = median(starts);
  return starts.filter((x) => Math.abs(x - at) < width * 0.02).length >= COLUMN_LINES ? at : null;
}

/** Lines of a page with two columns: above them, the left one, the right one, below them. */
function inColumns(rows: readonly (readonly Run[])[], gutter: number): Run[][] {
  const isSplit = (runs: readonly Run[]) => runs.every((run) => run.end <= gutter || run.x >= gutter - 1);
  const [first, last] = [
    rows.findIndex((r) => r.length === 2 && isSplit(r)),
    rows.findLastIndex((r) => r.some((run) => run.x >= gutter - 1)),
  ];
  const middle = rows.slice(first, last + 1);
  const side = (right: boolean) =>
    middle.map((runs) => runs.filter((run) => run.x >= gutter - 1 === right)).filter((runs) => runs.length > 0);
  return [...rows.slice(0, first), ...side(false), [], ...side(true), [], ...rows.slice(last + 1)].map((r) => [...r]);
}

/**
 * A page's words as lines in reading order, cells of a table apart by two spaces or more and under one another.
 * @param items the page's runs of letters; y grows downwards, all in one unit
 */
export function pageLines(items: readonly PageItem[]): string[] {
  const letters = items.filter((item) => item.text.trim() !== '' && item.height > 0);
  if (letters.length === 0) return [];
  const left = Math.min(...letters.map((i) => i.x));
  const right = Math.max(...letters.map((i) => i.x + i.width));
  const letterWidth = Math.max(1e-3, median(letters.map((i) => i.width / i.text.length)));
  const rows = rowsOf(letters);
  const runs = rows.map(runsOf);
  const gutter = gutterOf(runs, left, right);
  const ordered = gutter === null ? withGaps(rows, runs) : inColumns(runs, gutter);
  return ordered.map((row) =>
    lineOf(
      row.map((run) => ({ ...run, x: run.x - left })),
      letterWidth,
    ),
  );
}

/** A blank line where the page leaves the room of one. */
function withGaps(rows: readonly Row[], runs: readonly (readonly Run[])[]): Run[][] {
  return runs.flatMap((row, index) => {
    const [above, here] = [rows[index - 1], rows[index]!];
    const height = here.items[0]?.height ?? 0;
    const isApart = above !== undefined && here.y - above.y > 2.2 * height;
    return isApart ? [[], [...row]] : [[...row]];
  });
}
