import { describe, expect, it } from 'vitest';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { minutesAt } from './equivalentAge';
import { hardAndCoolMin, thinEdgeOutMin } from './demould';

const clear = saltmarshCard('house-clear-6');
const card = clear.demould!.minutes!;
const cardC = clear.demould!.atC!;
const batch = (roomC: number | null, readings: unknown[] = [], mouldC: number | null = null) =>
  soundBatch('house-clear-6', {
    room: { temperatureC: roomC },
    cure: { temperatureC: null },
    mould: { temperatureC: mouldC },
    readings,
  });
const room = (atMin: number, value: number) => ({ atMin, what: 'room', value, unit: '°C' });

describe('the thin edge', () => {
  it("comes out at the card's own minutes in the card's own room", () => {
    expect(thinEdgeOutMin(clear, batch(cardC))).toBeCloseTo(card, 6);
  });
  it.each([15, 19, 27])('goes by the room as recorded: %s °C', (roomC) => {
    expect(thinEdgeOutMin(clear, batch(roomC))).toBeCloseTo(minutesAt(clear, card, roomC, cardC), 6);
  });
  it("is the card's own where nobody recorded a temperature, and none where the card states none", () => {
    expect(thinEdgeOutMin(clear, batch(null))).toBe(card);
    expect(thinEdgeOutMin({ ...clear, demould: null }, batch(20))).toBeNull();
  });
  it('goes by what was read since, and holds the last reading', () => {
    const cold = thinEdgeOutMin(clear, batch(cardC, [room(0, cardC), room(30, 15)]))!;
    expect(cold).toBeGreaterThan(card);
    expect(cold).toBeLessThan(minutesAt(clear, card, 15, cardC));
    const warm = thinEdgeOutMin(clear, batch(15, [room(0, 27), room(20, 27)]))!;
    expect(warm).toBeCloseTo(minutesAt(clear, card, 27, cardC), 6);
  });
  it('takes the mould before the room where both were read', () => {
    const readings = [room(0, 15), { atMin: 0, what: 'mould', value: 27, unit: '°C' }];
    expect(thinEdgeOutMin(clear, batch(20, readings))).toBeCloseTo(minutesAt(clear, card, 27, cardC), 6);
  });
  it('counts no reading before the parts met, and none that is no temperature of a room', () => {
    expect(thinEdgeOutMin(clear, batch(20, [room(-30, cardC)]))).toBeCloseTo(card, 6);
    expect(thinEdgeOutMin(clear, batch(cardC, [room(5, 9000)]))).toBe(card);
  });
  it('moves smoothly with the moment and the height of a reading', () => {
    const at = (minute: number, c: number) => thinEdgeOutMin(clear, batch(cardC, [room(0, cardC), room(minute, c)]))!;
    const sweep = Array.from({ length: 140 }, (_, i) => at(1 + i, 18));
    for (let i = 1; i < sweep.length; i += 1) {
      expect(sweep[i]!).toBeLessThanOrEqual(sweep[i - 1]! + 1e-6);
      expect(sweep[i - 1]! - sweep[i]!).toBeLessThan(3);
    }
    const heights = Array.from({ length: 30 }, (_, i) => at(20, 14 + i * 0.5));
    for (let i = 1; i < heights.length; i += 1) expect(heights[i]!).toBeLessThan(heights[i - 1]!);
  });
});

describe('hard and cool', () => {
  it('is never before the card allows, nor before the thin edge is of age', () => {
    expect(hardAndCoolMin(100, 20, 140)).toBe(140);
    expect(hardAndCoolMin(200, 20, 140)).toBe(200);
  });
  it('waits for its heat, but not absurdly longer than the card', () => {
    expect(hardAndCoolMin(null, 150, 140)).toBe(150);
    expect(hardAndCoolMin(null, 1440, 20)).toBe(60);
  });
  it('knows only the card where no model says', () => {
    expect(hardAndCoolMin(null, null, 140)).toBe(140);
  });
  it('is finite for every card of the studio', () => {
    for (const product of SALTMARSH_CARDS.filter((c) => c.demould?.minutes != null)) {
      const out = thinEdgeOutMin(product, soundBatch(product.slug))!;
      expect(out, product.slug).toBeGreaterThan(0);
      expect(out, product.slug).toBeLessThan(10 * product.demould!.minutes!);
    }
  });
});
