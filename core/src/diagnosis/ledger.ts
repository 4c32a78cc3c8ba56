import type { CauseShare, Evidence, PlanChange } from '../formats/diagnosis';
import type { CauseId } from '../formats/vocabulary';
import type { CaseFacts } from './caseFacts';
import { CATALOGUE } from './catalogue';
import type { Cause } from './cause';
import { quickTestEvidence } from './quickTests';
import { likelihoodRatio } from './weight';

/** Prior weight of everything the catalogue does not know, on the scale of the causes' own weights. */
export const SOMETHING_ELSE_PRIOR = 0.1;
/** Less than this is no evidence worth a line, decibans. */
const MIN_POINTS = 0.05;
/** Beyond this many decibans either way a cause is as good as certain or excluded; more would only feign precision. */
const MAX_TOTAL_POINTS = 40;
/**
 * What a decibel of evidence is trusted for. The pieces were weighed one by one with caution; held against 5 000
 * made-up batches with a known cause, their sum had to count a little more for the shares to come true (bench/,
 * calibration).
 */
export const EVIDENCE_SCALE = 1.3;

/** Weight before the record is read: by symptom and pattern, and by how the family behaves. */
const priorOf = (cause: Cause, { seen, product }: CaseFacts) =>
  (cause.prior[seen.kind]?.[seen.pattern as 'unspecified'] ?? 0) * (cause.familyFactor?.[product.family] ?? 1);

/** The causes that could make this symptom and pattern in this product. */
export function candidates(facts: CaseFacts): Cause[] {
  return CATALOGUE.filter(
    (cause) =>
      priorOf(cause, facts) > 0 &&
      (!cause.families || cause.families.includes(facts.product.family)) &&
      (cause.applies?.(facts) ?? true),
  );
}

/** A cause's evidence, what speaks loudest first. Pieces worth nothing are left out: they tell nothing. */
export function evidenceFor(cause: Cause, facts: CaseFacts): Evidence[] {
  return [...cause.evidence.map((rule) => rule(facts)), ...quickTestEvidence(cause.id, facts)]
    .flatMap((e): Evidence[] =>
      e === null || Math.abs(e.points) < MIN_POINTS ? [] : [{ ...e, points: e.points * EVIDENCE_SCALE }],
    )
    .sort((a, b) => Math.abs(b.points) - Math.abs(a.points) || a.field.localeCompare(b.field));
}

export const totalPoints = (evidence: readonly Evidence[]): number =>
  Math.max(
    -MAX_TOTAL_POINTS,
    Math.min(
      MAX_TOTAL_POINTS,
      evidence.reduce((sum, e) => sum + e.points, 0),
    ),
  );

/** Share of each cause by Bayes' rule, `prior × 10^(points/10)`, summing to 1 with `something-else` among them. */
export function shares(facts: CaseFacts): Map<CauseId, { share: number; evidence: Evidence[]; cause: Cause | null }> {
  const weighed = candidates(facts).map((cause) => {
    const evidence = evidenceFor(cause, facts);
    return { id: cause.id, cause, evidence, weight: priorOf(cause, facts) * likelihoodRatio(totalPoints(evidence)) };
  });
  const all = [...weighed, { id: 'something-else' as const, cause: null, evidence: [], weight: SOMETHING_ELSE_PRIOR }];
  const total = all.reduce((sum, w) => sum + w.weight, 0);
  return new Map(all.map(({ id, cause, evidence, weight }) => [id, { share: weight / total, evidence, cause }]));
}

/** Against a cause from here on the record speaks plainly, decibans. */
const PLAINLY_AGAINST = -5;
/** Less than this for it is nothing, decibans. */
const NOTHING_FOR = 1;

/** Whether the record speaks plainly against a cause and nothing in it for the cause. */
const isDenied = (evidence: readonly Evidence[]): boolean =>
  evidence.some((e) => e.points <= PLAINLY_AGAINST) && evidence.every((e) => e.points < NOTHING_FOR);

/** The ledger of one symptom: its causes, likeliest first, each with its evidence and what would prevent it. */
export function rankCauses(facts: CaseFacts): CauseShare[] {
  return [...shares(facts)]
    .map(([id, { share, evidence, cause }]) => ({
      id,
      share,
      evidence: evidence.map(rounded),
      denied: isDenied(evidence),
      prevention: cause?.prevention(facts) ?? [],
      changes: cause ? changesOf(cause, facts) : [],
    }))
    .sort((a, b) => b.share - a.share || a.id.localeCompare(b.id));
}

/** A planned change where the cause has one, else its first habit as words to keep to. */
function changesOf(cause: Cause, facts: CaseFacts): PlanChange[] {
  const planned = cause.change?.(facts);
  if (planned) return [planned];
  const habit = cause.prevention(facts)[0];
  return habit === undefined ? [] : [{ says: habit, set: {} }];
}

const rounded = (e: Evidence): Evidence => ({ ...e, points: Math.round(e.points * 10) / 10 });
