import type { CauseId, Family, SymptomKind } from '../formats/vocabulary';
import { byText } from '../formats/byText';

/** Shares of causes, adding up to one. */
export type CauseShares = Readonly<Partial<Record<CauseId, number>>>;

/** One fault whose cause is known: what the catalogue expected of it, and what it turned out to be. */
export interface SettledCase {
  readonly kind: SymptomKind;
  readonly family: Family;
  /** The catalogue's shares before the record is read, among the causes this batch could have. */
  readonly prior: CauseShares;
  readonly confirmed: readonly CauseId[];
  readonly refuted: readonly CauseId[];
}

/** How often a cause was the one, against how often the catalogue expects it. */
export interface CauseRate {
  readonly id: CauseId;
  readonly times: number;
  readonly expected: number;
  /** How much oftener than in the catalogue it is the one here, by what is known so far. */
  readonly factor: number;
}

/** The rates of one symptom in one family. */
export interface RatesOf {
  readonly kind: SymptomKind;
  readonly family: Family;
  readonly of: number;
  readonly causes: readonly CauseRate[];
}

export interface StudioRates {
  /** What the catalogue counts for, in outcomes expected of a cause. */
  readonly weight: number;
  /** Faults of every kind whose cause is known. */
  readonly of: number;
  readonly all: readonly CauseRate[];
  readonly bySymptom: readonly RatesOf[];
}

/**
 * What the catalogue's rate of a cause counts for: as much as the first so many outcomes that it expects of it. With
 * few outcomes the catalogue stands, with many the studio's own.
 */
export const CATALOGUE_WEIGHT = 2.5;
/** The shares that a case expects depend on all the rates, so they are worked out in turns until they stand. */
const TURNS = 25;

/** The rate of a cause by gamma and Poisson, which are conjugate: `(weight + times)/(weight + expected)`. */
export const learnedFactor = (times: number, expected: number, weight: number = CATALOGUE_WEIGHT): number =>
  (weight + times) / (weight + expected);

type Factors = ReadonlyMap<CauseId, number>;
const entriesOf = (shares: CauseShares) => Object.entries(shares) as [CauseId, number][];

/** A case's shares with the rates laid over them. */
function sharesWith(prior: CauseShares, factors: Factors): [CauseId, number][] {
  const weighted = entriesOf(prior).map(([id, p]): [CauseId, number] => [id, p * (factors.get(id) ?? 1)]);
  const total = weighted.reduce((sum, [, w]) => sum + w, 0);
  return total > 0 ? weighted.map(([id, w]) => [id, w / total]) : [];
}

/**
 * What a case counts for each cause: one among those confirmed; where some were only refuted, spread over the others
 * as they are expected.
 */
function countsOf({ confirmed, refuted }: SettledCase, shares: readonly (readonly [CauseId, number])[]) {
  if (confirmed.length > 0) return confirmed.map((id) => [id, 1 / confirmed.length] as const);
  const left = shares.filter(([id]) => !refuted.includes(id));
  const total = left.reduce((sum, [, p]) => sum + p, 0);
  return total > 0 ? left.map(([id, p]) => [id, p / total] as const) : [];
}

const add = (sums: Map<CauseId, number>, id: CauseId, value: number) => sums.set(id, (sums.get(id) ?? 0) + value);

/** Cases that expect the same and turned out the same, counted: a long log has few kinds of them. */
interface CountedCase extends SettledCase {
  count: number;
}

function countedCases(cases: readonly SettledCase[]): CountedCase[] {
  const counted = new Map<string, CountedCase>();
  for (const one of cases) {
    const { kind, family, prior, confirmed, refuted } = one;
    const key = JSON.stringify([kind, family, prior, confirmed, refuted]);
    const known = counted.get(key);
    if (known) known.count += 1;
    else counted.set(key, { ...one, count: 1 });
  }
  return [...counted.values()];
}

/** One turn: how often each cause was the one, and how often it is expected, with the rates as they stand. */
function tallyCases(cases: readonly CountedCase[], factors: Factors) {
  const [times, expected] = [new Map<CauseId, number>(), new Map<CauseId, number>()];
  for (const one of cases) {
    const shares = sharesWith(one.prior, factors);
    for (const [id, p] of shares) add(expected, id, (one.count * p) / (factors.get(id) ?? 1));
    for (const [id, n] of countsOf(one, shares)) add(times, id, one.count * n);
  }
  return { times, expected };
}

/**
 * Rates of causes from faults whose cause is known, beginning at `from`: the maximum of the posterior by
 * minorise–maximise (Hunter 2004), which for cases that all expect the same is the conjugate update itself.
 */
function ratesFrom(cases: readonly CountedCase[], from: Factors): Map<CauseId, CauseRate> {
  const ids = new Set(cases.flatMap((c) => [...entriesOf(c.prior).map(([id]) => id), ...c.confirmed]));
  let factors = new Map([...ids].map((id) => [id, from.get(id) ?? 1]));
  for (let turn = 0; turn < TURNS; turn += 1) {
    const { times, expected } = tallyCases(cases, factors);
    factors = new Map(
      [...ids].map((id) => {
        const start = from.get(id) ?? 1;
        // How much oftener than where it began: expected times the start is what was expected from the start.
        return [id, start * learnedFactor(times.get(id) ?? 0, (expected.get(id) ?? 0) * start)];
      }),
    );
  }
  const { times } = tallyCases(cases, factors);
  // What the catalogue alone expects, for people to hold the count against.
  const { expected } = tallyCases(cases, new Map());
  return new Map(
    [...ids].map((id) => [
      id,
      { id, times: times.get(id) ?? 0, expected: expected.get(id) ?? 0, factor: factors.get(id)! },
    ]),
  );
}

const sorted = (rates: ReadonlyMap<CauseId, CauseRate>) =>
  [...rates.values()].sort((a, b) => b.times - a.times || b.expected - a.expected || byText(a.id, b.id));

/**
 * How often each cause is the one in this studio. A habit of the studio shows in every symptom and family, so its rate
 * is learned from all of them first; each symptom in each family begins there and goes on with its own.
 * @param cases faults whose cause is known by more than judgement
 */
export function studioRates(cases: readonly SettledCase[]): StudioRates {
  const settled = countedCases(cases.filter((c) => c.confirmed.length > 0 || c.refuted.length > 0));
  const count = (some: readonly CountedCase[]) => some.reduce((sum, c) => sum + c.count, 0);
  const all = ratesFrom(settled, new Map());
  const shared = new Map([...all].map(([id, rate]) => [id, rate.factor]));
  const groups = new Map<string, CountedCase[]>();
  for (const one of settled) {
    const key = `${one.kind} ${one.family}`;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return {
    weight: CATALOGUE_WEIGHT,
    of: count(settled),
    all: sorted(all),
    bySymptom: [...groups.values()].map((some) => ({
      kind: some[0]!.kind,
      family: some[0]!.family,
      of: count(some),
      causes: sorted(ratesFrom(some, shared)),
    })),
  };
}
