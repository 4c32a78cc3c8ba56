import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { saltmarshYear } from '../simulation/saltmarshYear';
import { batchFacts, type BatchFacts } from './batchFacts';
import { packFacts, unpackFacts } from './packedFacts';

const YEAR = saltmarshYear(new Date('2026-11-24T14:30:00Z')).map(({ batch }) =>
  batchFacts(saltmarshCard(batch.product.slug), batch),
);
const through = (facts: BatchFacts) =>
  unpackFacts(JSON.parse(JSON.stringify(packFacts(facts))) as ReturnType<typeof packFacts>);

describe('facts as they are kept', () => {
  it('come back as they were, for every batch of a year', () => {
    expect(YEAR.some((f) => (f.castings?.length ?? 0) > 2)).toBe(true);
    for (const facts of YEAR) expect(through(facts), facts.code).toEqual(facts);
  });
  it('are little more than half as long', () => {
    const length = (of: (facts: BatchFacts) => unknown) =>
      YEAR.reduce((sum, f) => sum + JSON.stringify(of(f)).length, 0);
    expect(length(packFacts)).toBeLessThan(0.62 * length((f) => f));
  });
  it('tell of a casting what is not so of its batch, and what its batch has and it has not', () => {
    const [plain] = YEAR.filter((f) => f.castings !== undefined);
    const [first, ...others] = plain!.castings!;
    const levels = { ...first!.levels, mould: undefined };
    delete levels.mould;
    const facts: BatchFacts = {
      ...plain!,
      grade: 'pass',
      seen: ['haze', 'haze/surface-film'],
      leftG: 3,
      castings: [{ ...first!, levels, seen: [], grade: null, looked: false, leftG: null, mendG: 2.5 }, ...others],
    };
    expect(facts.levels.mould).toBeDefined();
    expect(packFacts(facts).castings![0]).toMatchObject({ levels: { mould: null }, seen: [], grade: null, mendG: 2.5 });
    expect(through(facts)).toEqual(facts);
  });
  it('are whole, and nothing, where little or nothing was kept', () => {
    expect(unpackFacts({ code: 'B-1' })).toEqual({
      code: 'B-1',
      startedAt: null,
      levels: {},
      seen: [],
      limits: [],
      looked: false,
      grade: null,
      massG: null,
      massAG: null,
      massBG: null,
      mendG: 0,
      leftG: null,
      pulls: null,
      gel: null,
    });
    expect(through(YEAR[0]!)).toEqual(through(through(YEAR[0]!)));
  });
});
