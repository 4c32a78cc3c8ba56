import type { Evidence } from '../formats/diagnosis';
import type { CaseFacts } from './caseFacts';
import { likelihoodRatio } from './weight';

/** How often a figure or a yes of a record is wrong where none of it looks it. */
const FIGURE_ERROR_RATE = 0.006;
/** Figures of a record, and those that the rate counts for before a record is looked at. */
const FIGURES = 65;
/** Of figures that are mistyped, about so many are unlikely enough to be noticed. */
const NOTICED = 0.2;

/** How often a figure of this record is wrong: oftener the more of it is hardly likely. */
export function figureErrorRate({ doubts }: CaseFacts): number {
  const noticed = doubts.reduce((sum, d) => sum + (1 - (d.belief ?? 1)), 0);
  return Math.min(0.5, FIGURE_ERROR_RATE + noticed / NOTICED / FIGURES);
}

/** A likelihood ratio where the figure is wrong, and says nothing, with chance `e`. */
const tempered = (ratio: number, e: number): number => (ratio >= 1 ? ratio / (1 - e + e * ratio) : ratio);

/**
 * Evidence as far as it can be trusted where any figure may be mistyped: what one field says, by however many rules,
 * is bounded by the chance that the field is wrong, so that no single field carries a verdict to near certainty.
 */
export function withErrors(evidence: readonly Evidence[], errorRate: number): Evidence[] {
  const sums = new Map<string, number>();
  for (const { field, points } of evidence) sums.set(field, (sums.get(field) ?? 0) + points);
  return evidence.map((e) => {
    const sum = sums.get(e.field)!;
    if (sum === 0) return { ...e };
    return { ...e, points: (e.points * 10 * Math.log10(tempered(likelihoodRatio(sum), errorRate))) / sum };
  });
}
