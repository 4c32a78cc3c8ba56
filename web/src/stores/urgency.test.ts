import { saltmarshBatches, saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { byUrgency, dueShort, dueText, potLifeLeft, workItem } from './urgency';

const now = new Date('2026-11-24T14:30:00Z');
const items = saltmarshBatches(now)
  .slice(-11)
  .map((b) => workItem(saltmarshCard(b.product.slug), b));

describe("the shelf's order", () => {
  it('puts liquid resin first, then the vessel, then what is due soonest', () => {
    const order = [...items].sort(byUrgency).map((i) => i.stage);
    expect(order.slice(0, 3)).toEqual(['pour', 'mix', 'press']);
  });
  it('counts pot life down from when the parts met, and never below nothing', () => {
    const item = workItem(
      saltmarshCard('house-clear-6'),
      soundBatch('house-clear-6', {
        startedAt: '2026-03-14T10:00:00+00:00',
        pour: { startedMin: null, finishedMin: null },
        degas: null,
        pressure: null,
        cure: null,
      }),
    );
    const at = (minutes: number) => potLifeLeft(item, Date.parse('2026-03-14T10:00:00Z') + minutes * 60_000);
    expect(at(0)).toBe(1);
    expect(at(item.working.potLifeMin! / 2)).toBeCloseTo(0.5, 9);
    expect(at(500)).toBe(0);
  });
  it('has no pot life to show once it is in the mould', () => {
    expect(
      potLifeLeft(
        items.find((i) => i.stage === 'watch')!,
        now.getTime(),
      ),
    ).toBeNull();
  });
  it('says when something is due, and when it was', () => {
    const item = items.find((i) => i.stage === 'press')!;
    expect(dueText(item, item.dueMs! - 12 * 60_000)).toBe('release in 12 min');
    expect(dueText(item, item.dueMs! + 30 * 60_000)).toBe('release 30 min ago');
    expect(dueText(item, item.dueMs! + 30 * 3_600_000)).toBe('release 30 h ago');
    expect([dueShort(item, item.dueMs! - 12 * 60_000), dueShort(item, item.dueMs! + 5 * 86_400_000)]).toEqual([
      'in 12 min',
      '5 days late',
    ]);
  });
});
