import type { LotCard } from '../formats/lot';
import type { Grade, CauseId, SymptomKind } from '../formats/vocabulary';
import { castingFacts, type BatchFacts } from './batchFacts';
import { castingCost, castingLoss, lotPrices, mouldPrices, type PriceOf } from './castingCost';
import type { CastFacts } from './castFacts';
import { designEffect, shows } from './clusters';
import { grouped } from './grouped';
import { share, split, type Share } from './finding';
import { byText } from '../formats/byText';

/** A fault of the month, with what it turned out to be where that is known. */
export interface MonthFault extends Share {
  readonly kind: SymptomKind;
  readonly pattern: string | null;
  /** The same in the months before; null where nothing was looked at then. */
  readonly before: Share | null;
  readonly batches: readonly string[];
}

/** What a fault turned out to be in the month. */
export interface MonthOutcome {
  readonly kind: SymptomKind;
  readonly cause: CauseId;
  readonly times: number;
  readonly batches: readonly string[];
}

/** A batch that was made with a change, and how it came out against the one before. */
export interface MonthChange {
  readonly from: string;
  readonly to: string;
  readonly says: readonly string[];
  readonly verdict: 'helped' | 'did not help' | 'not looked at' | 'cannot be told';
}

/** How the castings of some days came out, and what they cost. */
export interface MonthYield {
  readonly batches: number;
  readonly castings: number;
  readonly looked: number;
  readonly grades: Readonly<Record<Grade, number>>;
  readonly open: number;
  readonly passed: Share;
  /** Resin of all, and of what was scrapped; null where no lot has a price. */
  readonly cost: number | null;
  readonly lost: number | null;
  /** What passed and seconds are worth; null without prices. */
  readonly value: number | null;
}

/** `warm-jar.month/1`: a month of the studio on one page. */
export interface MonthReport {
  readonly format: 'warm-jar.month/1';
  readonly month: string;
  /** How many months before it is held against: those with any batch. */
  readonly against: number;
  readonly yield: MonthYield;
  /** A month of those before, on average; null where there is none. */
  readonly before: MonthYield | null;
  readonly faults: readonly MonthFault[];
  readonly outcomes: readonly MonthOutcome[];
  /** Faults seen whose cause nobody has said yet, by their batches. */
  readonly unknown: readonly string[];
  readonly changes: readonly MonthChange[];
  /** Money that faults lost in the month, by kind; the same casting in each of its kinds. */
  readonly losses: readonly { readonly kind: SymptomKind; readonly castings: number; readonly money: number }[];
}

/** A month is held against so many before it. */
export const MONTHS_BEFORE = 6;

export const monthOfFact = (f: Pick<CastFacts, 'startedAt'>): string | null => f.startedAt?.slice(0, 7) ?? null;

/** The month so many before another, `2026-11`. */
export function monthsBefore(month: string, count: number): string {
  const [year = 0, m = 1] = month.split('-').map(Number);
  const at = year * 12 + (m - 1) - count;
  return `${String(Math.floor(at / 12)).padStart(4, '0')}-${String((at % 12) + 1).padStart(2, '0')}`;
}

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
const known = (values: readonly (number | null | undefined)[]): number[] => values.flatMap((v) => v ?? []);
const sumOrNull = (values: readonly number[]) => (values.length === 0 ? null : sum(values));

function yieldOf(batches: readonly BatchFacts[], price: PriceOf): MonthYield {
  const castings = castingFacts(batches);
  const grades: Record<Grade, number> = { pass: 0, second: 0, scrap: 0, mend: 0 };
  for (const f of castings) if (f.grade !== null) grades[f.grade] += 1;
  const graded = castings.filter((f) => f.grade !== null);
  const effect = designEffect(graded, (f) => f.grade === 'pass');
  const cost = (some: readonly CastFacts[]) => known(some.map((f) => castingCost(f, price)));
  const sold = castings.filter((f) => f.grade === 'pass' || f.grade === 'second');
  return {
    batches: batches.length,
    castings: castings.length,
    looked: castings.filter((f) => f.looked).length,
    grades,
    open: castings.length - graded.length,
    passed: share(grades.pass, graded.length, effect),
    cost: sumOrNull(cost(castings)),
    lost: cost(castings).length === 0 ? null : sum(cost(castings.filter((f) => f.grade === 'scrap'))),
    value: sumOrNull(known(sold.map((f) => f.price))),
  };
}

/** The mean month of several. */
function perMonth(all: MonthYield, months: number): MonthYield {
  const each = (v: number) => v / months;
  const money = (v: number | null) => (v === null ? null : each(v));
  return {
    ...all,
    batches: each(all.batches),
    castings: each(all.castings),
    looked: each(all.looked),
    open: each(all.open),
    grades: Object.fromEntries(Object.entries(all.grades).map(([g, n]) => [g, each(n)])) as Record<Grade, number>,
    cost: money(all.cost),
    lost: money(all.lost),
    value: money(all.value),
  };
}

const uniqueCodes = (facts: readonly CastFacts[]) => [...new Set(facts.map((f) => f.code))];

