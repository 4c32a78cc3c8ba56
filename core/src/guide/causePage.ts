import { recordFacts, type CaseFacts } from '../diagnosis/caseFacts';
import { CATALOGUE } from '../diagnosis/catalogue';
import type { Cause } from '../diagnosis/cause';
import { evidenceFor } from '../diagnosis/ledger';
import { mendFor } from '../diagnosis/mending/mend';
import type { QuickTest, TestOutcome } from '../diagnosis/quickTest';
import { QUICK_TESTS } from '../diagnosis/quickTests';
import { fieldLabel } from '../limits/fieldLabels';
import { CoreError } from '../formats/errors';
import type { CausePage } from '../formats/guidePage';
import { FAMILIES, PATTERNS_BY_SYMPTOM, type CauseId, type Family, type SymptomKind } from '../formats/vocabulary';
import { memoize } from '../numeric/memoize';
import { chanceFrom, type Chance } from '../simulation/chance';
import { hiddenCase } from '../simulation/hiddenCase';
import { wordsIn, type Say } from '../units/wording';
import { CAUSES_OF_THE_MIX } from './causesOfTheMix';
import { CAUSES_OF_THE_MOULD } from './causesOfTheMould';
import type { CauseWords, GuidedCause } from './causeWords';
import { byText } from '../formats/byText';

type Showing = CausePage['shows'][number];
type Speaks = CausePage['speaks'][number];
type TellingTest = CausePage['tests'][number];
type Neighbour = CausePage['neighbours'][number];

const WORDS: Readonly<Record<GuidedCause, CauseWords>> = { ...CAUSES_OF_THE_MIX, ...CAUSES_OF_THE_MOULD };
/** Every cause that has a page, in the order of the catalogue. */
export const GUIDED_CAUSES: readonly GuidedCause[] = CATALOGUE.map((c) => c.id as GuidedCause);

const causeOf = (id: GuidedCause): Cause => CATALOGUE.find((c) => c.id === id)!;

/** What a cause shows itself by, likeliest first. */
function showsOf({ prior }: Cause): Showing[] {
  const all = Object.entries(prior).flatMap(([kind, patterns]) =>
    Object.entries(patterns).map(([pattern, weight]) => ({ kind: kind as SymptomKind, pattern, weight })),
  );
  const total = all.reduce((sum, s) => sum + s.weight, 0);
  return all
    .map(({ kind, pattern, weight }) => ({ kind, pattern, share: weight / total }))
    .sort((a, b) => b.share - a.share || byText(a.pattern, b.pattern));
}

/** Made-up batches that a page is worked out from, all written down whole. */
const [EXAMPLES, SEED] = [8, 20270318];

/** A symptom drawn as the cause makes it; a named pattern where it has one. */
function shownBy(cause: Cause, chance: Chance): Showing {
  const shows = showsOf(cause);
  const named = shows.filter((s) => s.pattern !== 'unspecified');
  return chance.weighted(named.length > 0 ? named : shows, (s) => s.share);
}

/** Batches of the made-up studio spoiled by one cause, as the ledger reads them. */
const examplesOf: (cause: Cause) => readonly CaseFacts[] = memoize((cause: Cause) => {
  const chance = chanceFrom(SEED + GUIDED_CAUSES.indexOf(cause.id as GuidedCause));
  const all: CaseFacts[] = [];
  // Which symptoms the studio's products can show it by is found by trying.
  for (let tries = 0; all.length < EXAMPLES && tries < 20 * EXAMPLES; tries += 1) {
    const { kind, pattern } = shownBy(cause, chance);
    try {
      const made = hiddenCase(chance, { maxGaps: 0, besideRate: 0, cause: cause.id, showing: { kind, pattern } });
      all.push({ ...recordFacts(made.product, made.batch, wordsIn(), made.history), seen: made.seen });
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
    }
  }
  return all;
});

/** Fields that speak for a cause in fewer of its examples than this say little of it in general. */
const LEAST_SHARE = 0.25;
/** Less than this is not worth a line, decibans. */
const LEAST_POINTS = 1.5;

const speaksOf: (cause: Cause) => Speaks[] = memoize((cause: Cause) => {
  const examples = examplesOf(cause);
  const points = new Map<string, number[]>();
  for (const facts of examples)
    for (const e of evidenceFor(cause, facts))
      if (e.points > 0 && !e.field.startsWith('checks'))
        points.set(e.field, [...(points.get(e.field) ?? []), e.points]);
  return [...points]
    .filter(([, all]) => all.length >= LEAST_SHARE * examples.length)
    .map(([field, all]) => ({
      field,
      label: fieldLabel(field),
      points: all.reduce((a, b) => a + b, 0) / all.length,
    }))
    .filter((s) => s.points >= LEAST_POINTS)
    .sort((a, b) => b.points - a.points || byText(a.field, b.field));
});

/** A test that says less than this of a cause is not named for it, decibans. */
const TELLING_POINTS = 3;

/** The outcome of a test that speaks loudest for one cause, held against another where one is given; null for none. */
function telling(
  { outcomes }: QuickTest,
  cause: CauseId,
  against?: CauseId,
): { outcome: TestOutcome; points: number } | null {
  const of = ({ points }: TestOutcome, id: CauseId) => points[id] ?? 0;
  const [loudest] = outcomes
    .map((outcome) => ({
      outcome,
      own: of(outcome, cause),
      points: of(outcome, cause) - (against === undefined ? 0 : of(outcome, against)),
    }))
    // What only speaks against the other is no sign of this one.
    .filter(({ own, points }) => own > 0 && points >= TELLING_POINTS)
    .sort((a, b) => b.points - a.points);
  return loudest ?? null;
}

