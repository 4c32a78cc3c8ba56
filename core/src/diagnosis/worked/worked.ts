import type { CauseId, SymptomKind } from '../../formats/vocabulary';
import type { History } from '../caseFacts';

/** One record argued by hand: what was done, what was seen, and why this cause must come first. */
export interface Worked {
  readonly because: string;
  readonly slug: string;
  readonly record: Record<string, unknown>;
  readonly seen: { readonly kind: SymptomKind; readonly pattern: string; readonly afterH?: number };
  readonly history?: History;
  readonly first: CauseId;
  /** The least share the argument deserves. */
  readonly atLeast: number;
  readonly notAbove?: readonly [CauseId, number];
}
