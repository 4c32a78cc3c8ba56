import type { SheetUnit } from './sheetUnits';

/** Which of the liquids a figure is of. */
export type Part = 'a' | 'b' | 'mixed' | 'cured';

/** Where a stretch of a segment's text comes from. */
interface Piece {
  readonly from: number;
  readonly length: number;
  readonly line: number;
  readonly at: number;
}

/** A temperature that a heading gives for the figures below it. */
export interface HeadingTemperature {
  /** °C. */
  readonly atC: number;
  readonly line: number;
  readonly text: string;
}

/** A stretch of a sheet that is read as one: a row of a table, a line, or a sentence that runs over several. */
export interface Segment {
  readonly text: string;
  readonly pieces: readonly Piece[];
  /** The unit that numbers without one have: from the label, a column of units, or the table's head. */
  readonly unit?: SheetUnit | undefined;
  /** The liquid that a column or a heading says it is of. */
  readonly part?: Part | undefined;
  /** The product whose column or block it stands in, where a sheet holds several. */
  readonly product?: string | undefined;
  /** The temperature that a heading says all below is at, and where it says so. */
  readonly heading?: HeadingTemperature | undefined;
  /** It stands under a heading of storage: no figure of use. */
  readonly stored?: boolean | undefined;
}

/** A stretch to be put into a segment; without a line it is a word of the reader's, not of the sheet's. */
export interface Stretch {
  readonly text: string;
  readonly line?: number;
  readonly at?: number;
}

/** Puts stretches one behind another. */
export function segmentOf(stretches: readonly Stretch[], about: Omit<Segment, 'text' | 'pieces'> = {}): Segment {
  let text = '';
  const pieces: Piece[] = [];
  for (const stretch of stretches) {
    if (stretch.line !== undefined)
      pieces.push({ from: text.length, length: stretch.text.length, line: stretch.line, at: stretch.at ?? 0 });
    text += stretch.text;
  }
  return { text, pieces, ...about };
}

/** The line that a place in a segment stands on, and where in it; null for a word of the reader's own. */
export function placeOf(segment: Segment, from: number): { line: number; at: number; room: number } | null {
  const piece = segment.pieces.find((p) => from >= p.from && from < p.from + p.length);
  if (!piece) return null;
  const into = from - piece.from;
  return { line: piece.line, at: piece.at + into, room: piece.length - into };
}
