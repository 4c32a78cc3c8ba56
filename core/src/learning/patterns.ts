import type { LotCard } from '../formats/lot';
import type { SymptomKind } from '../formats/vocabulary';
import { yearsOf } from './attributable';
import type { BatchFacts } from './batchFacts';
import { benjaminiHochberg } from './benjaminiHochberg';
import { designEffect, seenIn, shows, weightBySize, wholeTable } from './clusters';
import { smallestFound } from './detectable';
import { share, split, type Finding, type Patterns, type SymptomRate, type Unanswered } from './finding';
import { fisherExact } from './fisherExact';
import { isOverLimit } from './limitLevels';
import { partFindings, type Found, type NamedFound, type Question } from './partFindings';
import { logBook, type LogView } from './logBook';
import type { Log } from './logColumns';
import { levelsInOrder } from './logNames';
import { partLosses } from './partLosses';
import { placesOf, type Places } from './places';
import { tally, type Tally } from './tally';
import { byText } from '../formats/byText';

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

function ratesOf(looked: Log): SymptomRate[] {
  return [...seenIn(looked)]
    .map(([key, k]) => ({ ...split(key), ...share(k, looked.size, designEffect(looked, shows(key))) }))
    .sort((a, b) => b.k - a.k || byText(a.kind, b.kind) || byText(a.pattern ?? '', b.pattern ?? ''));
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

/** The products that a question compares: all for a product, else those that have the level. */
const comparedBy = (t: Tally, level: number): number[] =>
  t.products.flatMap((_, p) => (t.levels[level]!.factor === 'product' || t.n(level, p) > 0 ? [p] : []));

const totalOver = (products: readonly number[], of: (p: number) => number) =>
  products.reduce((sum, p) => sum + of(p), 0);

/** With the level and without, with the fault and without. */
function tableOf(t: Tally, outcome: number, level: number, compared: readonly number[]): Table {
  const { factor } = t.levels[level]!;
  const n = totalOver(compared, (p) => t.n(level, p));
  const rest = totalOver(compared, (p) => t.recorded(factor, p)) - n;
  const k = totalOver(compared, (p) => t.k(outcome, level, p));
  const c = totalOver(compared, (p) => t.recordedWith(outcome, factor, p)) - k;
  return [k, n - k, c, rest - c];
}

type Table = readonly [number, number, number, number];
/** A question with the place of its level, and the products that it compares. */
type Asked = Question & { readonly level: number; readonly compared: readonly number[] };

/** One question for each outcome and level: faults with it and without it, among the products that have it. */
function questionsOf(t: Tally): Asked[] {
  return levelsInOrder(t.levels).flatMap((level) => {
    const compared = comparedBy(t, level);
    return t.outcomes.flatMap((outcome, o): Asked[] => {
      const [a, b, c, d] = tableOf(t, o, level, compared);
      if (a + b < MIN_GROUP || c + d < MIN_GROUP || a + c < MIN_FAULTS) return [];
      return [{ outcome, at: t.levels[level]!, a, b, c, d, level, compared }];
    });
  });
}

/** What each question's counts are worth, castings of one mix being fewer than they seem. */
function effectiveTables(looked: Log) {
  const weighted = new Map<string, Tally | null>();
  return (q: Asked): Table => {
    let t = weighted.get(q.outcome);
    if (t === undefined) {
      const weight = weightBySize(looked, shows(q.outcome));
      t = weight === null ? null : tally(looked, [q.outcome], weight);
      weighted.set(q.outcome, t);
    }
    return t === null ? [q.a, q.b, q.c, q.d] : wholeTable(tableOf(t, 0, q.level, q.compared));
  };
}

/** `bubbles` of `bubbles/same-spot`; asked of pairs of questions, so that it is looked up. */
const kinds = new Map<string, SymptomKind>();
function kindOf(outcome: string): SymptomKind {
  const kind = kinds.get(outcome) ?? split(outcome).kind;
  kinds.set(outcome, kind);
  return kind;
}

/** Of a kind and its patterns, for the same batches, only the surest is told. */
function surestOf(found: readonly Found[]): Found[] {
  const surest = new Map<string, Found>();
  for (const f of found) {
    const key = `${kindOf(f.outcome)} ${f.at.factor} ${f.at.level}`;
    const known = surest.get(key);
    if (!known || f.p < known.p || (f.p === known.p && f.outcome < known.outcome)) surest.set(key, f);
  }
  return found.filter((f) => surest.get(`${kindOf(f.outcome)} ${f.at.factor} ${f.at.level}`) === f);
}

/** Groups that are the same batches under several names are told once, under the surest. */
function oneName(found: readonly Found[], places: Places): NamedFound[] {
  const told: NamedFound[] = [];
  const byKind = new Map<SymptomKind, NamedFound[]>();
  for (const f of [...found].sort((a, b) => a.p - b.p)) {
    const ofKind = byKind.get(kindOf(f.outcome)) ?? [];
    byKind.set(kindOf(f.outcome), ofKind);
    const known = ofKind.find((t) => places.areSame(t.head.at, f.at));
    if (!known) {
      const named = { head: f, same: [] };
      ofKind.push(named);
      told.push(named);
    } else if (isOverLimit(f.at) && !isOverLimit(known.head.at)) {
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
  byText(a.level, b.level);

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
  tables: readonly Table[],
  { adjusted, threshold: chance }: { readonly adjusted: readonly number[]; readonly threshold: number },
): Unanswered[] {
  return asked
    .flatMap((q, i) => {
      if (adjusted[i]! <= FALSE_SHARE) return [];
      const [a, b, c, d] = tables[i]!;
      const rate = q.c + q.d === 0 ? 0 : q.c / (q.c + q.d);
      const wouldFind = smallestFound({ with: a + b, without: c + d, rate }, chance);
      return [{ q, wouldFind, gap: wouldFind === null ? Infinity : wouldFind - rate }];
    })
    .sort((x, y) => (x.gap === y.gap ? 0 : x.gap - y.gap) || byText(x.q.at.level, y.q.at.level))
    .slice(0, MOST_UNANSWERED)
    .map(({ q, wouldFind }) => ({
      ...split(q.outcome),
      factor: q.at.factor,
      level: q.at.level,
      with: share(q.a, q.a + q.b),
      without: share(q.c, q.c + q.d),
      wouldFind,
    }));
}

/** What costs a studio its castings (`patternsIn`), of a list of batches. */
export function findPatterns(batches: readonly BatchFacts[], options: PatternOptions = {}): Patterns {
  return patternsIn(logBook(batches).view(), options);
}

/**
 * What costs a studio its castings: every symptom against every level of every factor, by Fisher's exact test among the
 * products that have it, corrected for how many questions were asked, and parted by ridge logistic regression.
 */
export function patternsIn(
  view: LogView,
  { names = {}, lots = null, onProgress = () => undefined }: PatternOptions = {},
): Patterns {
  const { looked } = view;
  const years = yearsOf(view.spans);
  const losses = lots === null ? null : partLosses(looked, view.prices, lots);
  const rates = ratesOf(looked);
  onProgress(0.1);
  const outcomes = outcomesOf(rates);
  const asked = questionsOf(tally(looked, outcomes));
  onProgress(0.4);
  const tables = asked.map(effectiveTables(looked));
  const p = tables.map((table) => fisherExact(...table));
  const adjusted = benjaminiHochberg(p);
  onProgress(0.6);
  const found = asked
    .map((q, i): Found => ({ ...q, p: p[i]!, adjustedP: adjusted[i]! }))
    .filter((f) => f.adjustedP <= FALSE_SHARE && f.a / (f.a + f.b) > f.c / Math.max(1, f.c + f.d));
  const places = placesOf(looked);
  const groups = oneName(surestOf(found), places);
  const faults = [...new Set(groups.map((g) => kindOf(g.head.outcome)))];
  const findings = faults.flatMap((kind, i) => {
    const told = partFindings(
      groups.filter((g) => kindOf(g.head.outcome) === kind),
      looked,
      places,
      { questions: asked.length, names, years, losses },
    );
    onProgress(0.6 + (0.4 * (i + 1)) / faults.length);
    return told;
  });
  onProgress(1);
  return {
    batches: view.batches,
    castings: view.castings,
    looked: looked.size,
    questions: asked.length,
    rates,
    findings: findings.sort(byUse),
    unansweredCount: adjusted.filter((q) => q > FALSE_SHARE).length,
    unanswered: unansweredOf(asked, tables, { adjusted, threshold: threshold(p, adjusted) }),
  };
}
