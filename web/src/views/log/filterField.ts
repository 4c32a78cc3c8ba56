import type { Filter } from './logQuery';

/** A filter of the log as it is asked for: a list to choose from, a day, or words. */
export interface FilterField {
  readonly filter: Filter;
  readonly words: string;
  readonly options?: readonly { readonly value: string; readonly words: string }[];
  /** A list that is searched, not read through. */
  readonly long?: boolean;
  readonly day?: boolean;
  readonly placeholder?: string;
  /** What it is called where its short word alone would not say. */
  readonly label?: string;
}
