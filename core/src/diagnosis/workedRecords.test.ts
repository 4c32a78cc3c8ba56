import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { PATTERNS_BY_SYMPTOM, type CauseId } from '../formats/vocabulary';
import { CATALOGUE } from './catalogue';
import { diagnose } from './diagnose';
import { WORKED } from './worked/allWorked';

describe('worked records of the demo studio', () => {
  it.each(WORKED)(
    '$slug, $seen.kind $seen.pattern: $because',
    ({ slug, record, seen, history, first, atLeast, notAbove }) => {
      const batch = soundBatch(slug, record);
      const afterH = seen.afterH ?? 24;
      batch.checks = [
        ...(batch.checks ?? []),
        { afterH, shore: record['checks'] ? 58 : null, symptoms: [{ kind: seen.kind, pattern: seen.pattern }] },
      ];
      const { symptoms } = diagnose(saltmarshCard(slug), batch, { history });
      const { causes } = symptoms.at(-1)!;
      const shareOf = (id: CauseId) => causes.find((c) => c.id === id)?.share ?? 0;
      expect(causes[0]!.id, causes.map((c) => `${c.id} ${c.share.toFixed(2)}`).join(', ')).toBe(first);
      expect(causes[0]!.share).toBeGreaterThanOrEqual(atLeast);
      if (notAbove) expect(shareOf(notAbove[0])).toBeLessThanOrEqual(notAbove[1]);
    },
  );

  it('are many, and cover every cause the catalogue can argue for and every pattern once', () => {
    expect(WORKED.length).toBeGreaterThanOrEqual(140);
    const covered = new Set(WORKED.map((w) => w.first));
    expect(CATALOGUE.filter((c) => !covered.has(c.id)).map((c) => c.id)).toEqual([]);
    const seen = new Set(WORKED.map((w) => `${w.seen.kind} ${w.seen.pattern}`));
    const all = Object.entries(PATTERNS_BY_SYMPTOM).flatMap(([kind, patterns]) => patterns.map((p) => `${kind} ${p}`));
    expect(all.filter((p) => !seen.has(p))).toEqual([]);
  });

  it('leave no symptom and pattern without a cause to argue for', () => {
    for (const [kind, patterns] of Object.entries(PATTERNS_BY_SYMPTOM)) {
      for (const pattern of patterns)
        expect(
          CATALOGUE.some((c) => (c.prior[kind as 'soft'] as Record<string, number> | undefined)?.[pattern]),
          `${kind} ${pattern}`,
        ).toBe(true);
    }
  });
});
