import type { Ask } from '../formats/diagnosis';
import { recordFacts, type CaseFacts } from './caseFacts';
import { TRUST, candidates, evidenceFor, shares, totalPoints } from './ledger';
import { QUESTIONS, type Outcome } from './questions';
import { QUICK_TESTS, recordedOutcome, type QuickTest } from './quickTests';
import { likelihoodRatio } from './weight';

/** Questions that would tell less than this are not worth a technician's time, bits. */
const WORTH_ASKING_BITS = 0.01;
const MOST_QUESTIONS = 6;

const pointsByCause = (facts: CaseFacts): Map<string, number> =>
  new Map(candidates(facts).map((c) => [c.id, totalPoints(evidenceFor(c, facts))]));

/** For each outcome, the chance of it under each cause: `base × likelihood ratio`, made to sum to 1 over outcomes. */
function chances(
  facts: CaseFacts,
  outcomes: readonly Outcome[],
  now: ReadonlyMap<string, number>,
): Map<string, number[]> {
  const then = outcomes.map((o) =>
    pointsByCause({ ...recordFacts(facts.product, o.batch, facts.say, facts.history), seen: facts.seen }),
  );
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
      const weights = test.outcomes.map((o) => o.base * likelihoodRatio(TRUST * (o.points[id as 'ratio-off'] ?? 0)));
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
    return bits < WORTH_ASKING_BITS
      ? []
      : [
          {
            field: `quickTests.${id}`,
            why: test.why,
            bits: rounded(bits),
            test: { id, title, how, caution, outcomes: outcomes.map((o) => ({ id: o.id, words: o.words })) },
          },
        ];
  });
}

/** What to ask next: the unrecorded fields and the quick tests whose answers would move the shares most, most telling first. */
export function askNext(facts: CaseFacts): Ask[] {
  const prior = new Map([...shares(facts)].map(([id, { share }]) => [id as string, share]));
  const now = pointsByCause(facts);
  return [
    ...askTests(facts, prior),
    ...QUESTIONS.flatMap((question) => {
      const outcomes = question.outcomes(facts.product, facts.batch);
      if (!outcomes) return [];
      const bits = expectedBits(
        prior,
        chances(facts, outcomes, now),
        outcomes.map((o) => o.base),
      );
      return bits < WORTH_ASKING_BITS ? [] : [{ field: question.field, why: question.why, bits: rounded(bits) }];
    }),
  ]
    .sort((a, b) => b.bits - a.bits || a.field.localeCompare(b.field))
    .slice(0, MOST_QUESTIONS);
}
