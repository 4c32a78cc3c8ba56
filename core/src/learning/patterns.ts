import type { SymptomKind } from '../formats/vocabulary';
import { benjaminiHochberg } from './benjaminiHochberg';
import { castingFacts, type BatchFacts } from './batchFacts';
import type { CastFacts } from './castFacts';
import { castingWeights, designEffect, shows, wholeTable } from './clusters';
import { levelWords } from './factors';
import { fisherExact } from './fisherExact';
import { SAME_BATCHES, overlap, adjustedOdds, placesOf, type Parted } from './adjustedOdds';
import { tally, type Level, type Tally } from './tally';
import { wilsonInterval, type RateInterval } from './wilsonInterval';

/** Batches with a fault among those looked at. */
export interface Share extends RateInterval {
  readonly k: number;
  readonly n: number;
}

/** How often a symptom shows, by kind or by pattern. */
export interface SymptomRate extends Share {
  readonly kind: SymptomKind;
  readonly pattern: string | null;
}

/** A group of batches in which a fault shows oftener than chance would have it. */
export interface Finding {
  readonly kind: SymptomKind;
  readonly pattern: string | null;
  readonly factor: Level['factor'];
  readonly level: string;
  readonly with: Share;
  /** The other batches of the same products. */
  readonly without: Share;
  /** Fisher's exact test, and the same after Benjamini and Hochberg. */
  readonly p: number;
  readonly adjustedP: number;
  readonly parted: Parted;
  /** Other names of the same batches. */
  readonly same: readonly Level[];
  /** Whether its odds stay above even once what travels with it has had its part. */
  readonly independent: boolean;
  /** What it cannot be parted from, where it does not stand by itself. */
  readonly confoundedWith: Level | null;
  readonly small: boolean;
  readonly says: string;
}

export interface Patterns {
  readonly batches: number;
  readonly castings: number;
  /** Castings that somebody looked at. */
  readonly looked: number;
  readonly questions: number;
  readonly rates: readonly SymptomRate[];
  readonly findings: readonly Finding[];
}

export interface PatternOptions {
  readonly names?: Readonly<Record<string, string>>;
  /** Told 0 to 1 as the work goes on. */
  readonly onProgress?: (share: number) => void;
}

/** False findings among those told, at most this share. */
export const FALSE_SHARE = 0.05;
/** Groups smaller than this say nothing; faults rarer than this cannot be parted. */
const [MIN_GROUP, MIN_FAULTS, MIN_PATTERN] = [5, 4, 5];
/** A finding on fewer is a hint, and is said to be. */
const [FEW_BATCHES, FEW_FAULTS] = [12, 6];

/** A share with its interval, as wide as so many independent castings would make it. */
const share = (k: number, n: number, effect = 1): Share => {
  const { low, high } = wilsonInterval(k / effect, n / effect);
  return { k, n, rate: n === 0 ? 0 : k / n, low, high };
};
const split = (key: string) => {
  const [kind, pattern] = key.split('/');
  return { kind: kind as SymptomKind, pattern: pattern ?? null };
};

function ratesOf(looked: readonly CastFacts[]): SymptomRate[] {
  const counts = new Map<string, number>();
  for (const { seen } of looked) for (const key of seen) counts.set(key, (counts.get(key) ?? 0) + 1);
  return [...counts]
    .map(([key, k]) => ({ ...split(key), ...share(k, looked.length, designEffect(looked, shows(key))) }))
    .sort((a, b) => b.k - a.k || a.kind.localeCompare(b.kind) || (a.pattern ?? '').localeCompare(b.pattern ?? ''));
}

/**
 * What is worth asking about: kinds and patterns that were seen often
 * enough; a pattern that is all of its kind is asked once.
 */
function outcomesOf(rates: readonly SymptomRate[]): string[] {
  const kindOf = (kind: string) => rates.find((r) => r.kind === kind && r.pattern === null)?.k ?? 0;
  return rates
    .filter((r) =>
      r.pattern === null
        ? r.k >= MIN_FAULTS
        : r.pattern !== 'unspecified' && r.k >= MIN_PATTERN && r.k < kindOf(r.kind),
    )
    .map((r) => (r.pattern === null ? r.kind : `${r.kind}/${r.pattern}`));
}

interface Question {
  readonly outcome: string;
  readonly at: Level;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
}

