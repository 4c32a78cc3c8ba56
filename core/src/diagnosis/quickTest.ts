import type { CauseId } from '../formats/vocabulary';
import type { CaseFacts } from './caseFacts';

/** One way a quick test may come out: how often before anything is known, and what it says of each cause, decibans. */
export interface TestOutcome {
  readonly id: string;
  readonly words: string;
  readonly base: number;
  readonly points: Partial<Record<CauseId, number>>;
}

/** Something to do at the bench in a few minutes that tells causes apart. */
export interface QuickTest {
  readonly id: string;
  readonly title: string;
  readonly how: string;
  readonly why: string;
  readonly caution: string | null;
  /** Minutes until it has answered. */
  readonly effortMin: (facts: CaseFacts) => number;
  /** Whether it tells anything of this symptom in this product. */
  readonly fits: (facts: CaseFacts) => boolean;
  readonly outcomes: readonly TestOutcome[];
}