const testsOf = (cause: Cause): TellingTest[] => {
  const examples = examplesOf(cause);
  return QUICK_TESTS.filter((test) => examples.some((facts) => test.fits(facts)))
    .flatMap((test) => {
      const told = telling(test, cause.id);
      return told ? [{ test, ...told }] : [];
    })
    .sort((a, b) => b.points - a.points)
    .map(({ test: { id, title, how, caution }, outcome }) => ({ id, title, how, caution, says: outcome.words }));
};

const inFamilies = (cause: Cause) => new Set<Family>(cause.families ?? FAMILIES);

/** How far two causes show themselves alike, 0 to 1. */
function likeness(a: Cause, b: Cause): number {
  const [mine, other] = [showsOf(a), showsOf(b)];
  const shared = [...inFamilies(a)].filter((f) => inFamilies(b).has(f)).length / inFamilies(a).size;
  // Where a symptom has patterns, one that nobody named says little.
  const says = ({ kind, pattern }: Showing) => pattern !== 'unspecified' || PATTERNS_BY_SYMPTOM[kind].length === 1;
  const same = mine.map(
    (s) => (says(s) && other.find((o) => o.kind === s.kind && o.pattern === s.pattern)?.share) || 0,
  );
  return shared * mine.reduce((sum, s, i) => sum + Math.min(s.share, same[i]!), 0);
}

/** As many neighbours as a page tells apart, and tests for each. */
const [NEIGHBOURS, TESTS_EACH] = [2, 2];

function neighbourOf(cause: Cause, other: Cause): Neighbour {
  const [mine, theirs] = [speaksOf(cause), speaksOf(other)];
  const alone = (some: readonly Speaks[], others: readonly Speaks[]) =>
    some.filter((s) => !others.some((o) => o.field === s.field)).map((s) => s.label);
  const tests = QUICK_TESTS.filter((test) => examplesOf(cause).some((facts) => test.fits(facts)))
    .flatMap((test) => {
      const here = telling(test, cause.id, other.id);
      return here ? [{ title: test.title, here, there: telling(test, other.id, cause.id) }] : [];
    })
    .sort((a, b) => b.here.points + (b.there?.points ?? 0) - a.here.points - (a.there?.points ?? 0))
    .slice(0, TESTS_EACH)
    .map(({ title, here, there }) => ({ title, here: here.outcome.words, there: there?.outcome.words ?? null }));
  return {
    id: other.id,
    title: other.title,
    tests,
    here: alone(mine, theirs),
    there: alone(theirs, mine),
  };
}

/** The causes most easily taken for one, nearest first. */
export function nearestCauses(id: GuidedCause, most = NEIGHBOURS): GuidedCause[] {
  const cause = causeOf(id);
  return CATALOGUE.filter((c) => c !== cause)
    .map((c) => ({ id: c.id as GuidedCause, like: likeness(cause, c) }))
    .filter((c) => c.like > 0)
    .sort((a, b) => b.like - a.like || byText(a.id, b.id))
    .slice(0, most)
    .map((c) => c.id);
}

/** The four main symptoms. */
const MAIN_KINDS: ReadonlySet<SymptomKind> = new Set(['bubbles', 'tacky', 'yellowing', 'soft']);
/** The example that says most in general: of a resin, of a main symptom, showing what the cause shows most. */
function plainest(cause: Cause): CaseFacts | undefined {
  const shows = showsOf(cause);
  const rank = ({ product, seen }: CaseFacts) =>
    (product.family === 'silicone' ? 2 : 0) +
    (MAIN_KINDS.has(seen.kind) ? 0 : 1) -
    (shows.find((s) => s.kind === seen.kind && s.pattern === seen.pattern)?.share ?? 0);
  return [...examplesOf(cause)].sort((a, b) => rank(a) - rank(b))[0];
}

/**
 * A cause's page of the guide, worked out of the catalogue that also argues: what it shows, which fields speak for it
 * in made-up batches that it spoiled, which tests tell it from its neighbours, and what mends and prevents it there.
 * @param say wording of figures, in the units that people chose
 */
export function causePage(id: GuidedCause, say: Say = wordsIn()): CausePage {
  const cause = causeOf(id);
  const example = plainest(cause);
  if (!example) throw new CoreError('out-of-range', `No batch could be made that ${id} spoils.`, 'id');
  const facts = { ...example, say };
  return {
    id,
    title: cause.title,
    ...WORDS[id],
    shows: showsOf(cause),
    families: cause.families ? [...cause.families] : null,
    speaks: speaksOf(cause),
    tests: testsOf(cause),
    neighbours: nearestCauses(id).map((other) => neighbourOf(cause, causeOf(other))),
    example: {
      product: facts.product.name,
      kind: facts.seen.kind,
      pattern: facts.seen.pattern,
      look: {
        seed: GUIDED_CAUSES.indexOf(id),
        clarity: facts.product.clarity ?? null,
        colours: (facts.batch.additives ?? []).flatMap((a) => (a.name ? [a.name] : [])),
      },
    },
    mend: mendFor(facts, [{ id, share: 1 }]),
    prevention: cause.prevention(facts),
  };
}
