import { describe, expect, it } from 'vitest';
import { shares } from '../diagnosis/ledger';
import { QUICK_TESTS } from '../diagnosis/quickTests';
import { batchSchema } from '../formats/batch';
import { valueAt } from '../formats/documentPath';
import { DRILL_LEVELS, drillCaseSchema } from '../formats/drill';
import { CAUSE_IDS, FAMILIES, PATTERNS_BY_SYMPTOM, type CauseId } from '../formats/vocabulary';
import { drillAsks, drillTold, knownAfter, testOutcome } from './drillAsk';
import { drillCase, drillFacts, sharedShowings } from './drillCase';
import { drillCauses } from './diagnosisDrill';

const SEEDS = Array.from({ length: 12 }, (_, i) => 400 + 31 * i);
const written = (c: ReturnType<typeof drillCase>) => drillFacts(c, { batch: c.batch, history: {} });

describe.each(DRILL_LEVELS)('a drill of level %i', (level) => {
  const cases = SEEDS.map((seed) => drillCase(seed, level));
  it('is the same for the same seed, and another for another', () => {
    expect(drillCase(SEEDS[0]!, level)).toEqual(cases[0]);
    expect(new Set(cases.map((c) => JSON.stringify(c.batch))).size).toBe(cases.length);
  });
  it('can be kept and read, and has its cause among those in question', () => {
    for (const c of cases) {
      expect(drillCaseSchema.parse(JSON.parse(JSON.stringify(c)))).toEqual(JSON.parse(JSON.stringify(c)));
      expect(drillCauses(c)).toEqual(expect.arrayContaining(c.truth));
      expect(drillCauses(c).at(-1)).toBe('something-else');
      expect(c.truth).toHaveLength(level === 4 ? 2 : 1);
      // What is to be looked at has to be seen.
      expect(c.seen.pattern !== 'unspecified' || PATTERNS_BY_SYMPTOM[c.seen.kind].length === 1).toBe(true);
    }
  });
});

describe('levels', () => {
  it('leave the ledger sure of a plain one, and between two of those that look alike', () => {
    const share = (c: ReturnType<typeof drillCase>) => shares(written(c)).get(c.truth[0]!)?.share ?? 0;
    for (const seed of SEEDS) expect(share(drillCase(seed, 1))).toBeGreaterThanOrEqual(0.6);
    const alike = SEEDS.map((seed) => share(drillCase(seed, 3)));
    expect(Math.max(...alike)).toBeLessThan(0.85);
  });
  it('write wrong figures only where they say so', () => {
    const wrongFigures = (level: 1 | 5) =>
      SEEDS.flatMap((seed) => {
        const c = drillCase(seed, level);
        return Object.entries(c.batch.mix ?? {}).filter(([key, v]) => {
          const was = valueAt(c.lived, `mix.${key}`);
          return typeof v === 'number' && typeof was === 'number' && Math.abs(v - was) > Math.abs(was) * 0.5;
        });
      }).length;
    expect(wrongFigures(1)).toBe(0);
    expect(wrongFigures(5)).toBeGreaterThan(0);
  });
});

