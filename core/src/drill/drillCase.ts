import { recordFacts, type CaseFacts, type History } from '../diagnosis/caseFacts';
import { CATALOGUE } from '../diagnosis/catalogue';
import { candidates, shares } from '../diagnosis/ledger';
import { explainedTogether } from '../diagnosis/together';
import type { Batch } from '../formats/batch';
import { CoreError } from '../formats/errors';
import type { DrillCase, DrillLevel } from '../formats/drill';
import { PATTERNS_BY_SYMPTOM, type CauseId, type Family, type SymptomKind } from '../formats/vocabulary';
import { chanceApart, type Chance } from '../simulation/chance';
import { hiddenCase, type HiddenCase, type HiddenCaseOptions } from '../simulation/hiddenCase';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { wordsIn, type Say } from '../units/wording';

/** What a drill is wanted of: a family, or two causes that somebody took for each other. */
export interface DrillWish {
  readonly family?: Family | undefined;
  readonly confused?: { readonly cause: CauseId; readonly takenFor: CauseId } | undefined;
}

/** A cause that leads by this much on the whole record is plain. */
const PLAIN = 0.75;
/** Two look alike while the record leaves each at least so much. */
const ALIKE = 0.18;

interface Level {
  readonly made: HiddenCaseOptions;
  /** Whether a case is one of this level. */
  readonly isOne: (facts: CaseFacts, truth: readonly CauseId[]) => boolean;
}

const shareIn = (facts: CaseFacts, id: CauseId) => shares(facts).get(id)?.share ?? 0;

function isBetweenTwo(facts: CaseFacts, [cause]: readonly CauseId[]): boolean {
  if (cause === undefined || cause === 'something-else') return false;
  const others = [...shares(facts)].filter(([id]) => id !== cause && id !== 'something-else');
  return shareIn(facts, cause) >= ALIKE && Math.max(...others.map(([, w]) => w.share), 0) >= ALIKE;
}

function isBoth(facts: CaseFacts, truth: readonly CauseId[]): boolean {
  const both = explainedTogether(facts)?.ids;
  return both !== undefined && truth.every((id) => both.includes(id));
}

const LEVELS: Readonly<Record<DrillLevel, Level>> = {
  1: {
    made: { maxGaps: 0, besideRate: 0 },
    isOne: (facts, truth) => truth[0] !== 'something-else' && shareIn(facts, truth[0]!) >= PLAIN,
  },
  2: { made: { missing: 0.33 }, isOne: () => true },
  3: { made: { maxGaps: 0.5 }, isOne: isBetweenTwo },
  4: { made: { maxGaps: 0, besideRate: 0, two: true }, isOne: isBoth },
  5: { made: { missing: 0.25, mistyped: 0.08 }, isOne: () => true },
};

const slugsOf = (family: Family | undefined) =>
  family === undefined ? {} : { slugs: SALTMARSH_CARDS.filter((c) => c.family === family).map((c) => c.slug) };

/** Whether somebody can see how it lies: a pattern is named, or the symptom has only one. */
const isSeen = ({ kind, pattern }: { readonly kind: SymptomKind; readonly pattern: string }) =>
  pattern !== 'unspecified' || PATTERNS_BY_SYMPTOM[kind].length === 1;

/** Symptoms that two causes both make, by how often the rarer of them does. */
export function sharedShowings(a: CauseId, b: CauseId): { kind: SymptomKind; pattern: string; weight: number }[] {
  const [one, other] = [a, b].map((id) => CATALOGUE.find((c) => c.id === id)?.prior ?? {});
  return Object.entries(one!).flatMap(([kind, patterns]) =>
    Object.entries(patterns).flatMap(([pattern, weight]) => {
      const there = other![kind as SymptomKind]?.[pattern as 'unspecified'];
      const showing = { kind: kind as SymptomKind, pattern };
      return there === undefined || !isSeen(showing) ? [] : [{ ...showing, weight: Math.min(weight, there) }];
    }),
  );
}

/** What is drawn for two causes that were confused: either of them, showing what both make. */
function confusedOptions(chance: Chance, { confused }: DrillWish): HiddenCaseOptions {
  if (!confused) return {};
  const both = sharedShowings(confused.cause, confused.takenFor);
  if (both.length === 0) return {};
  const { kind, pattern } = chance.weighted(both, (s) => s.weight);
  const cause = chance.flip(0.5) ? confused.cause : confused.takenFor;
  return { showing: { kind, pattern }, ...(cause === 'something-else' ? {} : { cause }) };
}

