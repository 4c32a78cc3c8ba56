import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batchSchema } from '../formats/batch';
import { wordsIn } from '../units/wording';
import { SYMPTOM_KINDS, PATTERNS_BY_SYMPTOM } from '../formats/vocabulary';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { recordFacts } from './caseFacts';
import { diagnose } from './diagnose';
import { rankCauses, shares } from './ledger';
import { pointsFor } from './weight';

const anySeen = fc.constantFrom(...SYMPTOM_KINDS).chain((kind) =>
  fc.record({
    kind: fc.constant(kind),
    pattern: fc.constantFrom(...PATTERNS_BY_SYMPTOM[kind]),
    afterH: fc.double({ min: 0.5, max: 800, noNaN: true }),
  }),
);
const anySlug = fc.constantFrom(...SALTMARSH_CARDS.map((c) => c.slug));
const factsFor = (
  slug: string,
  patch: Record<string, unknown>,
  seen: { kind: 'soft' | 'tacky' | 'bubbles'; pattern: string; afterH: number },
) => ({ ...recordFacts(saltmarshCard(slug), soundBatch(slug, patch), wordsIn()), seen });

describe('the ledger', () => {
  it('gives shares that sum to one, with something-else among them, for every product, symptom and record', () => {
    fc.assert(
      fc.property(
        anySlug,
        anySeen,
        fc.double({ min: 5, max: 35, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (slug, seen, roomC, humidityPct) => {
          const record = recordFacts(
            saltmarshCard(slug),
            soundBatch(slug, { room: { temperatureC: roomC, humidityPct } }),
            wordsIn(),
          );
          const causes = rankCauses({ ...record, seen });
          expect(causes.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 9);
          expect(causes.find((c) => c.id === 'something-else')?.share).toBeGreaterThan(0);
          for (const c of causes) for (const e of c.evidence) expect(e.says.length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('lets the share of cold-cure only rise as the room gets colder below the card', () => {
    const shareAt = (temperatureC: number) =>
      shares(
        factsFor(
          'house-deep-40',
          { room: { temperatureC }, cure: { temperatureC } },
          { kind: 'soft', pattern: 'all-over', afterH: 400 },
        ),
      ).get('cold-cure')!.share;
    const coldToWarm = [8, 10, 12, 14, 16, 18, 20, 22].map(shareAt);
    expect([...coldToWarm].sort((a, b) => b - a)).toEqual(coldToWarm);
  });

  it('gives an unrecorded room no weight for or against', () => {
    const facts = factsFor(
      'house-deep-40',
      {
        room: { temperatureC: null, humidityPct: null },
        cure: { temperatureC: null },
        resin: { temperatureAC: null, temperatureBC: null, atPourC: null },
      },
      { kind: 'soft', pattern: 'all-over', afterH: 400 },
    );
    expect(shares(facts).get('cold-cure')!.evidence).toEqual([]);
  });

  it('does not depend on the order of additives and checks', () => {
    const additives = [
      { kind: 'dye', massG: 9 },
      { kind: 'mica', massG: 4 },
      { kind: 'pigment-paste', massG: 8 },
    ];
    const checks = [
      { afterH: 24, shore: 40, symptoms: [{ kind: 'soft', pattern: 'all-over' }] },
      { afterH: 72, shore: 41 },
    ];
    const one = diagnose(saltmarshCard('house-clear-6'), soundBatch('house-clear-6', { additives, checks }));
    const other = diagnose(
      saltmarshCard('house-clear-6'),
      soundBatch('house-clear-6', { additives: [...additives].reverse(), checks: [...checks].reverse() }),
    );
    const ranked = (d: typeof one) => d.symptoms[0]!.causes.map((c) => [c.id, c.share.toFixed(9)]);
    expect(ranked(other)).toEqual(ranked(one));
  });

  it('starts from how often a cause happens in the family, before the record is read', () => {
    const bare = (slug: string) =>
      shares({
        ...recordFacts(
          saltmarshCard(slug),
          batchSchema.parse({ format: 'warm-jar.batch/1', product: { slug, revision: 1 } }),
          wordsIn(),
        ),
        seen: { kind: 'soft', pattern: 'all-over', afterH: 400 },
      });
    const odds = (slug: string) => bare(slug).get('ratio-off')!.share / bare(slug).get('something-else')!.share;
    expect(odds('house-deep-40') / odds('house-clear-6')).toBeCloseTo(1.3 / 0.9, 6);
  });

  it('says nothing of a batch without symptoms', () => {
    expect(diagnose(saltmarshCard('house-tide'), soundBatch('house-tide')).symptoms).toEqual([]);
  });
});

describe('pointsFor', () => {
  const weight = { slope: 10, most: 12, least: 6 };
  it('is zero at the limit, rises with the margin, and never passes its caps', () => {
    expect(pointsFor(0, weight)).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (m, more) => {
          expect(pointsFor(m + more, weight)).toBeGreaterThanOrEqual(pointsFor(m, weight));
          expect(pointsFor(m, weight)).toBeLessThanOrEqual(12);
          expect(pointsFor(m, weight)).toBeGreaterThanOrEqual(-6);
        },
      ),
    );
  });
  it('has the stated slope near the limit on both sides', () => {
    expect(pointsFor(1e-4, weight)).toBeCloseTo(1e-3, 8);
    expect(pointsFor(-1e-4, weight)).toBeCloseTo(-1e-3, 8);
  });
});