function faultsOf(now: readonly CastFacts[], before: readonly CastFacts[]): MonthFault[] {
  const looked = now.filter((f) => f.looked);
  const lookedBefore = before.filter((f) => f.looked);
  const keys = [...new Set(looked.flatMap((f) => f.seen))];
  const shareIn = (facts: readonly CastFacts[], key: string) =>
    share(facts.filter(shows(key)).length, facts.length, designEffect(facts, shows(key)));
  return keys
    .map((key) => ({
      ...split(key),
      ...shareIn(looked, key),
      before: lookedBefore.length === 0 ? null : shareIn(lookedBefore, key),
      batches: uniqueCodes(looked.filter(shows(key))),
    }))
    .sort((a, b) => b.k - a.k || byText(a.kind, b.kind) || byText(a.pattern ?? '', b.pattern ?? ''));
}

const settledKey = (kind: string, cause: string) => `${kind} ${cause}`;

function outcomesOf(batches: readonly BatchFacts[]): MonthOutcome[] {
  const rows = batches.flatMap((b) =>
    (b.settled ?? []).flatMap((s) => s.confirmed.map((cause) => ({ kind: s.kind, cause, code: b.code }))),
  );
  return grouped(rows, (r) => settledKey(r.kind, r.cause))
    .map(([, some]) => ({
      kind: some[0]!.kind,
      cause: some[0]!.cause,
      times: some.length,
      batches: some.map((r) => r.code),
    }))
    .sort((a, b) => b.times - a.times || byText(a.cause, b.cause));
}

/** Batches with a fault of which nobody has said what it turned out to be. */
const unknownOf = (batches: readonly BatchFacts[]): string[] =>
  batches
    .filter((b) => {
      const seen = castingFacts([b]).flatMap((f) => f.seen.filter((key) => !key.includes('/')));
      return seen.some((kind) => !(b.settled ?? []).some((s) => s.kind === kind && s.confirmed.length > 0));
    })
    .map((b) => b.code);

/** Share of a batch's castings looked at that show any of some faults; null where nobody looked. */
const shareShowing = (b: BatchFacts, kinds: readonly string[]) => {
  const looked = castingFacts([b]).filter((f) => f.looked);
  const shown = looked.filter((f) => kinds.some((kind) => f.seen.includes(kind)));
  return looked.length === 0 ? null : shown.length / looked.length;
};

/** The fault a copy was changed for: as it was kept, else those that the first batch showed. */
const changedFor = (from: BatchFacts, to: BatchFacts): string[] =>
  to.copiedFrom?.symptom === undefined
    ? castingFacts([from]).flatMap((f) => f.seen.filter((key) => !key.includes('/')))
    : [to.copiedFrom.symptom];

/** By the fault that it was changed for alone: another one that came instead is told among the month's faults. */
function verdictOf(from: BatchFacts | undefined, to: BatchFacts): MonthChange['verdict'] {
  if (!castingFacts([to]).some((f) => f.looked)) return 'not looked at';
  if (!from) return 'cannot be told';
  const kinds = changedFor(from, to);
  const [before, after] = [shareShowing(from, kinds), shareShowing(to, kinds)];
  if (before === null || before === 0 || after === null) return 'cannot be told';
  return after < before ? 'helped' : 'did not help';
}

const changesOf = (batches: readonly BatchFacts[], all: ReadonlyMap<string, BatchFacts>): MonthChange[] =>
  batches.flatMap((to) => {
    const { copiedFrom } = to;
    if (!copiedFrom || copiedFrom.changes.length === 0) return [];
    const verdict = verdictOf(all.get(copiedFrom.code), to);
    return [{ from: copiedFrom.code, to: to.code, says: copiedFrom.changes.map((c) => c.says), verdict }];
  });

/**
 * A month on one page: what went wrong, what it turned out to be, what was changed and whether it helped, and yield
 * and cost against the months before.
 * @param facts of the whole log; what lies after the month is not looked at
 * @param month `2026-11`
 */
export function monthReport(facts: readonly BatchFacts[], month: string, lots: readonly LotCard[]): MonthReport {
  const price = lotPrices(lots);
  const inMonth = facts.filter((f) => monthOfFact(f) === month);
  const from = monthsBefore(month, MONTHS_BEFORE);
  const earlier = facts.filter((f) => {
    const at = monthOfFact(f);
    return at !== null && at >= from && at < month;
  });
  const months = new Set(earlier.map(monthOfFact)).size;
  const [now, before] = [castingFacts(inMonth), castingFacts(earlier)];
  const lossOf = castingLoss([before, now].map(mouldPrices), lots);
  const faults = faultsOf(now, before);
  return {
    format: 'warm-jar.month/1',
    month,
    against: months,
    yield: yieldOf(inMonth, price),
    before: months === 0 ? null : perMonth(yieldOf(earlier, price), months),
    faults,
    outcomes: outcomesOf(inMonth),
    unknown: unknownOf(inMonth),
    changes: changesOf(inMonth, new Map(facts.map((f) => [f.code, f]))),
    losses: faults
      .filter((f) => f.pattern === null)
      .flatMap(({ kind, k }) => {
        const losses = known(now.filter(shows(kind)).map(lossOf));
        return losses.length === 0 ? [] : [{ kind, castings: k, money: sum(losses) }];
      }),
  };
}