/** The four that most casts fail by; the others are drilled as well, but seldomer. */
const MAIN_KINDS: ReadonlySet<SymptomKind> = new Set(['bubbles', 'tacky', 'yellowing', 'soft']);
const OTHERS_KEPT = 0.3;

/** With fewer causes in question there is nothing to tell apart. */
const LEAST_CAUSES = 3;

/** A level's case is found within some dozen tries; the last that could be made stands in where none is. */
const MOST_TRIES = 120;

function tried(make: () => HiddenCase): HiddenCase | null {
  try {
    return make();
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
}

/** One try at a case of a level; null where it is none that could be drilled. */
function drawnFor(chance: Chance, { made }: Level, wish: DrillWish): HiddenCase | null {
  const options = { ...made, ...slugsOf(wish.family), ...confusedOptions(chance, wish) };
  const drawn = tried(() => hiddenCase(chance, options));
  if (!drawn || !isSeen(drawn.seen)) return null;
  return wish.confused || MAIN_KINDS.has(drawn.seen.kind) || chance.flip(OTHERS_KEPT) ? drawn : null;
}

/** Whether both of a pair that was confused could be it: in some families one of them never is. */
function tellsApart(facts: CaseFacts, truth: readonly CauseId[], { confused }: DrillWish): boolean {
  if (!confused) return true;
  const there = new Set([...candidates(facts).map((c) => c.id), ...truth]);
  return there.has(confused.cause) && there.has(confused.takenFor);
}

/**
 * The search for a drill's batch, a try at a time, so that whoever has other things to do can do them in between: one
 * takes some milliseconds, and there may be many.
 * @returns the batch, once there is one
 * @throws CoreError `out-of-range` where none can be made so
 */
export function* drillSearch(seed: number, level: DrillLevel, wish: DrillWish = {}): Generator<void, DrillCase> {
  const chance = chanceApart(seed, level);
  const { isOne } = LEVELS[level];
  let last: HiddenCase | null = null;
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    yield;
    const drawn = drawnFor(chance, LEVELS[level], wish);
    if (!drawn) continue;
    // By the record alone: what earlier batches say is asked for.
    const facts = drillFacts(drawn, { batch: drawn.batch, history: {} });
    const tells = tellsApart(facts, truthOf(drawn), wish);
    if (last === null || tells) last = drawn;
    if (tells && candidates(facts).length >= LEAST_CAUSES && isOne(facts, truthOf(drawn))) break;
  }
  if (!last) throw new CoreError('out-of-range', 'No batch could be made for this drill. Ask for another.', 'family');
  const { product, history, seen } = last;
  const [batch, lived] = [last.batch, last.lived].map((b) => onePart(product, b)) as [Batch, Batch];
  return { seed, level, product, batch, lived, history, seen, truth: truthOf(last) };
}

/**
 * A made-up batch for a drill: spoiled by a cause that its level allows, of a family or a pair of causes where one is
 * wished for. The same seed gives the same batch.
 * @throws CoreError `out-of-range` where no batch can be made so
 */
export function drillCase(seed: number, level: DrillLevel, wish: DrillWish = {}): DrillCase {
  const search = drillSearch(seed, level, wish);
  for (let step = search.next(); ; step = search.next()) if (step.done) return step.value;
}

/** A record of what a lamp cures says nothing of a second part. */
const onePart = (product: HiddenCase['product'], batch: Batch): Batch =>
  product.family === 'uv-acrylate'
    ? { ...batch, lotB: null, resin: batch.resin && { ...batch.resin, temperatureBC: null } }
    : batch;

const truthOf = ({ cause, also }: HiddenCase): CauseId[] => [cause, ...(also === null ? [] : [also])];

/** The facts of a drill as the ledger reads them, with what is known of the past. */
export const drillFacts = (
  { product, seen }: Pick<DrillCase, 'product' | 'seen'>,
  known: { readonly batch: DrillCase['batch']; readonly history: History },
  say: Say = wordsIn(),
): CaseFacts => ({ ...recordFacts(product, known.batch, say, known.history), seen });
