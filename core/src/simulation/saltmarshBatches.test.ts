import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis/diagnose';
import { mixMasses } from '../mixing/batchAmounts';
import { stageOf } from '../planning/stage';
import { saltmarshBatches } from './saltmarshBatches';
import { SALTMARSH_CARDS, saltmarshCard } from './saltmarshCards';
import { saltmarshMoulds } from './saltmarshMoulds';
import { saltmarshLots } from './saltmarshShelf';

const now = new Date('2026-11-24T14:30:00Z');
const batches = saltmarshBatches(now);
const symptomsOf = (b: (typeof batches)[number]) => (b.checks ?? []).flatMap((c) => c.symptoms ?? []);

describe("the demo studio's batches", () => {
  it('are thirty-nine, with their own codes, the same each time', () => {
    expect(batches).toHaveLength(39);
    expect(new Set(batches.map((b) => b.code)).size).toBe(39);
    expect(saltmarshBatches(now)).toEqual(batches);
  });
  it('show a fault in a third, and use every product', () => {
    expect(batches.filter((b) => symptomsOf(b).length > 0)).toHaveLength(16);
    expect(new Set(batches.map((b) => b.product.slug))).toEqual(new Set(SALTMARSH_CARDS.map((c) => c.slug)));
  });
  it('have some in work today, each at another stage, and none from the future', () => {
    const stages = batches.map((b) => stageOf(saltmarshCard(b.product.slug), b));
    expect(stages.slice(-11)).toEqual([
      'check',
      'check',
      'watch',
      'press',
      'pour',
      'mix',
      'check',
      'check',
      'watch',
      'watch',
      'watch',
    ]);
    for (const b of batches) {
      const hoursAgo = (now.getTime() - Date.parse(b.startedAt!)) / 3.6e6;
      expect(hoursAgo).toBeGreaterThan(0);
      for (const check of b.checks ?? []) expect(check.afterH, `${b.code}`).toBeLessThanOrEqual(hoursAgo);
    }
  });
  it('are poured from lots that are on the shelf, and into moulds that are', () => {
    const lots = new Set(saltmarshLots(now).map((l) => `${l.productSlug} ${l.part} ${l.code}`));
    const moulds = new Set(saltmarshMoulds().map((m) => m.code));
    for (const b of batches) {
      expect(lots, b.code!).toContain(`${b.product.slug} A ${b.lotA?.code}`);
      if (b.lotB) expect(lots, b.code!).toContain(`${b.product.slug} B ${b.lotB.code}`);
      if (b.mould?.code) expect(moulds, b.code!).toContain(b.mould.code);
    }
  });
  it('leave something in every lot', () => {
    for (const lot of saltmarshLots(now)) {
      const used = batches
        .filter((b) => b.product.slug === lot.productSlug && (lot.part === 'A' ? b.lotA : b.lotB)?.code === lot.code)
        .reduce((sum, b) => {
          const { massAG, massBG } = mixMasses(saltmarshCard(b.product.slug), b);
          return sum + ((lot.part === 'A' ? massAG : massBG) ?? 0);
        }, 0);
      expect(used, `${lot.code} of ${lot.productSlug}`).toBeLessThan(lot.quantityG!);
    }
  });
  it.each([
    ['B-0394', 'ratio-off'],
    ['B-0397', 'under-mixed'],
    ['B-0399', 'damp-resin'],
    ['B-0402', 'cold-cure'],
    ['B-0403', 'overheated'],
    ['B-0405', 'catalyst-high'],
    ['B-0407', 'too-soon'],
    ['B-0408', 'pressure-late'],
    ['B-0411', 'light-yellowed'],
    ['B-0413', 'cold-thick-resin'],
  ])('%s was spoiled by %s, and its record says so', (code, cause) => {
    const batch = batches.find((b) => b.code === code)!;
    const found = diagnose(saltmarshCard(batch.product.slug), batch).symptoms.at(-1)!;
    expect(found.causes[0]!.id, found.causes.map((c) => `${c.id} ${c.share.toFixed(2)}`).join(', ')).toBe(cause);
  });
});
