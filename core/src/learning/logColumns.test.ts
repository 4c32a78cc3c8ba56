import { describe, expect, it } from 'vitest';
import { FACTORS } from '../formats/vocabulary';
import { chanceFrom } from '../simulation/chance';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { saltmarshYear } from '../simulation/saltmarshYear';
import { expectSame } from '../testing/expectSame';
import { adjustedOdds } from './adjustedOdds';
import { batchFacts, castingFacts } from './batchFacts';
import type { CastFacts } from './castFacts';
import { designEffect, seenIn, shows, weightBySize, wholeTable, withinMix } from './clusters';
import { featureKinds } from './featureKinds';
import { fisherExact } from './fisherExact';
import { isOverLimit } from './limitLevels';
import { logBook } from './logBook';
import { logOf, logOfParts, logPart, type LogPart } from './logColumns';
import { logNames, type Level } from './logNames';
import type { BookEntry } from './logParts';
import { totalOf } from './logTotals';
import { findPatterns, patternsIn } from './patterns';
import { ridgeLogistic } from './ridgeLogistic';
import { explainedBy } from './standsApart';
import { tally } from './tally';

const YEAR = saltmarshYear(new Date('2026-11-24T14:30:00Z')).map(({ batch }) =>
  batchFacts(saltmarshCard(batch.product.slug), batch),
);
const LOOKED = castingFacts(YEAR).filter((f) => f.looked);
const OUTCOMES = [...new Set(LOOKED.flatMap((f) => f.seen))];
const has = (f: CastFacts, { factor, level }: Level) => f.levels[factor] === level;
const mixOf = (f: CastFacts, i: number) => (f.casting === undefined ? `${i}` : `mix ${f.code}`);
const isFaulty = (outcome: string) => (f: CastFacts) => f.seen.includes(outcome);
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

/** What each casting counts for, mix by mix, written down as it is told (Donner and Klar). */
function plainWeights(outcome: string): number[] {
  const mixes = new Map<string, CastFacts[]>();
  LOOKED.forEach((f, i) => mixes.set(mixOf(f, i), [...(mixes.get(mixOf(f, i)) ?? []), f]));
  const all = [...mixes.values()].map((m) => ({ n: m.length, k: m.filter(isFaulty(outcome)).length }));
  const [N, K] = [LOOKED.length, all.length];
  const rate = sum(all.map((m) => m.k)) / N;
  const between = sum(all.map((m) => m.n * (m.k / m.n - rate) ** 2)) / (K - 1);
  const within = sum(all.map((m) => m.k * (1 - m.k / m.n))) / (N - K);
  const size = (N - sum(all.map((m) => m.n ** 2)) / N) / (K - 1);
  const total = between + (size - 1) * within;
  const rho = total <= 0 ? 0 : Math.min(1, Math.max(0, (between - within) / total));
  return LOOKED.map((f, i) => 1 / (1 + (mixes.get(mixOf(f, i))!.length - 1) * rho));
}

/** The limit that explains a group before its name does, casting by casting. */
function plainlyExplained(outcome: string, at: Level): Level | null {
  if (isOverLimit(at)) return null;
  const weights = plainWeights(outcome);
  const products = new Set(LOOKED.filter((f) => has(f, at)).map((f) => f.levels.product));
  const limits = new Map<string, Level>();
  for (const f of LOOKED)
    for (const factor of FACTORS) {
      const level = { factor, level: f.levels[factor] ?? '' };
      if (isOverLimit(level)) limits.set(`${factor} ${level.level}`, level);
    }
  const chance = (cells: [number, number, number, number]) => {
    const [a, b, c, d] = wholeTable(cells);
    return a * (c + d) > c * (a + b) ? fisherExact(a, b, c, d) / 2 : 1;
  };
  const cellsOf = (rows: readonly number[], isFirst: (f: CastFacts) => boolean): [number, number, number, number] => {
    const worth = (first: boolean, faulty: boolean) =>
      sum(
        rows
          .filter((i) => isFirst(LOOKED[i]!) === first && isFaulty(outcome)(LOOKED[i]!) === faulty)
          .map((i) => weights[i]!),
      );
    return [worth(true, true), worth(true, false), worth(false, true), worth(false, false)];
  };
  const explains = [...limits.values()].flatMap((limit) => {
    const rows = LOOKED.flatMap((f, i) =>
      products.has(f.levels.product) && f.levels[limit.factor] !== undefined ? [i] : [],
    );
    const kept = rows.filter((i) => !has(LOOKED[i]!, limit) && LOOKED[i]!.levels[at.factor] !== undefined);
    if (!rows.some((i) => has(LOOKED[i]!, limit) && has(LOOKED[i]!, at))) return [];
    const p = chance(cellsOf(rows, (f) => has(f, limit)));
    return p < 0.05 && chance(cellsOf(kept, (f) => has(f, at))) >= 0.05 ? [{ limit, p }] : [];
  });
  return explains.sort((a, b) => a.p - b.p)[0]?.limit ?? null;
}

