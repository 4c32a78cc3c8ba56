import type { Evidence } from '../formats/diagnosis';
import type { CaseFacts } from './caseFacts';
import { likelihoodRatio } from './weight';

/** How often a figure of a record is wrong where none of it looks it. */
const FIGURE_ERROR_RATE = 0.006;
/** How often an answer or a word is: a yes for a no looks like any other yes. */
const WORD_ERROR_RATE = 0.012;
/** Figures of a record. */
const FIGURES = 65;
/** Of figures that are mistyped, about so many are unlikely enough to be noticed. */
const NOTICED = 0.2;

/** How much oftener figures and words of this record are wrong: the more of it is hardly likely. */
export function noticedErrorRate({ doubts }: CaseFacts): number {
  const noticed = doubts.reduce((sum, d) => sum + (1 - (d.belief ?? 1)), 0);
  return Math.min(0.4, noticed / NOTICED / FIGURES);
}

const errorRate = ({ measured }: Evidence, noticed: number): number =>
  noticed + (typeof measured === 'string' ? WORD_ERROR_RATE : FIGURE_ERROR_RATE);

/** A likelihood ratio where the figure is wrong, and says nothing, with chance `e`. */
const tempered = (ratio: number, e: number): number => (ratio >= 1 ? ratio / (1 - e + e * ratio) : ratio);

/**
 * Evidence as far as it can be trusted where any figure may be mistyped: what one field says, by however many rules,
 * is bounded by the chance that the field is wrong, so that no single field carries a verdict to near certainty.
 */
export function withErrors(evidence: readonly Evidence[], noticed: number): Evidence[] {
  const sums = new Map<string, number>();
  for (const { field, points } of evidence) sums.set(field, (sums.get(field) ?? 0) + points);
  return evidence.map((e) => {
    const sum = sums.get(e.field)!;
    if (sum === 0) return { ...e };
    return { ...e, points: (e.points * 10 * Math.log10(tempered(likelihoodRatio(sum), errorRate(e, noticed)))) / sum };
  });
}
