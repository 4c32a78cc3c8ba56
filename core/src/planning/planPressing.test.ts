import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planRequestSchema } from '../formats/plan';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { wordsIn } from '../units/wording';
import { planCase } from './planCase';
import { allowedPressure, plannedPressure } from './planPressing';

const card = saltmarshCard('house-clear-6');
const pressed = (gear: Record<string, unknown>, pressureKPa: number | null = null, product = card) =>
  planCase(
    planRequestSchema.parse({
      product,
      want: { mixedMassG: 200 },
      conditions: { roomC: 22, resinC: 22 },
      gear,
      route: 'pressure',
      handling: { pressureKPa },
    }),
    wordsIn(),
  );
const codes = (c: ReturnType<typeof pressed>) => plannedPressure(c).warnings.map((w) => w.code);

describe('the pressure that is planned', () => {
  it("is never above the vessel's rating nor the card, whatever the gear", () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 900 }), (rated) => {
        const c = pressed({ vesselRatedKPa: rated });
        const planned = plannedPressure(c).gaugeKPa!;
        expect(planned).toBeLessThanOrEqual(rated);
        expect(planned).toBeLessThanOrEqual(card.pressure!.maxKPa!);
        expect(allowedPressure(c).high).toBe(Math.min(rated, card.pressure!.maxKPa!));
        // A vessel too weak for the card is a stop, not a lower pressure.
        expect(codes(c).includes('vessel-too-weak')).toBe(rated < card.pressure!.minKPa!);
      }),
    );
  });
  it('typed above the rating or the card is stopped, and below the card is told', () => {
    expect(codes(pressed({ vesselRatedKPa: 350 }, 380))).toContain('over-rating');
    expect(codes(pressed({ vesselRatedKPa: 900 }, 600))).toContain('pressure-above-card');
    expect(codes(pressed({ vesselRatedKPa: 400 }, 120))).toEqual(['pressure-below-card']);
    expect(plannedPressure(pressed({ vesselRatedKPa: 400 }, 120)).warnings[0]!.stop).toBe(false);
  });
  it('is none where the card states none', () => {
    const c = pressed({ vesselRatedKPa: 400 }, null, { ...card, pressure: null });
    expect(plannedPressure(c)).toMatchObject({ gaugeKPa: null, minutes: null });
    expect(codes(c)).toContain('pressure-not-stated');
  });
  it('takes longer from a smaller tank, and never comes from a tank that is too small alone', () => {
    const minutes = (compressorTankL: number, freeAirLPerMin: number | null = 38) =>
      plannedPressure(
        pressed({ vesselRatedKPa: 400, vesselFreeL: 18, compressorTankL, compressorTankKPa: 800, freeAirLPerMin }),
      ).minutes;
    expect(minutes(6)!).toBeGreaterThan(minutes(24)!);
    expect(minutes(2, null)).toBeNull();
    expect(
      codes(pressed({ vesselRatedKPa: 400, vesselFreeL: 18, compressorTankL: 2, compressorTankKPa: 800 })),
    ).toContain('never-at-pressure');
  });
  it('asks for a rated vessel where none was named', () => {
    expect(codes(pressed({}))).toContain('vessel-rating-unknown');
  });
});