describe('a log in columns', () => {
  const log = logOf(LOOKED);
  const { levels, products } = log.names;
  const [columns] = log.parts;
  it('holds what the facts hold', () => {
    expect(LOOKED.length).toBeGreaterThan(200);
    for (const [i, f] of LOOKED.entries()) {
      for (const factor of FACTORS) expect(levels[columns!.levelOf[factor][i]!]?.level).toBe(f.levels[factor]);
      expect(products[columns!.productOf[i]!]).toBe(f.levels.product ?? '');
    }
    for (const outcome of OUTCOMES)
      expect([...columns!.rows(outcome)]).toEqual(LOOKED.flatMap((f, i) => (f.seen.includes(outcome) ? [i] : [])));
    expect(seenIn(log).has('nothing of the kind')).toBe(false);
    expect(log.names.placeOf({ factor: 'mould', level: 'M-99' })).toBe(-1);
  });
  it('is worked out once for the same list', () => {
    expect(logOf(LOOKED)).toBe(log);
    expect(logOf([...LOOKED])).not.toBe(log);
    expect(logOf(log)).toBe(log);
  });
});

describe('what is learned by columns is what is learned casting by casting', () => {
  // In three parts, as a long log lies: no mix in two of them.
  const cuts = [0, 90, 200, LOOKED.length].map((at) => {
    const code = LOOKED[at]?.code;
    return at === 0 || code === undefined ? at : LOOKED.findIndex((f) => f.code === code);
  });
  const names = logNames();
  const log = logOfParts(
    names,
    [0, 1, 2].map((p) => logPart(names, LOOKED.slice(cuts[p], cuts[p + 1]))),
  );
  it.each(OUTCOMES)('weights and the widening of %s', (outcome) => {
    const plain = plainWeights(outcome);
    const weight = weightBySize(log, shows(outcome))!;
    // Summed in another order, so equal but for the machine's rounding.
    const sizes = log.parts.flatMap((part) => [...part.mixes.sizeOf]);
    plain.forEach((w, i) => {
      expect(weight(sizes[i]!)).toBeCloseTo(w, 12);
    });
    expect(designEffect(log, shows(outcome))).toBeCloseTo(LOOKED.length / sum(plain), 12);
    expect(designEffect(LOOKED, shows(outcome))).toBe(designEffect(log, shows(outcome)));
    // Asked by a function that names no outcome it is the same.
    expect(withinMix(LOOKED, isFaulty(outcome))).toBe(withinMix(LOOKED, shows(outcome)));
  });
  it('counts by level and product, weighted and not', () => {
    const sizes = log.parts.flatMap((part) => [...part.mixes.sizeOf]);
    expect(Math.max(...sizes)).toBeGreaterThan(2);
    const weights = sizes.map((m) => 1 / (1 + m));
    for (const of of [null, weights]) {
      const t = tally(log, OUTCOMES, of === null ? null : (m) => 1 / (1 + m));
      t.levels.forEach((level, l) =>
        t.products.forEach((product, p) => {
          const rows = LOOKED.flatMap((f, i) => (has(f, level) && (f.levels.product ?? '') === product ? [i] : []));
          expect(t.n(l, p)).toBeCloseTo(sum(rows.map((i) => of?.[i] ?? 1)), 9);
          const o = l % OUTCOMES.length;
          const bad = rows.filter((i) => LOOKED[i]!.seen.includes(OUTCOMES[o]!));
          expect(t.k(o, l, p)).toBeCloseTo(sum(bad.map((i) => of?.[i] ?? 1)), 9);
        }),
      );
    }
  });
  const findings = findPatterns(YEAR).findings;
  const headOf = (f: (typeof findings)[number]): [string, Level] => [
    f.pattern === null ? f.kind : `${f.kind}/${f.pattern}`,
    { factor: f.factor, level: f.level },
  ];
  it('what explains a group before its name does', () => {
    expect(findings.length).toBeGreaterThan(2);
    for (const [outcome, at] of findings.map(headOf))
      expect(explainedBy(log, weightBySize(log, shows(outcome)), outcome, at)).toEqual(plainlyExplained(outcome, at));
  });
  it('the odds that are left, by the regression on every casting', () => {
    const [outcome] = headOf(findings[0]!);
    const levels = findings.map((f) => headOf(f)[1]).filter((l) => l.factor !== 'product');
    const products = [...new Set(LOOKED.map((f) => f.levels.product ?? ''))].sort().slice(1);
    const features: Level[] = [...levels, ...products.map((level) => ({ factor: 'product' as const, level }))];
    const fit = ridgeLogistic(
      LOOKED.map((f) => features.flatMap((at, i) => (has(f, at) ? [i] : []))),
      LOOKED.map(isFaulty(outcome)),
      features.length,
    );
    const wider = Math.sqrt(designEffect(log, shows(outcome)));
    const parted = adjustedOdds(log, [outcome], levels).get(outcome)!;
    levels.forEach((_, i) => {
      expect(parted(i).oddsRatio).toBeCloseTo(Math.exp(fit.beta[i]!), 9);
      expect(Math.log(parted(i).high / parted(i).low)).toBeCloseTo(2 * 1.959964 * wider * fit.se[i]!, 5);
    });
  });
});

