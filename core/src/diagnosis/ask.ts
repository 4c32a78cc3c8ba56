import type { Ask } from '../formats/diagnosis';
import type { CaseFacts } from './caseFacts';
import { isGiven } from './given';
import { EVIDENCE_SCALE, shares } from './ledger';
import { QUESTIONS } from './questions';
import type { QuickTest } from './quickTest';
import { QUICK_TESTS, recordedOutcome } from './quickTests';
import { likelihoodRatio } from './weight';
import { whatIf, type Points, type Weighing } from './whatIf';
import { byText } from '../formats/byText';
import { CAUSE_IDS } from '../formats/vocabulary';
import { memoize } from '../numeric/memoize';

/** Questions that would tell less than this are not worth a technician's time, bits. */
const WORTH_ASKING_BITS = 0.01;
const MAX_QUESTIONS = 6;

/** For each outcome, the chance of it under each cause: `base × likelihood ratio`, made to sum to 1 over outcomes. */
function chances(then: readonly Points[], bases: readonly number[], now: Points): Map<string, number[]> {
  return new Map(
    [...now].map(([id, points]): [string, number[]] => {
      const weights = bases.map((base, i) => base * likelihoodRatio((then[i]!.get(id) ?? points) - points));
      const total = weights.reduce((a, b) => a + b, 0);
      return [id, weights.map((w) => w / total)];
    }),
  );
}

/** Mutual information between the cause and the answer, bits: what the answer is expected to tell. */
export function expectedBits(
  prior: ReadonlyMap<string, number>,
  chance: ReadonlyMap<string, number[]>,
  bases: readonly number[],
): number {
  const all = [...prior].map(([id, share]) => ({ share, given: chance.get(id) ?? bases }));
  const overall = bases.map((_, i) => all.reduce((sum, { share, given }) => sum + share * given[i]!, 0));
  let bits = 0;
  for (const { share, given } of all) {
    given.forEach((p, i) => {
      if (p > 0 && share > 0) bits += share * p * Math.log2(p / overall[i]!);
    });
  }
  return Math.max(0, bits);
}

const rounded = (bits: number) => Math.round(bits * 1000) / 1000;

/** What each outcome of a test says of a cause: the chance of it under the cause, by the points that it is worth. */
function chancesUnder({ outcomes }: QuickTest, id: string): number[] {
  const weights = outcomes.map(
    (o) => o.base * likelihoodRatio(EVIDENCE_SCALE * (o.points[id as keyof typeof o.points] ?? 0)),
  );
  const total = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / total);
}

/** The same of every cause; a test says the same whatever the record. */
const testChances = memoize(
  (test: QuickTest) => new Map<string, number[]>(CAUSE_IDS.map((id) => [id, chancesUnder(test, id)])),
);

/** What a quick test would tell: its outcomes under each cause. */
const testBits = (test: QuickTest, prior: ReadonlyMap<string, number>): number =>
  expectedBits(
    prior,
    testChances(test),
    test.outcomes.map((o) => o.base),
  );

function askTests(facts: CaseFacts, prior: ReadonlyMap<string, number>): Ask[] {
  return QUICK_TESTS.filter((t) => t.fits(facts) && !recordedOutcome(facts, t)).flatMap((test) => {
    const bits = testBits(test, prior);
    const { id, title, how, caution, outcomes } = test;
    if (bits < WORTH_ASKING_BITS) return [];
    return [
      {
        field: `quickTests.${id}`,
        why: test.why,
        bits: rounded(bits),
        effortMin: test.effortMin(facts),
        test: { id, title, how, caution, outcomes: outcomes.map((o) => ({ id: o.id, words: o.words })) },
      },
    ];
  });
}

function askFields(facts: CaseFacts, prior: ReadonlyMap<string, number>, { now, after }: Weighing): Ask[] {
  return QUESTIONS.flatMap((question) => {
    if (isGiven(facts, question.field)) return [];
    const outcomes = question.outcomes(facts.product, facts.batch);
    if (!outcomes) return [];
    const then = outcomes.map((o) => after(o.batch));
    if (then.every((points) => points === now)) return [];
    const bases = outcomes.map((o) => o.base);
    const bits = expectedBits(prior, chances(then, bases, now), bases);
    if (bits < WORTH_ASKING_BITS) return [];
    const effortMin = question.effortMin ?? TYPED_MIN;
    return [{ field: question.field, why: question.why, bits: rounded(bits), effortMin }];
  });
}

/** Every unrecorded field and quick test whose answer would tell something, and how much; in no order. */
export function tellingAsks(facts: CaseFacts): Ask[] {
  const prior = sharesNow(facts);
  return [...askFields(facts, prior, whatIf(facts)), ...askTests(facts, prior)];
}

const sharesNow = (facts: CaseFacts) => new Map([...shares(facts)].map(([id, { share }]) => [id as string, share]));

/** A field that can be typed now, min. */
const TYPED_MIN = 0.2;
/** Classes of effort, each asked before the next however much that would tell: typed now, some minutes, a day, days. */
const EFFORT_STEPS_MIN = [1, 20, 24 * 60];
const effortClass = (effortMin: number) => EFFORT_STEPS_MIN.filter((step) => effortMin >= step).length;

/** A test at the bench is kept in view even where many fields come before it. */
const MAX_FIELDS = 4;

/** Less effort first; within an effort what tells most against it. */
const byEffort = (a: Ask, b: Ask) =>
  effortClass(a.effortMin) - effortClass(b.effortMin) ||
  b.bits / (1 + b.effortMin) - a.bits / (1 + a.effortMin) ||
  byText(a.field, b.field);

/**
 * What to ask next: figures to be looked at again before they are believed, then the unrecorded fields and the quick
 * tests whose answers would move the shares most, by what they tell against the effort they cost.
 */
export function askNext(facts: CaseFacts, weighing: Weighing = whatIf(facts)): Ask[] {
  const prior = sharesNow(facts);
  const doubts = facts.doubts.map(({ field, says, meant }): Ask => ({
    field,
    why: says,
    bits: 0,
    effortMin: TYPED_MIN,
    ...(meant === undefined ? {} : { meant }),
  }));
  const asked = new Set(doubts.map((d) => d.field));
  const fields = askFields(facts, prior, weighing)
    .filter((f) => !asked.has(f.field))
    .sort(byEffort);
  const [typed, later] = [fields.filter((f) => f.effortMin < 1), fields.filter((f) => f.effortMin >= 1)];
  const tests = askTests(facts, prior);
  const kept = tests.length + later.length > 0 ? typed.slice(0, MAX_FIELDS) : typed;
  return [...doubts, ...[...kept, ...later, ...tests].sort(byEffort)].slice(0, MAX_QUESTIONS);
}