/** One question for each outcome and level: faults with it and without it, among the products that have it. */
function questionsOf(t: Tally, minGroup = MIN_GROUP, minFaults = MIN_FAULTS): Question[] {
  return t.levels.flatMap((at, l) => {
    const products = t.products.flatMap((_, p) => (t.n(l, p) > 0 ? [p] : []));
    const compared = at.factor === 'product' ? t.products.map((_, p) => p) : products;
    const total = (of: (p: number) => number) => compared.reduce((sum, p) => sum + of(p), 0);
    const n = total((p) => t.n(l, p));
    const rest = total((p) => t.recorded(at.factor, p)) - n;
    if (n < minGroup || rest < minGroup) return [];
    return t.outcomes.flatMap((outcome, o) => {
      const k = total((p) => t.k(o, l, p));
      const c = total((p) => t.recordedWith(o, at.factor, p)) - k;
      return k + c < minFaults ? [] : [{ outcome, at, a: k, b: n - k, c, d: rest - c }];
    });
  });
}

type Table = readonly [number, number, number, number];

/** What each question's counts are worth, castings of one mix being fewer than they seem. */
function effectiveTables(looked: readonly CastFacts[], outcomes: readonly string[]) {
  const weighted = new Map<string, ReadonlyMap<string, Question>>();
  const key = ({ at }: Question) => `${at.factor} ${at.level}`;
  for (const outcome of outcomes) {
    const weights = castingWeights(looked, shows(outcome));
    if (weights === null) break;
    const table = questionsOf(tally(looked, [outcome], weights), 0, 0);
    weighted.set(outcome, new Map(table.map((q) => [key(q), q])));
  }
  return (q: Question): Table => {
    const w = weighted.get(q.outcome)?.get(key(q));
    return w ? wholeTable([w.a, w.b, w.c, w.d]) : [q.a, q.b, q.c, q.d];
  };
}

type Found = Question & { readonly p: number; readonly adjustedP: number };
const sameLevel = (a: Level, b: Level) => a.factor === b.factor && a.level === b.level;
const kindOf = (outcome: string) => split(outcome).kind;

/** Of a kind and its patterns, for the same batches, only the surest is told. */
const surestOf = (found: readonly Found[]) =>
  found.filter(
    (f) =>
      !found.some(
        (o) =>
          o !== f &&
          sameLevel(o.at, f.at) &&
          kindOf(o.outcome) === kindOf(f.outcome) &&
          (o.p < f.p || (o.p === f.p && o.outcome < f.outcome)),
      ),
  );

type Places = ReturnType<typeof placesOf>;
/** Groups that are the same batches under several names are told once, under the surest. */
function oneName(found: readonly Found[], places: Places): { head: Found; same: Level[] }[] {
  const told: { head: Found; same: Level[] }[] = [];
  for (const f of [...found].sort((a, b) => a.p - b.p)) {
    const known = told.find(
      (t) => kindOf(t.head.outcome) === kindOf(f.outcome) && overlap(places(t.head.at), places(f.at)) >= SAME_BATCHES,
    );
    if (known) known.same.push(f.at);
    else told.push({ head: f, same: [] });
  }
  return told;
}

const percent = (v: number) => `${Math.round(v * 100)}`;
const rateWords = (s: Share) => `${s.k} of ${s.n} (${percent(s.rate)} %, ${percent(s.low)}–${percent(s.high)})`;
function chanceWords(p: number): string {
  if (p < 0.0005) return 'less than once in 2 000';
  return `${(p * 100).toFixed(p < 0.01 ? 2 : 1)} %`;
}
const times = (v: number) => (v < 10 ? v.toFixed(1) : v.toFixed(0));
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function sentence(f: Omit<Finding, 'says'>, questions: number, names: PatternOptions['names']): string {
  const seen = f.pattern ? `${f.kind}, ${f.pattern.replaceAll('-', ' ')},` : f.kind.replaceAll('-', ' ');
  const same =
    f.same.length > 0
      ? ` The same castings are those ${f.same.map((l) => levelWords(l.factor, l.level, names)).join(', and ')}.`
      : '';
  const rates = `${rateWords(f.with)} castings ${levelWords(f.factor, f.level, names)}, against ${rateWords(f.without)} otherwise`;
  const chance = `Of ${questions} questions asked, an answer this sure is chance in ${chanceWords(f.adjustedP)}.`;
  const hint = f.small ? ' Few castings: take it as a hint.' : '';
  return `${capital(seen)} in ${rates}. ${chance}${same}${besideWords(f, names)}${hint}`;
}

