import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { saltmarshLots } from '../simulation/saltmarshShelf';
import { saltmarshYear } from '../simulation/saltmarshYear';
import { soundBatch } from '../simulation/soundBatch';
import { batchFacts, castingFacts, type BatchFacts } from './batchFacts';
import { MONTHS_BEFORE, monthReport, monthsBefore } from './monthReport';

const CARD = saltmarshCard('house-clear-6');
const made = (code: string, at: string, patch: Record<string, unknown> = {}): BatchFacts =>
  batchFacts(CARD, soundBatch('house-clear-6', { code, startedAt: at, ...patch }));
const seen = (kind: string, pattern: string, grade = 'scrap') => ({
  checks: [{ afterH: 24, symptoms: [{ kind, pattern, severity: 3 }], grade }],
});
const sound = { checks: [{ afterH: 24, symptoms: [], grade: 'pass' }] };
const NOTHING_MADE = monthReport([], '2026-05', []);

describe('a month', () => {
  const facts = [
    made('B-1', '2026-04-10T09:00:00+02:00', seen('bubbles', 'micro-throughout')),
    made('B-2', '2026-04-20T09:00:00+02:00', sound),
    made('B-3', '2026-05-02T09:00:00+02:00', {
      ...seen('bubbles', 'large-voids'),
      outcome: [{ symptom: 'bubbles', cause: 'trapped-by-shape', how: 'seen' }],
    }),
    made('B-4', '2026-05-09T09:00:00+02:00', {
      ...sound,
      copiedFrom: { code: 'B-1', changes: [{ cause: 'damp-resin', says: 'On a dry day.' }] },
    }),
    made('B-5', '2026-05-20T09:00:00+02:00', seen('tacky', 'sticky-spots', 'second')),
    made('B-6', '2026-05-21T09:00:00+02:00', { checks: [] }),
    made('B-7', '2026-06-01T00:10:00+02:00', seen('haze', 'frosted-skin')),
  ];
  const may = monthReport(facts, '2026-05', []);
  it('counts what was poured in it, and nothing after it', () => {
    expect(may).toMatchObject({
      format: 'warm-jar.month/1',
      month: '2026-05',
      against: 1,
      yield: { batches: 4, castings: 4, looked: 3, open: 1, grades: { pass: 1, second: 1, scrap: 1 } },
      before: { batches: 2, grades: { pass: 1, scrap: 1 } },
    });
    expect(may.yield.passed).toMatchObject({ k: 1, n: 3 });
    expect(may.faults.some((f) => f.kind === 'haze')).toBe(false);
  });
  it('tells what went wrong against the months before, each pattern within its kind', () => {
    const bubbles = may.faults.find((f) => f.kind === 'bubbles' && f.pattern === null)!;
    expect(bubbles).toMatchObject({ k: 1, n: 3, batches: ['B-3'], before: { k: 1, n: 2 } });
    expect(may.faults.find((f) => f.pattern === 'sticky-spots')).toMatchObject({ k: 1, before: { k: 0 } });
  });
  it('tells what it turned out to be, and what nobody has said yet', () => {
    expect(may.outcomes).toEqual([{ kind: 'bubbles', cause: 'trapped-by-shape', times: 1, batches: ['B-3'] }]);
    expect(may.unknown).toEqual(['B-5']);
  });
  it('tells what was changed, and whether it helped', () => {
    expect(may.changes).toEqual([{ from: 'B-1', to: 'B-4', says: ['On a dry day.'], verdict: 'helped' }]);
    const verdict = (patch: Record<string, unknown>, from = 'B-1') => {
      const copiedFrom = { code: from, changes: [{ cause: 'damp-resin', says: 'x' }] };
      const copy = made('B-9', '2026-05-12T09:00:00+02:00', { copiedFrom, ...patch });
      return monthReport([...facts, copy], '2026-05', []).changes.find((c) => c.to === 'B-9')!.verdict;
    };
    expect(verdict(seen('bubbles', 'unspecified'))).toBe('did not help');
    expect(verdict({ checks: [] })).toBe('not looked at');
    expect(verdict(sound, 'B-2')).toBe('cannot be told');
    expect(verdict(sound, 'B-404')).toBe('cannot be told');
    // The bubbles it was changed for are gone; that it is tacky now is another matter.
    expect(verdict(seen('tacky', 'liquid'))).toBe('helped');
  });
  it('without a batch says so and invents nothing', () => {
    expect(NOTHING_MADE).toMatchObject({ against: 0, before: null, faults: [], outcomes: [], changes: [], losses: [] });
    expect(NOTHING_MADE.yield).toMatchObject({ batches: 0, cost: null, lost: null, value: null });
    expect(monthReport(facts, '2027-05', []).before).toBeNull();
  });
  it('is reckoned in months of the calendar', () => {
    expect(monthsBefore('2026-01', 1)).toBe('2025-12');
    expect(monthsBefore('2026-11', MONTHS_BEFORE)).toBe('2026-05');
    expect(monthsBefore('2026-12', -1)).toBe('2027-01');
  });
});

describe('the months of the demo year', () => {
  const now = new Date('2026-11-24T14:30:00Z');
  const year = saltmarshYear(now).map(({ batch }) => batchFacts(saltmarshCard(batch.product.slug), batch));
  const lots = saltmarshLots(now);
  const months = [...new Set(year.flatMap((f) => f.startedAt?.slice(0, 7) ?? []))];
  const reports = months.map((m) => monthReport(year, m, lots));
  it('count every batch and every casting once between them', () => {
    const total = (of: (r: (typeof reports)[number]) => number) => reports.reduce((sum, r) => sum + of(r), 0);
    expect(total((r) => r.yield.batches)).toBe(year.length);
    expect(total((r) => r.yield.castings)).toBe(castingFacts(year).length);
    expect(total((r) => r.outcomes.reduce((sum, o) => sum + o.times, 0))).toBe(
      year.reduce((sum, f) => sum + (f.settled ?? []).reduce((n, s) => n + s.confirmed.length, 0), 0),
    );
  });
  it('cost what was poured, never less than what was lost of it', () => {
    for (const r of reports) {
      expect(r.yield.cost ?? 0).toBeGreaterThanOrEqual(r.yield.lost ?? 0);
      for (const l of r.losses) expect(l.money).toBeGreaterThanOrEqual(0);
    }
    expect(reports.some((r) => (r.yield.cost ?? 0) > 0)).toBe(true);
  });
});
