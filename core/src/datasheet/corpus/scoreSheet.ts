import type { SheetReading } from '../reading';
import type { MadeUpSheet } from './sheetBuilder';

/** How a reading of a made-up sheet compares with what it states. */
export interface SheetScore {
  readonly stated: number;
  readonly found: number;
  readonly missed: readonly string[];
  readonly invented: readonly string[];
}

/** As near as the rounding of two units: of a figure, and of a temperature. */
const [WITHIN, WITHIN_K] = [0.012, 0.6];

function isSame(path: string, stated: unknown, read: unknown): boolean {
  if (typeof stated !== 'number' || typeof read !== 'number') return JSON.stringify(stated) === JSON.stringify(read);
  return Math.abs(stated - read) <= Math.max(/C$/.test(path) ? WITHIN_K : 0, WITHIN * Math.abs(stated));
}

/** Counts the figures found and those that the sheet does not state. */
export function scoreSheet(sheet: MadeUpSheet, readings: readonly SheetReading[]): SheetScore {
  const byPath = new Map(readings.map((r) => [r.path, r.value]));
  const paths = Object.keys(sheet.stated);
  const found = paths.filter((path) => byPath.has(path) && isSame(path, sheet.stated[path], byPath.get(path)));
  return {
    stated: paths.length,
    found: found.length,
    missed: paths.filter((path) => !found.includes(path)).map((p) => `${p} ${JSON.stringify(sheet.stated[p])}`),
    invented: readings
      .filter((r) => !found.includes(r.path))
      .map((r) => `${r.path} ${JSON.stringify(r.value)} "${r.text}"`),
  };
}
