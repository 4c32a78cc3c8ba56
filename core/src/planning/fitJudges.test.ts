import { describe, expect, it } from 'vitest';
import type { Product } from '../formats/product';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { wordsIn } from '../units/wording';
import { fitReasons, type FitReason } from './fitJudges';
import type { FitRequest } from './fitRequest';

const REQUEST: FitRequest = {
  depthMm: 10,
  thinnestMm: 8,
  volumeML: 200,
  roomC: 22,
  humidityPct: 50,
  clarity: null,
  hollow: false,
  rubber: 'platinum-silicone',
  sun: false,
  waitH: null,
  leastShoreD: null,
  vesselRatedKPa: 600,
  vacuumKPaAbs: 1,
  lampMWPerCM2: 20,
  inclusionMoisturePct: null,
  inclusionMaxC: null,
  pricePerG: new Map(),
};
const card = (more: Partial<Product>): Product => ({ ...saltmarshCard('house-coat-9'), ...more });
const reasons = (product: Product, request: Partial<FitRequest> = {}) =>
  fitReasons(product, { ...REQUEST, ...request }, wordsIn());
const says = (tells: FitReason['tells'], product: Product, request: Partial<FitRequest> = {}) =>
  reasons(product, request)
    .filter((r) => r.tells === tells)
    .map((r) => r.says)
    .join(' ');

describe('what speaks against a product', () => {
  it.each<[string, Partial<Product>, Partial<FitRequest>, RegExp]>([
    ['a mould rubber', { use: ['moulds'] }, {}, /mould rubber/],
    ['a coating for a deep pour', { use: ['coating'], depth: { maxMm: 3 } }, { depthMm: 10 }, /coating: 3 mm at most/],
    ['a section too thin', { thinnestMm: 5 }, { thinnestMm: 2 }, /thinnest section is 2 mm; it needs 5 mm/],
    ['cloudiness', { clarity: 'hazy' }, { clarity: 'water-clear' }, /It is hazy; water clear is wanted/],
    ['the rubber', { inhibitedBy: ['tin-silicone'] }, { rubber: 'tin-silicone' }, /tin silicone stops its cure/],
    ['a weak vessel', { pressure: { minKPa: 300 } }, { vesselRatedKPa: 200 }, /rated to 200 kPa/],
    ['no vessel', { pressure: { minKPa: 300 } }, { vesselRatedKPa: null }, /no rated vessel/],
    ['no pump', { degas: { method: 'vacuum' } }, { vacuumKPaAbs: null }, /no vacuum pump/],
    ['no lamp', { family: 'uv-acrylate' }, { lampMWPerCM2: null }, /only under a lamp/],
    ['a cold room', { room: { minC: 20 } }, { roomC: 15 }, /room is 15 °C; it needs 20 °C/],
    ['a hot room', { room: { maxC: 25 } }, { roomC: 30 }, /its card ends at 25 °C/],
    ['damp', { room: { maxHumidityPct: 60 } }, { humidityPct: 75 }, /75 % damp is over its 60 %/],
    [
      'a wet inclusion',
      { inclusionMaxMoisturePct: 8 },
      { inclusionMoisturePct: 14 },
      /holds 14 % of water; it takes 8 %/,
    ],
    ['the sun', { light: { stable: false } }, { sun: true }, /yellows in the sun/],
    ['softness', { hardness: { scale: 'D', value: 60 } }, { leastShoreD: 75 }, /Shore D 60; D 75 is wanted/],
    ['another scale', { hardness: { scale: 'A', value: 90 } }, { leastShoreD: 20 }, /Shore A 90; D 20 is wanted/],
  ])('is %s', (_what, product, request, words) => {
    expect(says('against', card(product), request)).toMatch(words);
  });
});

describe('what asks for care', () => {
  it.each<[string, Partial<Product>, Partial<FitRequest>, RegExp]>([
    ['hollow casting', { use: ['casting'] } as Partial<Product>, { hollow: true }, /does not name hollow casting/],
    ['no word on clarity', { clarity: null }, { clarity: 'clear' }, /does not say how clear/],
    ['tin rubber', { family: 'polyurethane', inhibitedBy: [] }, { rubber: 'tin-silicone' }, /may fog it/],
    ['no word on light', { light: {} }, { sun: true }, /does not say whether it stands the sun/],
    ['no word on hardness', { hardness: null }, { leastShoreD: 70 }, /states no hardness/],
  ])('is %s', (_what, product, request, words) => {
    expect(says('care', card({ clarity: 'clear', ...product }), request)).toMatch(words);
  });
});

describe('what is not asked for', () => {
  it('speaks neither way', () => {
    const silent = card({ light: {}, hardness: null, clarity: null, pressure: null, degas: null, room: null });
    expect(reasons(silent)).toEqual([]);
  });
  it('and a limit that is just met is kept', () => {
    const edge = card({
      thinnestMm: 8,
      room: { minC: 22, maxC: 22, maxHumidityPct: 50 },
      inclusionMaxMoisturePct: 8,
      pressure: { minKPa: 600 },
    });
    expect(reasons(edge, { inclusionMoisturePct: 8 })).toEqual([]);
  });
});