describe('a wish', () => {
  it('for a family is kept for every family', () => {
    for (const family of FAMILIES) expect(drillCase(77, 2, { family }).product.family).toBe(family);
  });
  it('for two that were confused gives one of the two, showing what both make', () => {
    const confused = { cause: 'pressure-late', takenFor: 'damp-resin' } as const;
    const both = sharedShowings(confused.cause, confused.takenFor);
    const drawn = SEEDS.map((seed) => drillCase(seed, 2, { confused }));
    for (const { seen, truth } of drawn) {
      expect(both.map((s) => `${s.kind} ${s.pattern}`)).toContain(`${seen.kind} ${seen.pattern}`);
      expect(['pressure-late', 'damp-resin']).toContain(truth[0]);
    }
    expect(new Set(drawn.map((c) => c.truth[0])).size).toBe(2);
  });
  it.each([
    ['aged-hardener', 'overheated'],
    ['thin-section', 'cold-cure'],
    ['pressure-let-go', 'not-cleared'],
  ] as const)('for %s taken for %s is a cast that either could have spoiled', (cause, takenFor) => {
    for (const seed of SEEDS) {
      const drawn = drillCase(seed, 1, { confused: { cause, takenFor } });
      expect(drillCauses(drawn), `${seed}: ${drawn.product.family}`).toEqual(expect.arrayContaining([cause, takenFor]));
    }
  });
  it('for two that never look alike still gives a drill', () => {
    const ids = CAUSE_IDS.filter((id) => id !== 'something-else');
    const takenFor = ids.find((id) => sharedShowings('shrinkage', id).length === 0)!;
    expect(drillCase(5, 2, { confused: { cause: 'shrinkage', takenFor } }).truth).toHaveLength(1);
  });
});

describe('asking', () => {
  const cases = SEEDS.flatMap((seed) => ([2, 3, 5] as const).map((level) => drillCase(seed, level)));
  it('tells what really was, and leaves a record that the format takes', () => {
    for (const c of cases) {
      // Some answers tell another field as well, which is not offered then.
      const asked = drillAsks(c, [])
        .filter((a) => a.kind === 'field' || a.kind === 'again')
        .reduce<string[]>((all, { id }) => (drillAsks(c, all).some((a) => a.id === id) ? [...all, id] : all), []);
      const { batch } = knownAfter(c, asked);
      expect(batchSchema.safeParse(batch).success).toBe(true);
      for (const { field } of drillAsks(c, []).filter((a) => asked.includes(a.id)))
        expect(valueAt(batch, field!) ?? null).toEqual(valueAt(c.lived, field!) ?? null);
      expect(drillTold(c, asked)).toHaveLength(asked.length);
    }
  });
  it('costs its minutes, is offered once, and nothing that is not offered is told', () => {
    for (const c of cases.slice(0, 6)) {
      const [first] = drillAsks(c, []);
      expect(drillAsks(c, [first!.id]).map((a) => a.id)).not.toContain(first!.id);
      expect(drillTold(c, [first!.id, 'field:truth', 'test:luck', 'nonsense'])).toHaveLength(1);
      for (const ask of drillAsks(c, [])) expect(ask.minutes).toBeGreaterThanOrEqual(1);
    }
  });
  it('tries a test the same way each time, by what it was', () => {
    const softCases = Array.from({ length: 40 }, (_, i) =>
      drillCase(9000 + i, 2, { confused: { cause: 'too-soon', takenFor: 'ratio-off' } }),
    ).filter((c) => ['soft', 'tacky'].includes(c.seen.kind));
    const spoon = QUICK_TESTS.find((t) => t.id === 'warm-spoon')!;
    const outcomes = (only: readonly CauseId[]) =>
      softCases.filter((c) => only.includes(c.truth[0]!)).map((c) => testOutcome(spoon, c).id);
    for (const c of softCases) expect(testOutcome(spoon, c)).toBe(testOutcome(spoon, c));
    // What only needed time or warmth grows firmer more often than what was wrongly mixed.
    const firmer = (all: readonly string[]) => all.filter((o) => o === 'firmer').length / Math.max(1, all.length);
    const [slow, wrong] = [outcomes(['cold-cure', 'too-soon']), outcomes(['ratio-off', 'under-mixed'])];
    expect(slow.length).toBeGreaterThan(2);
    expect(wrong.length).toBeGreaterThan(2);
    expect(firmer(slow)).toBeGreaterThan(firmer(wrong));
  });
  it('never foams what has no isocyanate', () => {
    const cup = QUICK_TESTS.find((t) => t.id === 'small-cup')!;
    for (const c of Array.from({ length: 60 }, (_, i) => drillCase(700 + i, 2, { family: 'epoxy' })))
      expect(testOutcome(cup, c).id).not.toBe('foams');
  });
});
