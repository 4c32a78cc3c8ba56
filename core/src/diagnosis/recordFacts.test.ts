import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { wordsIn } from '../units/wording';
import { recordFacts } from './caseFacts';
import { diagnose } from './diagnose';
import { doubtsOf } from './doubts';
import { gaugeBeforeGel } from './gaugeRecord';
import { isGiven } from './given';

const facts = (slug: string, patch: Record<string, unknown> = {}) =>
  recordFacts(saltmarshCard(slug), soundBatch(slug, patch), wordsIn());
const gauge = (...of: [number, number][]) => ({
  readings: of.map(([atMin, value]) => ({ atMin, what: 'gauge', value, unit: 'kPa' })),
});

describe('the gauge before gel', () => {
  const of = (...read: [number, number][]) => gaugeBeforeGel(facts('house-clear-6', gauge(...read)));
  const gelMin = facts('house-clear-6').working.gelMin!;
  it('is told from its highest on, as it climbs to it anyway', () => {
    expect(of([1, 0], [2, 180], [3, 345], [gelMin * 0.95, 340])).toMatchObject({
      mostKPa: 345,
      leastKPa: 340,
      throughout: true,
    });
  });
  it('falls where it was let go, and says when it stood lowest', () => {
    expect(of([2, 345], [4, 200], [5, 60], [6, 90])).toMatchObject({ mostKPa: 345, leastKPa: 60, atMin: 5 });
  });
  it('counts nothing after gel, nothing before the parts met, and nothing below nought', () => {
    expect(of([2, 345], [4, 344], [gelMin + 30, 0])).toMatchObject({ leastKPa: 344 });
    expect(of([-3, 500], [2, 345], [4, 344])).toMatchObject({ mostKPa: 345 });
    expect(of([2, 345], [4, -20], [5, 344])).toMatchObject({ leastKPa: 344 });
  });
  it('tells nothing by one reading, or by none', () => {
    expect(of([2, 345])).toBeNull();
    expect(of()).toBeNull();
    expect(of([2, 0], [4, 0])).toBeNull();
  });
  it('goes before what was typed: held by the gauge, it is not called let go', () => {
    const seen = { checks: [{ afterH: 4, symptoms: [{ kind: 'bubbles', pattern: 'micro-throughout' }] }] };
    const shareOf = (more: Record<string, unknown>) =>
      diagnose(
        saltmarshCard('house-clear-6'),
        soundBatch('house-clear-6', { ...seen, ...more }),
      ).symptoms[0]!.causes.find((c) => c.id === 'pressure-let-go')?.share ?? 0;
    const typed = { pressure: { startedMin: 3, reachedMin: 4, releasedMin: 5 } };
    const held = gauge([4, 345], [5, 345], [6, 344], [gelMin * 0.97, 343]);
    expect(shareOf(typed)).toBeGreaterThan(0.5);
    expect(shareOf({ ...typed, ...held })).toBeLessThan(shareOf(typed) / 3);
  });
});

describe('what the record already gives', () => {
  const reading = (what: string, value: number, unit: string) => ({ readings: [{ atMin: 4, what, value, unit }] });
  it.each<[string, string, Record<string, unknown>, string]>([
    ['itself', 'house-clear-6', {}, 'room.temperatureC'],
    ['the room by what it cured in', 'house-clear-6', { room: { temperatureC: null } }, 'room.temperatureC'],
    [
      'damp by a reading',
      'house-clear-6',
      { room: { humidityPct: null }, ...reading('humidity', 55, '%') },
      'room.humidityPct',
    ],
    [
      'resin by a reading',
      'house-clear-6',
      { resin: { atPourC: null }, ...reading('resin', 24, '°C') },
      'resin.atPourC',
    ],
    [
      'pressing times by its not being pressed',
      'house-clear-6',
      { pressure: { gaugeKPa: 0, reachedMin: null } },
      'pressure.reachedMin',
    ],
    [
      'degassing time by there being none',
      'house-clear-6',
      { degas: { method: 'none', minutes: null } },
      'degas.minutes',
    ],
    ['a dose by its per cent', 'house-tide', { mix: { amountB: null, catalystPct: 1.6 } }, 'mix.amountB'],
    ['additives by an empty list', 'house-clear-6', { additives: [] }, 'additives'],
    [
      'the opening of a lot by its being past its date',
      'house-clear-6',
      { lotB: { openedOn: null, useBy: '2025-01-01' } },
      'lotB.openedOn',
    ],
  ])('%s', (_what, slug, patch, field) => {
    expect(isGiven(facts(slug, patch), field)).toBe(true);
  });
  it('is nothing that nobody wrote down or read', () => {
    const bare = facts('house-clear-6', {
      room: null,
      cure: null,
      resin: { atPourC: null },
      additives: null,
      degas: null,
      lotB: null,
    });
    for (const field of [
      'room.temperatureC',
      'room.humidityPct',
      'resin.atPourC',
      'additives',
      'degas.minutes',
      'lotB.openedOn',
    ])
      expect(isGiven(bare, field), field).toBe(false);
  });
});

describe('figures that are asked about', () => {
  const doubted = (slug: string, patch: Record<string, unknown>) =>
    doubtsOf(saltmarshCard(slug), soundBatch(slug, patch), wordsIn()).map((d) => d.field);
  it.each<[string, Record<string, unknown>, string]>([
    ['a resin of 220 °C', { resin: { atPourC: 220 } }, 'resin.atPourC'],
    ['a room of −12 °C', { room: { temperatureC: -12 } }, 'room.temperatureC'],
    ['a stir of nine hours', { mix: { stirMin: 540 } }, 'mix.stirMin'],
    ['ten times the hardener', { mix: { amountA: 100, amountB: 820 } }, 'mix.amountB'],
    ['a look after eleven years', { checks: [{ afterH: 99_999 }] }, 'checks[0].afterH'],
  ])('%s', (_what, patch, field) => {
    expect(doubted('house-clear-6', patch)).toEqual([field]);
  });
  it('are none where the record is as records are, however poor the work', () => {
    expect(doubted('house-clear-6', {})).toEqual([]);
    expect(
      doubted('house-clear-6', { room: { temperatureC: 3 }, mix: { amountA: 100, amountB: 160, stirMin: 0.2 } }),
    ).toEqual([]);
    expect(doubted('house-tide', { mix: { amountA: 200, amountB: 40 } })).toEqual([]);
  });
  it('stand first among what is asked', () => {
    const batch = soundBatch('house-clear-6', {
      resin: { atPourC: 220 },
      checks: [{ afterH: 30, symptoms: [{ kind: 'yellowing', pattern: 'whole-part' }] }],
    });
    expect(diagnose(saltmarshCard('house-clear-6'), batch).symptoms[0]!.ask[0]!.field).toBe('resin.atPourC');
  });
});
