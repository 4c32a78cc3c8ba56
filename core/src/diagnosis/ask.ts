import type { Ask } from '../formats/diagnosis';
import type { CaseFacts } from './caseFacts';
import { isGiven } from './given';
import { EVIDENCE_SCALE, shares } from './ledger';
import { QUESTIONS, type Outcome } from './questions';
import type { QuickTest } from './quickTest';
import { QUICK_TESTS, recordedOutcome } from './quickTests';
import { likelihoodRatio } from './weight';
import { whatIf, type WhatIf } from './whatIf';
import { byText } from '../formats/byText';

/** Questions that would tell less than this are not worth a technician's time, bits. */
const WORTH_ASKING_BITS = 0.01;
const MAX_QUESTIONS = 6;

/** For each outcome, the chance of it under each cause: `base × likelihood ratio`, made to sum to 1 over outcomes. */
function chances(
  pointsAfter: WhatIf,
  outcomes: readonly Outcome[],
  now: ReadonlyMap<string, number>,
): Map<string, number[]> {
  const then = outcomes.map((o) => pointsAfter(o.batch));
  return new Map(
    [...now].map(([id, points]): [string, number[]] => {
      const weights = outcomes.map((o, i) => o.base * likelihoodRatio((then[i]!.get(id) ?? points) - points));
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
  const given = (id: string) => chance.get(id) ?? bases;
  const overall = bases.map((_, i) => [...prior].reduce((sum, [id, share]) => sum + share * given(id)[i]!, 0));
  let bits = 0;
  for (const [id, share] of prior) {
    given(id).forEach((p, i) => {
      if (p > 0 && share > 0) bits += share * p * Math.log2(p / overall[i]!);
    });
  }
  return Math.max(0, bits);
}

const rounded = (bits: number) => Math.round(bits * 1000) / 1000;

/** What a quick test would tell: its outcomes under each cause, by the points they are worth to it. */
function testBits(test: QuickTest, prior: ReadonlyMap<string, number>): number {
  const bases = test.outcomes.map((o) => o.base);
  const chance = new Map(
    [...prior.keys()].map((id): [string, number[]] => {
      const weights = test.outcomes.map(
        (o) => o.base * likelihoodRatio(EVIDENCE_SCALE * (o.points[id as keyof typeof o.points] ?? 0)),
      );
      const total = weights.reduce((a, b) => a + b, 0);
      return [id, weights.map((w) => w / total)];
    }),
  );
  return expectedBits(prior, chance, bases);
}

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

function askFields(facts: CaseFacts, prior: ReadonlyMap<string, number>): Ask[] {
  const { now, after } = whatIf(facts);
  return QUESTIONS.flatMap((question) => {
    if (isGiven(facts, question.field)) return [];
    const outcomes = question.outcomes(facts.product, facts.batch);
    if (!outcomes) return [];
    const bases = outcomes.map((o) => o.base);
    const bits = expectedBits(prior, chances(after, outcomes, now), bases);
    if (bits < WORTH_ASKING_BITS) return [];
    const effortMin = question.effortMin ?? TYPED_MIN;
    return [{ field: question.field, why: question.why, bits: rounded(bits), effortMin }];
  });
}

/** Every unrecorded field and quick test whose answer would tell something, and how much; in no order. */
export function tellingAsks(facts: CaseFacts): Ask[] {
  const prior = sharesNow(facts);
  return [...askFields(facts, prior), ...askTests(facts, prior)];
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
export function askNext(facts: CaseFacts): Ask[] {
  const prior = sharesNow(facts);
  const doubts = facts.doubts.map(({ field, says, meant }): Ask => ({
    field,
    why: says,
    bits: 0,
    effortMin: TYPED_MIN,
    ...(meant === undefined ? {} : { meant }),
  }));
  const asked = new Set(doubts.map((d) => d.field));
  const fields = askFields(facts, prior)
    .filter((f) => !asked.has(f.field))
    .sort(byEffort);
  const [typed, later] = [fields.filter((f) => f.effortMin < 1), fields.filter((f) => f.effortMin >= 1)];
  const tests = askTests(facts, prior);
  const kept = tests.length + later.length > 0 ? typed.slice(0, MAX_FIELDS) : typed;
  return [...doubts, ...[...kept, ...later, ...tests].sort(byEffort)].slice(0, MAX_QUESTIONS);
}
