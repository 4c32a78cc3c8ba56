import type { CauseShare, Evidence, PlanChange } from '../formats/diagnosis';
import type { CauseId, Family, SymptomKind } from '../formats/vocabulary';
import type { CaseFacts } from './caseFacts';
import { CATALOGUE } from './catalogue';
import type { Cause } from './cause';
import { ratesHere, type HereRate } from './learnedPrior';
import { neighbourEvidence } from './neighbourEvidence';
import { outcomeEvidence } from './outcomeEvidence';
import { quickTestEvidence } from './quickTests';
import { memoize, memoizeText } from '../numeric/memoize';
import { likelihoodRatio } from './weight';
import { noticedErrorRate, withErrors } from './mistypedEvidence';
import { outcomesFor, turnedOut } from '../outcomes/turnedOut';
import { byText } from '../formats/byText';

/** Prior weight of everything the catalogue does not know, on the scale of the causes' own weights. */
export const SOMETHING_ELSE_PRIOR = 0.1;
/** Prior weight of a cause that the catalogue does not expect of this fault, and that it turned out to be. */
const UNEXPECTED_PRIOR = 0.1;
/** Less than this is no evidence worth a line, decibans. */
const MIN_POINTS = 0.05;
/** Beyond this many decibans either way a cause is as good as certain or excluded; more would only feign precision. */
const MAX_TOTAL_POINTS = 40;
/**
 * What a decibel of evidence is trusted for. The pieces were weighed one by one with caution; held against 5 000
 * made-up batches with a known cause, their sum had to count a little more for the shares to come true (bench/,
 * calibration).
 */
export const EVIDENCE_SCALE = 1.31;

/** A fault as a cause is known by it. */
interface FaultIn {
  readonly seen: { readonly kind: SymptomKind; readonly pattern: string };
  readonly product: { readonly family: Family };
}

/** Weight before the record is read: by symptom and pattern, and by how the family behaves. */
const priorOf = (cause: Cause, { seen, product }: FaultIn) =>
  (cause.prior[seen.kind]?.[seen.pattern as 'unspecified'] ?? 0) * (cause.familyFactor?.[product.family] ?? 1);

/** The causes that the catalogue knows to make a symptom and pattern in a family, whatever the record says. */
const knownToMakeIt = memoizeText((text): readonly Cause[] => {
  const [kind, family, pattern] = JSON.parse(text) as [SymptomKind, Family, string];
  const of = { seen: { kind, pattern }, product: { family } };
  return CATALOGUE.filter((c) => priorOf(c, of) > 0 && (!c.families || c.families.includes(family)));
}, 1_000);

/**
 * The causes that might have made a fault, in the catalogue's order: those that are known to make one like it in a
 * product of this family, and those that it turned out to be.
 */
export function causesInQuestion({ seen, product, batch }: CaseFacts): readonly Cause[] {
  const known = knownToMakeIt(JSON.stringify([seen.kind, product.family, seen.pattern]));
  if ((batch.outcome?.length ?? 0) === 0) return known;
  const { confirmed } = turnedOut(outcomesFor(batch, seen.kind, seen.casting));
  return CATALOGUE.filter((c) => known.includes(c) || confirmed.includes(c.id));
}

const isConfirmed = (cause: Cause, { batch, seen }: CaseFacts): boolean =>
  (batch.outcome?.length ?? 0) > 0 &&
  turnedOut(outcomesFor(batch, seen.kind, seen.casting)).confirmed.includes(cause.id);

/** Whether a cause in question could have made it by what the record says, or is what it turned out to be. */
export const isCandidate = (cause: Cause, facts: CaseFacts): boolean =>
  (priorOf(cause, facts) > 0 && (cause.applies?.(facts) ?? true)) || isConfirmed(cause, facts);

/** The causes that could make this symptom and pattern in this product, and one that it turned out to be. */
export const candidates: (facts: CaseFacts) => readonly Cause[] = memoize((facts: CaseFacts) =>
  causesInQuestion(facts).filter((cause) => isCandidate(cause, facts)),
);

/** The catalogue's shares before the record is read, `something-else` among them. */
export function cataloguePriors(facts: CaseFacts): Map<CauseId, number> {
  const weights = new Map<CauseId, number>(candidates(facts).map((c) => [c.id, priorOf(c, facts) || UNEXPECTED_PRIOR]));
  weights.set('something-else', SOMETHING_ELSE_PRIOR);
  const total = [...weights.values()].reduce((a, b) => a + b, 0);
  return new Map([...weights].map(([id, w]) => [id, w / total]));
}

const byLoudness = (a: Evidence, b: Evidence) => Math.abs(b.points) - Math.abs(a.points) || byText(a.field, b.field);

