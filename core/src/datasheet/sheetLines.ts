/** One cell of a line: its words, and where in the line they stand. */
export interface Cell {
  readonly text: string;
  readonly at: number;
}

/** One line of a sheet as read: the same length as it was written, signs made alike. */
export interface SheetLine {
  /** Counted from 1. */
  readonly number: number;
  readonly written: string;
  readonly text: string;
  readonly cells: readonly Cell[];
}

/** Signs that are written in several ways; each becomes one letter, so that places in a line stay places. */
const ALIKE: readonly (readonly [RegExp, string])[] = [
  [/(?<=\d)[\u00a0\u202f](?=\d{3})/g, '\u2009'],
  [/[\u00a0\u202f\u2002\u2003]/g, ' '],
  [/[‐‑‒–—−]/g, '-'],
  [/[“”„″]/g, '"'],
  [/[’‘′]/g, "'"],
  [/[∶：]/g, ':'],
  [/º/g, '°'],
  [/µ/g, 'μ'],
];
const LIGATURES: readonly (readonly [string, string])[] = [
  ['ﬁ', 'fi'],
  ['ﬂ', 'fl'],
  ['ﬀ', 'ff'],
  ['ﬃ', 'ffi'],
  ['ﬄ', 'ffl'],
];

const alike = (text: string) => ALIKE.reduce((words, [from, to]) => words.replaceAll(from, to), text);

/** Between two cells: a tab each, a bar, leaders of dots, or at least two spaces. */
const GAP = /[^\S\t]*\t[^\S\t]*|\s*\|[^\S|]*|\s*[.·_…]{3,}\s*|\s*…\s*|\s{2,}/g;
const BULLET = /^\s*(?:[•▪●◦‣*·]|-(?=\s)|o(?=\s{2,}))\s*/;

/** The cells of a line. Empty cells of a line with tabs or bars stay, so that columns stay columns. */
export function cellsOf(text: string): Cell[] {
  const start = BULLET.exec(text)?.[0].length ?? 0;
  const cells: Cell[] = [];
  let from = start;
  const push = (to: number) => {
    const words = text.slice(from, to);
    const lead = words.length - words.trimStart().length;
    cells.push({ text: words.trim(), at: from + lead });
  };
  for (const gap of text.slice(start).matchAll(GAP)) {
    push(start + gap.index);
    from = start + gap.index + gap[0].length;
  }
  push(text.length);
  const ruled = /[\t|]/.test(text);
  const inner = text.trim().startsWith('|') ? cells.slice(1) : cells;
  const kept = text.trim().endsWith('|') ? inner.slice(0, -1) : inner;
  return ruled ? kept : kept.filter((cell) => cell.text !== '');
}

/** The lines of a sheet in reading order, with the blank ones between them. */
export function sheetLines(text: string): SheetLine[] {
  const joined = LIGATURES.reduce((words, [from, to]) => words.replaceAll(from, to), text);
  return joined.split(/\r\n|[\r\n\f\v\u2028]/).map((written, index) => {
    const line = alike(written);
    return { number: index + 1, written, text: line, cells: cellsOf(line) };
  });
}
