import type { TermPicture } from './termPicture';

/** A word of the application, explained once. */
export interface Term {
  readonly id: string;
  readonly term: string;
  /** What it means here, in a few sentences. */
  readonly says: string;
  readonly picture?: TermPicture;
  /** Fields of a card or a batch that it is the word for, as beginnings of their paths. */
  readonly fields?: readonly string[];
}
