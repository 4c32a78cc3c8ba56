import type { LotCard } from '../formats/lot';
import { SAME_BATCHES, placesOf, type Places } from './adjustedOdds';
import { yearsOf } from './attributable';
import { castingFacts, type BatchFacts } from './batchFacts';
import { benjaminiHochberg } from './benjaminiHochberg';
import type { CastFacts } from './castFacts';
import { castingLoss } from './castingCost';
import { designEffect, shows, weightBySize, wholeTable } from './clusters';
import { smallestFound } from './detectable';
import { share, split, type Finding, type Patterns, type SymptomRate, type Unanswered } from './finding';
import { fisherExact } from './fisherExact';
import { isOverLimit } from './limitLevels';
import { partFindings, type Found, type NamedFound, type Question } from './partFindings';
import { limitScene } from './standsApart';
import { tally, type Level, type Tally } from './tally';

export interface PatternOptions {
  readonly names?: Readonly<Record<string, string>>;
  /** The shelf's lots, for what a spoiled casting costs. */
  readonly lots?: readonly LotCard[] | null;
  /** Told 0 to 1 as the work goes on. */
  readonly onProgress?: (share: number) => void;
}

/** False findings among those told, at most this share. */
export const FALSE_SHARE = 0.05;
/** Groups smaller than this say nothing; faults rarer than this cannot be parted. */
const [MIN_GROUP, MIN_FAULTS, MIN_PATTERN] = [5, 4, 5];

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
    const weights = weightBySize(looked, shows(outcome));
    if (weights === null) break;
    const table = questionsOf(tally(looked, [outcome], weights), 0, 0);
    weighted.set(outcome, new Map(table.map((q) => [key(q), q])));
  }
  return (q: Question): Table => {
    const w = weighted.get(q.outcome)?.get(key(q));
    return w ? wholeTable([w.a, w.b, w.c, w.d]) : [q.a, q.b, q.c, q.d];
  };
}

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

/** Groups that are the same batches under several names are told once, under the surest. */
function oneName(found: readonly Found[], places: Places): NamedFound[] {
  const told: NamedFound[] = [];
  for (const f of [...found].sort((a, b) => a.p - b.p)) {
    const known = told.find(
      (t) => kindOf(t.head.outcome) === kindOf(f.outcome) && places.overlap(t.head.at, f.at) >= SAME_BATCHES,
    );
    if (!known) told.push({ head: f, same: [] });
    else if (isOverLimit(f.at) && !isOverLimit(known.head.at)) {
      // What is recorded and over its limit says more than another name of the same castings.
      known.same.push(known.head.at);
      known.head = f;
    } else known.same.push(f.at);
  }
  return told;
}

const limitFirst = (f: Finding) => Number(isOverLimit(f));
/** What can be acted on first; of that what is over its limit, then what stands by itself, then the surest. */
const byUse = (a: Finding, b: Finding) =>
  Number(b.actionable) - Number(a.actionable) ||
  limitFirst(b) - limitFirst(a) ||
  Number(b.independent) - Number(a.independent) ||
  a.adjustedP - b.adjustedP ||
  a.level.localeCompare(b.level);

/** The chance from which on a question was answered yes: that of the last one found, else of one alone among all. */
function threshold(p: readonly number[], adjusted: readonly number[]): number {
  const found = p.filter((_, i) => adjusted[i]! <= FALSE_SHARE);
  return Math.max(FALSE_SHARE / Math.max(1, p.length), ...found);
}

/** More questions than this are not told: those that would have found the least first. */
const MOST_UNANSWERED = 60;

/** What the log could have shown, of each question that was not answered yes. */
function unansweredOf(
  asked: readonly Question[],
  worth: (q: Question) => Table,
  { adjusted, threshold: chance }: { readonly adjusted: readonly number[]; readonly threshold: number },
): Unanswered[] {
  return asked
    .flatMap((q, i): Unanswered[] => {
      if (adjusted[i]! <= FALSE_SHARE) return [];
      const [a, b, c, d] = worth(q);
      const without = share(q.c, q.c + q.d);
      return [
        {
          ...split(q.outcome),
          factor: q.at.factor,
          level: q.at.level,
          with: share(q.a, q.a + q.b),
          without,
          wouldFind: smallestFound({ with: a + b, without: c + d, rate: without.rate }, chance),
        },
      ];
    })
    .sort((x, y) => gap(x) - gap(y) || x.level.localeCompare(y.level))
    .slice(0, MOST_UNANSWERED);
}

const gap = ({ wouldFind, without }: Unanswered): number => (wouldFind === null ? Infinity : wouldFind - without.rate);

/**
 * What costs a studio its castings: every symptom against every level of every factor, by Fisher's exact test among the
 * products that have it, corrected for how many questions were asked, and parted by ridge logistic regression.
 */
export function findPatterns(
  batches: readonly BatchFacts[],
  { names = {}, lots = null, onProgress = () => undefined }: PatternOptions = {},
): Patterns {
  const facts = castingFacts(batches);
  const looked = facts.filter((f) => f.looked);
  const [years, lossOf] = [yearsOf(facts), lots === null ? null : castingLoss(facts, lots)];
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
  const scene = limitScene(looked);
  const groups = oneName(surestOf(found), places);
  const kinds = [...new Set(groups.map((g) => kindOf(g.head.outcome)))];
  const findings = kinds.flatMap((kind, i) => {
    const told = partFindings(
      groups.filter((g) => kindOf(g.head.outcome) === kind),
      looked,
      places,
      { questions: asked.length, names, years, lossOf, scene },
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
    findings: findings.sort(byUse),
    unansweredCount: adjusted.filter((q) => q > FALSE_SHARE).length,
    unanswered: unansweredOf(asked, worth, { adjusted, threshold: threshold(p, adjusted) }),
  };
}
