import type { OutlineKind } from '@warm-jar/core';

/** An outline is painted in so many cells across and down. */
export const CELLS = 12;

/** Whether a place in shares of an outline's frame lies on the casting. */
export function onOutline(kind: OutlineKind, x: number, y: number): boolean {
  const r = Math.hypot((x - 0.5) / 0.5, (y - 0.5) / 0.5);
  switch (kind) {
    case 'ellipse':
      return r <= 1;
    case 'ring':
      return r <= 1 && r >= 0.5;
    case 'drop':
      // A circle below, a tip that widens down to it above.
      return y >= 0.6
        ? Math.hypot((x - 0.5) / 0.5, (y - 0.66) / 0.34) <= 1
        : Math.abs(x - 0.5) <= 0.5 * (y / 0.6) ** 1.4;
    case 'rectangle':
    case 'plate':
      return true;
  }
}

/** Cells whose middle lies on the casting, row by row. */
export const cellsOf = (kind: OutlineKind): number[] =>
  Array.from({ length: CELLS * CELLS }, (_, i) => i).filter((i) => {
    const { x, y } = middleOf(i);
    return onOutline(kind, x, y);
  });

export const middleOf = (cell: number) => ({
  x: ((cell % CELLS) + 0.5) / CELLS,
  y: (Math.floor(cell / CELLS) + 0.5) / CELLS,
});

/** The share of the face that is painted; null where nothing is. */
export function paintedShare(kind: OutlineKind, cells: readonly number[]): number | null {
  const all = cellsOf(kind);
  const painted = cells.filter((c) => all.includes(c)).length;
  return painted === 0 ? null : Math.round((1000 * painted) / all.length) / 1000;
}

/** Between these, in shares, lies the middle. */
const THIRDS = [0.38, 0.62] as const;

/** Where the painted part lies, in words: `upper left`; empty where nothing is painted. */
export function whereWords(cells: readonly number[]): string {
  if (cells.length === 0) return '';
  const places = cells.map(middleOf);
  const mean = (key: 'x' | 'y') => places.reduce((s, p) => s + p[key], 0) / places.length;
  const third = (v: number, low: string, high: string) => {
    if (v < THIRDS[0]) return low;
    return v > THIRDS[1] ? high : '';
  };
  const words = [third(mean('y'), 'upper', 'lower'), third(mean('x'), 'left', 'right')].filter(Boolean).join(' ');
  return words || 'middle';
}