/** What the record says of a cause: any figure of it may be mistyped, so none is trusted to near certainty. */
function recordEvidence(cause: Cause, facts: CaseFacts): Evidence[] {
  const pieces = [...cause.evidence.map((rule) => rule(facts)), ...quickTestEvidence(cause.id, facts)];
  const scaled = pieces.flatMap((e) => (e === null ? [] : [{ ...e, points: e.points * EVIDENCE_SCALE }]));
  return withErrors(scaled, noticedErrorRate(facts));
}

/** A cause's evidence, what speaks loudest first. Pieces worth nothing are left out: they tell nothing. */
export function evidenceFor(cause: Cause, facts: CaseFacts): Evidence[] {
  const recorded = recordEvidence(cause, facts);
  const neighbours = neighbourEvidence(cause.id, facts, totalPoints(recorded));
  return [...recorded, ...neighbours, ...outcomeEvidence(cause.id, facts)]
    .filter((e) => Math.abs(e.points) >= MIN_POINTS)
    .sort(byLoudness);
}

export const totalPoints = (evidence: readonly Evidence[]): number =>
  Math.max(
    -MAX_TOTAL_POINTS,
    Math.min(
      MAX_TOTAL_POINTS,
      evidence.reduce((sum, e) => sum + e.points, 0),
    ),
  );

/** One cause as the ledger has it. */
export interface Weighed {
  readonly share: number;
  readonly evidence: Evidence[];
  readonly cause: Cause | null;
  readonly here: HereRate | undefined;
}

/**
 * Share of each cause by Bayes' rule, `prior × 10^(points/10)`, summing to 1 with `something-else` among them. The
 * prior is the catalogue's, moved by what the causes turned out to be in this studio. Worked out once for the same facts.
 */
export const shares: (facts: CaseFacts) => ReadonlyMap<CauseId, Weighed> = memoize(weighAll);

function weighAll(facts: CaseFacts): Map<CauseId, Weighed> {
  const own = sharesAsRead(facts);
  const { otherwise } = facts;
  if (!otherwise) return own;
  const other = sharesAsRead({ ...otherwise.facts, seen: facts.seen });
  const mixed = (id: CauseId, share: number) =>
    (1 - otherwise.chance) * share + otherwise.chance * (other.get(id)?.share ?? 0);
  const ids = new Map([...other].map(([id, w]) => [id, { ...w, share: 0 }]));
  for (const [id, w] of own) ids.set(id, w);
  return new Map([...ids].map(([id, w]) => [id, { ...w, share: mixed(id, w.share) }]));
}

function sharesAsRead(facts: CaseFacts): Map<CauseId, Weighed> {
  const priors = cataloguePriors(facts);
  const here = ratesHere(facts, priors);
  const all = [...candidates(facts), null].map((cause) => {
    const id = cause?.id ?? 'something-else';
    const evidence = cause ? (facts.evidence?.get(cause.id) ?? evidenceFor(cause, facts)) : outcomeEvidence(id, facts);
    const before = priors.get(id)! * (here.get(id)?.factor ?? 1);
    return { id, cause, evidence, before, after: before * likelihoodRatio(totalPoints(evidence)), here: here.get(id) };
  });
  const total = (of: 'before' | 'after') => all.reduce((sum, w) => sum + w[of], 0);
  const [priorTotal, recordTotal] = [total('before'), total('after')];
  const known = all.some(({ evidence }) => evidence.some((e) => e.field === 'outcome'));
  const astray = known ? 0 : RECORD_ASTRAY;
  const mixed = (before: number, after: number) =>
    (1 - astray) * (after / recordTotal) + astray * (before / priorTotal);
  return new Map(
    all.map(({ id, cause, evidence, here: rate, before, after }) => [
      id,
      { cause, evidence, here: rate, share: mixed(before, after) },
    ]),
  );
}

/**
 * How often a record as a whole leads astray: figures of another batch, a mistyped one that nothing shows, something
 * nobody thought of writing down. What it says then counts for nothing, so no record makes a cause certain.
 */
const RECORD_ASTRAY = 0.025;

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
    .map(([id, { share, evidence, cause, here }]) => ({
      id,
      share,
      ...(here ? { here } : {}),
      evidence: evidence.map(rounded),
      denied: isDenied(evidence),
      prevention: cause?.prevention(facts) ?? [],
      changes: cause ? changesOf(cause, facts) : [],
    }))
    .sort((a, b) => b.share - a.share || byText(a.id, b.id));
}

/** A planned change where the cause has one, else its first habit as words to keep to. */
function changesOf(cause: Cause, facts: CaseFacts): PlanChange[] {
  const planned = cause.change?.(facts);
  if (planned) return [planned];
  const habit = cause.prevention(facts)[0];
  return habit === undefined ? [] : [{ says: habit, set: {} }];
}

const rounded = (e: Evidence): Evidence => ({ ...e, points: Math.round(e.points * 10) / 10 });
