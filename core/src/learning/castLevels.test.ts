import { describe, expect, it } from 'vitest';
import { limitReadings } from '../limits/limitReadings';
import { mixMasses } from '../mixing/batchAmounts';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { castLevels } from './castLevels';

function levels(record: Record<string, unknown>, slug = 'house-clear-6') {
  const card = saltmarshCard(slug);
  const batch = soundBatch(slug, record);
  return castLevels(card, batch, limitReadings(card, batch), mixMasses(card, batch));
}

describe('the levels of a casting', () => {
  it.each<[string, Record<string, unknown>, string | undefined]>([
    ['room', { room: { temperatureC: 12 } }, 'cold'],
    ['room', { room: { temperatureC: 40 } }, 'warm'],
    ['room', { room: { temperatureC: 22 } }, 'in-range'],
    ['room', { room: { temperatureC: null }, cure: { temperatureC: null } }, undefined],
    ['damp', { room: { humidityPct: 90 } }, 'over'],
    ['damp', { room: { humidityPct: null } }, undefined],
    ['stir', { mix: { stirMin: 0.2 } }, 'short'],
    ['ratio', { mix: { amountA: 100, amountB: 150 } }, 'off'],
    ['loading', { additives: [] }, 'none'],
    ['loading', { additives: null }, undefined],
    ['pressing', { pressure: { gaugeKPa: 0 } }, 'not-pressed'],
    ['pressing', { pressure: { gaugeKPa: 30 } }, 'low'],
    ['pressing', { pressure: null }, undefined],
    ['lot-age', { lotA: { openedOn: '2020-01-01' } }, 'past'],
    ['scale', { mix: { scaleStepG: 5 } }, 'coarse'],
    ['scale', { mix: { scaleStepG: 0.01 } }, 'fine-enough'],
    ['scale', { mix: { scaleStepG: null } }, undefined],
    ['lamp', { cure: { lightMJPerCM2: 0 } }, 'off'],
    ['season', { startedAt: '2026-11-27T09:20:00+00:00' }, '11'],
    ['person', { by: null }, undefined],
    ['person', { by: 'RV' }, 'RV'],
    ['mould', { mould: { code: 'M-12' } }, 'M-12'],
  ])('%s of %j is %s', (factor, record, level) => {
    expect(levels(record)[factor as 'room']).toBe(level);
  });
  it.each([
    ['08:59', 'before-nine'],
    ['09:00', 'morning'],
    ['11:59', 'morning'],
    ['12:00', 'midday'],
    ['14:00', 'afternoon'],
    ['18:00', 'evening'],
    ['23:59', 'evening'],
  ])('at %s it is %s, by the clock on the wall', (time, level) => {
    expect(levels({ startedAt: `2026-03-14T${time}:00-05:00` })['time-of-day']).toBe(level);
  });
  it.each<[Record<string, unknown>, string | undefined]>([
    [{ degas: { method: 'vacuum' }, pressure: { gaugeKPa: 0 } }, 'vacuum'],
    [{ degas: { method: 'vacuum' }, pressure: { gaugeKPa: 300 } }, 'vacuum-then-pressure'],
    [{ degas: { method: 'none' }, pressure: { gaugeKPa: 300 } }, 'pressure'],
    [{ degas: { method: 'rest' }, pressure: { gaugeKPa: 0 } }, 'rest'],
    [{ degas: { method: null }, pressure: { gaugeKPa: 0 } }, undefined],
    [{ degas: null, pressure: { gaugeKPa: 300 } }, 'pressure'],
  ])('the route of %j is %s', (record, route) => {
    expect(levels(record).route).toBe(route);
  });
  it('say of a lamp only where no lamp should have shone', () => {
    expect(levels({ cure: { lightMJPerCM2: 500 } }, 'house-noon').lamp).toBeUndefined();
    expect(saltmarshCard('house-clear-6').light?.stable).toBe(false);
    expect(levels({ cure: { lightMJPerCM2: 500 } }, 'house-clear-6').lamp).toBe('on');
    expect(levels({ cure: { lightMJPerCM2: 0 } }, 'house-clear-6').lamp).toBe('off');
  });
});
