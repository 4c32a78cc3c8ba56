import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import type { Batch } from '../formats/batch';
import { dueCheck } from './checkSchedule';
import { OLD_RECORD_H, closedIfOld } from './closedIfOld';
import { stageOf } from './stage';

const now = new Date('2026-06-01T10:00:00Z');
const card = saltmarshCard('house-clear-6');
const batchAt = (hoursAgo: number, more: Partial<Batch> = {}): Batch => ({
  format: 'warm-jar.batch/1',
  product: { slug: card.slug },
  startedAt: new Date(now.getTime() - hoursAgo * 3_600_000).toISOString(),
  ...more,
});
const closes = (batch: Batch) => closedIfOld(card, batch, now).closed === true;

describe('a record that is brought in', () => {
  it.each([
    [OLD_RECORD_H - 0.01, false],
    [OLD_RECORD_H + 0.01, true],
    [24 * 60, true],
    [-5, false],
  ])('of %d hours ago: done is %s', (hoursAgo, done) => {
    expect(closes(batchAt(hoursAgo))).toBe(done);
  });
  it('without a day is one of before', () => {
    expect(closes({ format: 'warm-jar.batch/1', product: { slug: card.slug } })).toBe(true);
  });
  it.each([
    ['says that it is not done', { closed: false }],
    ['is to be mended', { checks: [{ afterH: 24, grade: 'mend' as const }] }],
    ['was left open at a bench of this application', { bench: { done: [] } }],
    ['is done by its own record', { checks: [{ afterH: 24, grade: 'pass' as const }] }],
  ])('stays as it is where it %s', (_, more) => {
    const batch = batchAt(1000, more);
    expect(closedIfOld(card, batch, now)).toEqual(batch);
  });
});

describe('a closed record', () => {
  it('is done, and nothing is due on it', () => {
    const closed = batchAt(1000, { closed: true });
    expect(stageOf(card, closed)).toBe('done');
    expect(dueCheck(card, closed)).toBeNull();
    expect(dueCheck(card, batchAt(1000, { cure: { demouldedMin: 100 } }))).not.toBeNull();
  });
  it('is taken up again by a look that sends it to be mended', () => {
    const mended = batchAt(1000, { closed: true, checks: [{ afterH: 24, grade: 'mend' }] });
    expect(stageOf(card, mended)).toBe('check');
    expect(dueCheck(card, mended)?.name).toBe('after the mend');
  });
});