/** What is left of it beside what travels with it. */
function besideWords(f: Omit<Finding, 'says'>, names: PatternOptions['names']): string {
  const { oddsRatio, low, high } = f.parted;
  const odds = `the odds are ${times(oddsRatio)} times as high (${times(low)}–${times(high)})`;
  if (f.independent) return ` Beside what travels with it, ${odds}.`;
  if (!f.confoundedWith) return ` Beside the products, ${odds}, which may still be chance.`;
  const other = levelWords(f.confoundedWith.factor, f.confoundedWith.level, names);
  return ` It travels with castings ${other}, and the log cannot part the two.`;
}

/** Parts the findings of one kind of fault from each other. */
function parted(
  group: readonly { head: Found; same: Level[] }[],
  looked: readonly CastFacts[],
  places: Places,
  told: { readonly questions: number; readonly names: PatternOptions['names'] },
): Finding[] {
  const levels = group.map((g) => g.head.at);
  // Each outcome is parted for itself: what makes bubbles at one spot need not make bubbles.
  const effects = new Map(
    [...new Set(group.map((g) => g.head.outcome))].map((o) => [o, designEffect(looked, shows(o))]),
  );
  const byOutcome = adjustedOdds(looked, [...new Set(group.map((g) => g.head.outcome))], levels);
  return group.map(({ head, same }, i) => {
    const odds = byOutcome.get(head.outcome)!;
    const effect = effects.get(head.outcome)!;
    const independent = odds[i]!.low > 1;
    const others = group
      .map((g, j) => ({
        at: g.head.at,
        with: j === i ? 0 : overlap(places(head.at), places(g.head.at)),
        odds: odds[j]!.oddsRatio,
      }))
      .filter((o) => o.with > 0)
      .sort((a, b) => b.with - a.with);
    const small = head.a + head.b < FEW_BATCHES || head.a < FEW_FAULTS;
    const finding = {
      ...split(head.outcome),
      factor: head.at.factor,
      level: head.at.level,
      with: share(head.a, head.a + head.b, effect),
      without: share(head.c, head.c + head.d, effect),
      p: head.p,
      adjustedP: head.adjustedP,
      parted: odds[i]!,
      same,
      independent,
      confoundedWith: independent ? null : (others[0]?.at ?? null),
      small,
    };
    return { ...finding, says: sentence(finding, told.questions, told.names) };
  });
}

/**
 * What costs a studio its castings: every symptom against every level of every factor, by Fisher's exact test among the
 * products that have it, corrected for how many questions were asked, and parted by ridge logistic regression.
 */
export function findPatterns(
  batches: readonly BatchFacts[],
  { names = {}, onProgress = () => undefined }: PatternOptions = {},
): Patterns {
  const facts = castingFacts(batches);
  const looked = facts.filter((f) => f.looked);
  const rates = ratesOf(looked);
  onProgress(0.1);
  const outcomes = outcomesOf(rates);
  const asked = questionsOf(tally(looked, outcomes));
  onProgress(0.4);
  const worth = effectiveTables(looked, outcomes);
  const p = asked.map((q) => fisherExact(...worth(q)));
  const adjusted = benjaminiHochberg(p);
  onProgress(0.6);
  const found = asked
    .map((q, i): Found => ({ ...q, p: p[i]!, adjustedP: adjusted[i]! }))
    .filter((f) => f.adjustedP <= FALSE_SHARE && f.a / (f.a + f.b) > f.c / Math.max(1, f.c + f.d));
  const places = placesOf(looked);
  const groups = oneName(surestOf(found), places);
  const kinds = [...new Set(groups.map((g) => kindOf(g.head.outcome)))];
  const findings = kinds.flatMap((kind, i) => {
    const told = parted(
      groups.filter((g) => kindOf(g.head.outcome) === kind),
      looked,
      places,
      { questions: asked.length, names },
    );
    onProgress(0.6 + (0.4 * (i + 1)) / kinds.length);
    return told;
  });
  onProgress(1);
  return {
    batches: batches.length,
    castings: facts.length,
    looked: looked.length,
    questions: asked.length,
    rates,
    findings: findings.sort((a, b) => a.adjustedP - b.adjustedP || a.level.localeCompare(b.level)),
  };
}
