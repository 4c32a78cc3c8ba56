import { describe, expect, it } from 'vitest';
import { lotSchema } from '../formats/lot';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { saltmarshYear } from '../simulation/saltmarshYear';
import { expectSame } from '../testing/expectSame';
import { batchFacts, castingFacts } from './batchFacts';
import { logBook } from './logBook';
import type { BookEntry, PartRange } from './logParts';
import { patternsIn } from './patterns';

const YEAR = saltmarshYear(new Date('2026-11-24T14:30:00Z')).map(({ batch }) =>
  batchFacts(saltmarshCard(batch.product.slug), batch),
);

describe('parts that are kept as columns', () => {
  const SIZE = 30;
  const entries = YEAR.map((f): BookEntry => ({
    code: f.code,
    at: f.startedAt === null ? null : new Date(f.startedAt).toISOString(),
    facts: f,
  }));
  const inRange = ([firstAt, firstCode, lastAt, lastCode]: PartRange) =>
    entries.filter(({ at, code }) => {
      const key = `${at ?? ''} ${code}`;
      return key >= `${firstAt} ${firstCode}` && key <= `${lastAt} ${lastCode}`;
    });
  const whole = logBook(YEAR, SIZE);
  const kept = whole.toKeep([]);
  /** A book that holds them, with the batches that lie in none. */
  const holding = () => {
    const book = logBook([], SIZE);
    for (const { range, columns } of kept) book.hold(range, columns);
    const held = new Set(kept.flatMap(({ range }) => inRange(range)));
    book.lay(entries.filter((e) => !held.has(e)));
    return book;
  };
  it('are all but the one that grows, each with the batches from its first to its last', () => {
    expect(kept.length).toBe(Math.ceil(YEAR.length / SIZE) - 1);
    for (const { range, columns } of kept) {
      const facts = inRange(range).map((e) => e.facts!);
      expect(columns.batches).toBe(facts.length);
      expect(columns.castings).toBe(castingFacts(facts).length);
      expect(columns.size).toBe(castingFacts(facts).filter((f) => f.looked).length);
    }
    expect(whole.toKeep(kept.map((k) => k.range))).toEqual([]);
    expect(whole.toKeep(kept.slice(1).map((k) => k.range)).map((k) => k.range)).toEqual([kept[0]!.range]);
    expect(holding().toKeep([])).toEqual([]);
  });
  it('tell patterns what their batches told, prices too', () => {
    const lots = (['A', 'B'] as const).map((part) =>
      lotSchema.parse({
        format: 'warm-jar.lot/1',
        code: `${part}-1`,
        productSlug: 'house-clear-6',
        part,
        quantityG: 1000,
        price: 40,
      }),
    );
    const plain = patternsIn(whole.view(), { lots });
    expect(plain.findings.some((f) => f.due.moneyAYear !== null)).toBe(true);
    const book = holding();
    expectSame(patternsIn(book.view(), { lots }), plain);
    // Told batch by batch again, one after another, it stays so.
    for (const { range } of kept) {
      book.lay(inRange(range), range);
      expectSame(patternsIn(book.view(), { lots }), plain);
    }
    expect(book.view().facts.map((f) => f.code)).toEqual(whole.view().facts.map((f) => f.code));
  });
  it('know no batch by itself: facts and days are refused', () => {
    const book = holding();
    expect(() => book.view().facts).toThrow('Facts are asked of batches');
    expect(() => book.view('2026-03-01')).toThrow('Days are asked of batches');
  });
});
