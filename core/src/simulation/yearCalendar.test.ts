import { describe, expect, it } from 'vitest';
import { addMonths } from '../units/days';
import { chanceFrom } from './chance';
import { SALTMARSH_CARDS } from './saltmarshCards';
import { YEAR_ENDS_DAYS_AGO, benchAir, minuteOfDay, monthOf, yearJobs } from './yearCalendar';
import { touchesOf } from './yearCauses';
import { lotInUse } from './yearLots';
import { saltmarshCard } from './saltmarshCards';

const now = new Date('2026-11-24T14:30:00Z');
const DAY_MS = 86_400_000;
const jobs = yearJobs(now, chanceFrom(1));

describe('the calendar of the made-up year', () => {
  it('keeps to workdays and opening hours, a year back from the recent weeks', () => {
    for (const { startMs } of jobs) {
      expect([0, 6]).not.toContain(new Date(startMs).getUTCDay());
      expect(minuteOfDay(startMs)).toBeGreaterThanOrEqual(8 * 60);
      expect(minuteOfDay(startMs)).toBeLessThan(17 * 60);
      const ago = (now.getTime() - startMs) / DAY_MS;
      expect(ago).toBeGreaterThan(YEAR_ENDS_DAYS_AGO - 1);
      expect(ago).toBeLessThan(YEAR_ENDS_DAYS_AGO + 366);
    }
  });
  it('has work in every month, and most in August', () => {
    const months = Array.from({ length: 12 }, (_, i) => jobs.filter((j) => monthOf(j.startMs) === i + 1).length);
    expect(Math.min(...months)).toBeGreaterThan(6);
    expect(months[7]).toBe(Math.max(...months));
  });
  it('has air within what the demo studio is said to have, warmer in summer', () => {
    const chance = chanceFrom(2);
    const of = (month: number) =>
      Array.from({ length: 200 }, () => benchAir(Date.UTC(2026, month - 1, 12, 10), chance));
    const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;
    for (const air of [...of(1), ...of(7)]) {
      expect(air.roomC).toBeGreaterThan(14);
      expect(air.roomC).toBeLessThan(26);
      expect(air.humidityPct).toBeGreaterThan(40);
      expect(air.humidityPct).toBeLessThan(82);
    }
    expect(mean(of(7).map((a) => a.roomC))).toBeGreaterThan(mean(of(1).map((a) => a.roomC)) + 1);
  });
  it('pours from lots that are open and in date on the day', () => {
    for (const { slug, startMs } of jobs) {
      const card = saltmarshCard(slug);
      const day = new Date(startMs).toISOString().slice(0, 10);
      const lot = lotInUse(card, 'A', startMs, null) as { code: string; openedOn: string; useBy: string };
      expect(lot.openedOn <= day, slug).toBe(true);
      expect(lot.useBy >= day, slug).toBe(true);
      if (card.shelf?.openedMonths != null)
        expect(addMonths(lot.openedOn, card.shelf.openedMonths) >= day, slug).toBe(true);
    }
    const codes = SALTMARSH_CARDS.map((c) => (lotInUse(c, 'A', now.getTime(), null) as { code: string }).code);
    expect(new Set(codes).size).toBe(codes.length);
  });
});

describe('the hidden causes', () => {
  const touched = (slug: string, at: string, more: Partial<(typeof jobs)[number]> = {}) =>
    touchesOf({
      job: { slug, mould: null, pulls: null, totalG: 200, startMs: Date.parse(at), by: 'KO', ...more },
      card: saltmarshCard(slug),
      nowMs: now.getTime(),
      gelMin: 9,
      chance: chanceFrom(3),
    }).map((t) => t.name);
  it('act where they are said to, and nowhere else', () => {
    expect(touched('house-clear-6', '2026-08-12T10:00:00Z')).toContain('damp-august');
    expect(touched('house-clear-6', '2026-07-12T10:00:00Z')).not.toContain('damp-august');
    expect(touched('house-tide', '2026-08-12T10:00:00Z')).not.toContain('damp-august');
    expect(touched('house-coat-9', '2026-01-12T09:00:00Z')).toContain('cold-january');
    expect(touched('house-coat-9', '2026-01-12T14:00:00Z')).not.toContain('cold-january');
    expect(touched('house-clear-6', '2026-03-12T10:00:00Z', { mould: 'M-12' })).toContain('nicked-mould');
    expect(touched('house-clear-6', '2026-03-12T10:00:00Z', { mould: 'M-01', pulls: 30 })).toContain('worn-mould');
    expect(touched('house-clear-6', '2026-03-12T10:00:00Z', { mould: 'M-01', pulls: 10 })).not.toContain('worn-mould');
    expect(touched('house-clear-6', '2026-03-12T10:00:00Z', { totalG: 420 })).toContain('small-compressor');
  });
});