describe('a log that is kept up to date by what changed', () => {
  /** The demo year over again, so that it fills several parts. */
  const long = Array.from({ length: 14 }, (_, y) =>
    YEAR.map((f) => {
      const code = `${f.code}-${y}`;
      const startedAt = f.startedAt === null ? null : `${2012 + y}${f.startedAt.slice(4)}`;
      return {
        ...f,
        code,
        startedAt,
        ...(f.castings ? { castings: f.castings.map((k) => ({ ...k, code, startedAt })) } : {}),
      };
    }),
  ).flat();
  const entry = (f: (typeof long)[number]): BookEntry => ({ code: f.code, at: f.startedAt, facts: f });
  const chance = chanceFrom(4);
  it('tells what one that was begun anew tells, whatever came, changed and went', { timeout: 60_000 }, () => {
    const book = logBook(long.slice(0, 2500));
    book.change(long.slice(2500, 2600).map(entry));
    let now = new Map(long.slice(0, 2600).map((f) => [f.code, f]));
    patternsIn(book.view());
    for (let round = 0; round < 6; round += 1) {
      const gone = [...now.values()].filter(() => chance.flip(0.01));
      // One that is logged afresh may have another day, other people, and faults that it had not.
      const changed = [...now.values()]
        .filter((f) => !gone.includes(f) && chance.flip(0.01))
        .map((f) => ({
          ...f,
          startedAt: chance.flip(0.5) ? f.startedAt : `2031-0${1 + round}-11T09:00:00+00:00`,
          levels: { ...f.levels, person: 'NEW' },
          seen: ['bubbles', 'bubbles/micro-throughout'],
        }));
      const come = long.slice(2600 + 10 * round, 2610 + 10 * round);
      book.change([...gone.map((f): BookEntry => ({ ...entry(f), facts: null })), ...[...changed, ...come].map(entry)]);
      now = new Map([...now, ...[...changed, ...come].map((f) => [f.code, f] as const)]);
      for (const { code } of gone) now.delete(code);
    }
    const view = book.view();
    expect(view.looked.parts.length).toBeGreaterThan(1);
    expect(view.facts.map((f) => f.code).sort()).toEqual([...now.keys()].sort());
    expectSame(patternsIn(view), findPatterns([...now.values()]));
  });
  it('is asked of some days alone, and what has no day is in none', () => {
    const [first, ...others] = long.slice(0, 600);
    const all = [{ ...first!, startedAt: null }, ...others];
    const book = logBook(all);
    const [from, to] = ['2012-06-01', '2013-02-01'];
    const some = all.filter((f) => f.startedAt !== null && f.startedAt >= from && f.startedAt < to);
    expect(some.length).toBeGreaterThan(50);
    expect(
      book
        .view(from, to)
        .facts.map((f) => f.code)
        .sort(),
    ).toEqual(some.map((f) => f.code).sort());
    expect(book.view(undefined, from).facts.some((f) => f.startedAt === null)).toBe(false);
    expect(book.view().batches).toBe(600);
    // Asked between the whole log, which knows more names.
    const plain = findPatterns(some);
    expectSame(patternsIn(book.view(from, to)), plain);
    expectSame(patternsIn(book.view()), findPatterns(all));
    expectSame(patternsIn(book.view(from, to)), plain);
    expect(book.view('2050-01-01').batches).toBe(0);
    expect(patternsIn(book.view('2050-01-01'))).toMatchObject({ batches: 0, questions: 0, findings: [] });
  });
  it('goes on from nothing and back to nothing', () => {
    const book = logBook();
    expect(patternsIn(book.view())).toMatchObject({ batches: 0, castings: 0, looked: 0 });
    const some = long.slice(0, 40).map(entry);
    book.change(some);
    expect(book.view().batches).toBe(40);
    // What is told twice is there once; what was never there can go.
    book.change(some.slice(0, 3));
    expect(book.view().batches).toBe(40);
    book.change([{ code: 'nobody', at: null, facts: null }]);
    book.change(some.map((e) => ({ ...e, facts: null })));
    expect(book.view().batches).toBe(0);
    book.change(some.slice(0, 1));
    expect(book.view().facts.map((f) => f.code)).toEqual([some[0]!.code]);
  });
});

