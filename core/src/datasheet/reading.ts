import type { HeadingTemperature } from './segment';
import type { Conditions } from './statements';

/** What a sheet states for one field of a card, or one of several things it states. */
export interface SheetStatement {
  /** As in `warm-jar.product/1`. */
  readonly value: number | string | readonly string[];
  /** The format's own unit of this field; empty for a number without one and for words. */
  readonly unit: string;
  /** The line it stands on, counted from 1. */
  readonly line: number;
  /** The sheet's own figure, in the words as written. */
  readonly text: string;
  /** The temperature that it is given at, °C. */
  readonly atC?: number;
  /** The mass that it is given for, g. */
  readonly massG?: number;
}

/** A figure found on a data sheet, with the place in a card where it belongs. */
export interface SheetReading extends SheetStatement {
  readonly path: string;
  /** All that the sheet states for this field, where it states several. */
  readonly readings?: readonly SheetStatement[];
  /** They cannot all be right: two pot lives of one mass, or the two ratios against the densities. */
  readonly contradicts?: true;
}

/** A statement on its way into a card: where it goes, and what goes with it. */
export interface Candidate extends SheetStatement {
  readonly path: string;
  /** The ends of what was written, for a range; equal for a single figure. */
  readonly low: number;
  readonly high: number;
  /** Figures that are this statement's own: taken together with it or not at all. */
  readonly companions: readonly (SheetStatement & { path: string })[];
  readonly given?: Conditions;
  /** It says the same in words that are second choice for this field. */
  readonly second?: boolean;
  readonly bound: 'min' | 'max' | 'typical' | null;
  readonly product?: string | undefined;
  /** The heading that says at what temperature. */
  readonly heading?: HeadingTemperature;
}

/** What a rule makes of a statement: a value for a path, with the ends it was given. */
export interface Entry {
  readonly path: string;
  readonly value: number | string;
  readonly unit: string;
  readonly second?: boolean;
}
