import type { CauseId, SymptomKind } from '../../formats/vocabulary';

/**
 * A record set aside: written from the text of the causes and never used to choose a prior, a weight or a constant. A
 * record that a rule was changed for moves to the worked records and another takes its place.
 */
export interface HeldOut {
  readonly because: string;
  readonly slug: string;
  readonly record: Record<string, unknown>;
  readonly kind: SymptomKind;
  readonly pattern: string;
  readonly afterH: number;
  /** What it was: one cause, or two that both happened. */
  readonly was: readonly CauseId[];
}