describe('features of castings', () => {
  it('are told apart by more of them than one number holds', () => {
    const wide = FACTORS.map((factor) =>
      Array.from({ length: 12 }, (_, l): Level => ({ factor, level: `${factor} ${l}` })),
    );
    const casts = Array.from({ length: 60 }, (_, i) => ({
      ...LOOKED[0]!,
      levels: Object.fromEntries(wide.map((levels, f) => [levels[0]!.factor, levels[(i * (f + 1)) % 12]!.level])),
      seen: i % 4 === 0 ? ['haze'] : [],
    }));
    const features = wide.flat();
    const kinds = featureKinds(logOf(casts), features, ['haze'], 'test');
    expect(kinds.length).toBe(12);
    expect(sum(kinds.map((k) => k.n))).toBe(60);
    expect(sum(kinds.map((k) => k.yes[0]!))).toBe(15);
    for (const kind of kinds) {
      expect(kind.features).toHaveLength(FACTORS.length);
      const like = casts.filter((f) => kind.features.every((i) => has(f, features[i]!)));
      expect(like.length).toBe(kind.n);
    }
  });
});

describe('a sum over a log', () => {
  const names = logNames();
  const part = (from: number, to: number) => logPart(names, LOOKED.slice(from, to));
  const parts = [part(0, 50), part(50, 120), part(120, 180), part(180, 240)];
  const asked: string[] = [];
  const sizes = (of: readonly LogPart[], name = 'sizes', by = '') =>
    totalOf<{ n: number }>(logOfParts(names, of), name, by, {
      zero: () => ({ n: 0 }),
      add: (total, one, sign) => {
        asked.push(`${sign > 0 ? '+' : '-'}${one.size}`);
        total.n += sign * one.size;
      },
    }).n;
  const steps = (work: () => number): [number, string[]] => {
    asked.length = 0;
    return [work(), [...asked]];
  };
  it('goes through what came and what went alone, and through all where it depends on something else', () => {
    expect(steps(() => sizes(parts))).toEqual([240, ['+50', '+70', '+60', '+60']]);
    expect(steps(() => sizes(parts))).toEqual([240, []]);
    const other = [parts[0]!, part(50, 110), ...parts.slice(2)];
    expect(steps(() => sizes(other))).toEqual([230, ['-70', '+60']]);
    expect(steps(() => sizes(parts.slice(0, 3), 'sizes', 'others'))[1]).toEqual(['+50', '+70', '+60']);
    // So much is another that it is sooner summed anew.
    expect(steps(() => sizes([part(0, 9)], 'sizes', 'others'))).toEqual([9, ['+9']]);
  });
  it('knows nothing of names that came with another log since', () => {
    const [few, more] = [
      logNames(),
      LOOKED.map((f) => ({ ...f, levels: { product: 'p', mould: f.levels.mould ?? 'M-1' } })),
    ];
    const [first, second] = [logPart(few, more.slice(0, 1)), logPart(few, more)];
    const counted = (of: readonly LogPart[]) => {
      const t = tally(logOfParts(few, of), ['bubbles']);
      return t.levels.map((_, l) => t.n(l, 0) + t.k(0, l, 0));
    };
    const before = counted([first]);
    expect(logOfParts(few, [second]).names.levels.length).toBeGreaterThan(before.length);
    expect(counted([first])).toEqual([...before, ...few.levels.slice(before.length).map(() => 0)]);
  });
  it('is forgotten where no log of the last asked for it, with the parts that it was summed from', () => {
    sizes(parts, 'now and then');
    for (let i = 0; i < 5; i += 1) sizes([...parts], 'often');
    expect(steps(() => sizes([...parts], 'now and then'))[1]).toEqual([]);
    for (let i = 0; i < 12; i += 1) sizes([...parts], 'often');
    expect(steps(() => sizes([...parts], 'now and then'))[1]).toHaveLength(4);
    expect(steps(() => sizes([...parts], 'often'))[1]).toEqual([]);
  });
});
