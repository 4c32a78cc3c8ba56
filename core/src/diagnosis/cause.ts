import type { Family, Pattern, SymptomKind, CauseId } from '../formats/vocabulary';
import type { PlanChange } from '../formats/diagnosis';
import type { CaseFacts } from './caseFacts';
import type { MaybeEvidence } from './evidence';

/** Weights by pattern within a symptom; a pattern that is not listed is one this cause does not make. */
export type PatternWeights = Partial<Record<SymptomKind, Partial<Record<Pattern, number>>>>;

/** A cause of the catalogue: data, and small functions from the record to evidence. Adding one touches one file. */
export interface Cause {
  readonly id: CauseId;
  /** What a technician would call it, fit to stand after "because of". */
  readonly title: string;
  /** Families in which it can happen; all where it is absent. */
  readonly families?: readonly Family[];
  /** Relative frequency before the record is read, among the causes of the same symptom and pattern. */
  readonly prior: PatternWeights;
  /** How much more or less often than `prior` it happens in a family; 1 where a family is not listed. */
  readonly familyFactor?: Partial<Record<Family, number>>;
  /** Whether it can have happened at all to this product; true where absent. */
  readonly applies?: (facts: CaseFacts) => boolean;
  readonly evidence: readonly ((facts: CaseFacts) => MaybeEvidence)[];
  readonly prevention: (facts: CaseFacts) => string[];
  /** What of it the plan of the next batch can be given; the rest is habit, and stays words. */
  readonly change?: (facts: CaseFacts) => PlanChange | null;
}
