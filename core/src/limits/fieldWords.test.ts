import { describe, expect, it } from 'vitest';
import { sayField } from './fieldWords';

const say = (value: number, unit: string) => `${value} ${unit}`;

describe('what stands in a field', () => {
  it.each([
    ['room.temperatureC', 21.5, '21.5 °C'],
    ['mix.amountA', 151.4, '151.4'],
    ['mix.shaken', false, 'no'],
    ['mix.vigour', 'whipped', 'whipped'],
    ['degas.method', 'vacuum-then-pressure', 'vacuum then pressure'],
    ['startedAt', '2027-03-18T14:30:00+00:00', '2027-03-18 14:30'],
    ['note', 'foggy - with bubbles', 'foggy - with bubbles'],
    ['note', '', 'not recorded'],
    ['room.humidityPct', null, 'not recorded'],
    ['checks', [{ afterH: 24 }, { afterH: 48 }], '2 entries'],
    ['additives', [], 'none'],
    ['bench.checked', ['lid', 'hose'], 'lid, hose'],
    ['something new', { a: 1 }, 'recorded'],
  ])('%s, %j, is %s', (path, value, expected) => expect(sayField(path, value, say)).toBe(expected));
});
