import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch, overlay } from '../simulation/soundBatch';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { productSchema } from '../formats/product';
import { batchSchema } from '../formats/batch';
import { limitReadings } from './limitReadings';
import { bandState } from './bandState';
import { addMonths } from '../units/days';

const read = (slug: string, patch: Record<string, unknown>, field: string, cardPatch: Record<string, unknown> = {}) => {
  const card = productSchema.parse(overlay(saltmarshCard(slug), cardPatch));
  const found = limitReadings(card, soundBatch(slug, patch)).find((r) => r.field === field);
  if (!found) throw new Error(`no reading of ${field}`);
  return found;
};

describe('bandState', () => {
  it.each([
    [17.5, 19, 27, 'below'],
    [19, 19, 27, 'near'],
    [19.8, 19, 27, 'near'],
    [19.9, 19, 27, 'inside'],
    [26.2, 19, 27, 'near'],
    [27.01, 19, 27, 'above'],
    [55, null, 60, 'near'],
    [53.9, null, 60, 'inside'],
    [1.6, 1.5, null, 'near'],
    [1.7, 1.5, null, 'inside'],
    [null, 19, 27, 'not-recorded'],
    [22, null, null, 'not-stated'],
    [null, null, null, 'not-stated'],
    [0, null, 4, 'inside'],
  ] as const)('%s against %s to %s is %s', (measured, low, high, state) => {
    expect(bandState(measured, low, high)).toBe(state);
  });
});

describe('limitReadings', () => {
  it('finds nothing outside its limits in a sound batch of any product', () => {
    for (const card of SALTMARSH_CARDS) {
      const out = limitReadings(card, soundBatch(card.slug)).filter((r) => r.state === 'below' || r.state === 'above');
      expect(
        out.map((r) => r.says),
        card.slug,
      ).toEqual([]);
    }
  });

  it.each([
    ['room.temperatureC', { room: { temperatureC: 17.5 } }, 'below'],
    ['room.humidityPct', { room: { humidityPct: 64 } }, 'above'],
    ['resin.temperatureAC', { resin: { temperatureAC: 18 } }, 'below'],
    ['resin.atPourC', { resin: { atPourC: 33 } }, 'above'],
    ['mix.ratioErrorPct', { mix: { amountA: 150, amountB: 135 } }, 'above'],
    ['mix.stirMin', { mix: { stirMin: 1 } }, 'below'],
    ['mix.stirMin', { mix: { stirMin: null } }, 'not-recorded'],
    ['degas.minutes', { degas: { method: 'vacuum', minutes: 1 } }, 'below'],
    ['degas.minutes', { degas: { method: 'none', minutes: 0 } }, 'not-stated'],
    ['degas.vacuumKPaAbs', { degas: { vacuumKPaAbs: 12 } }, 'above'],
    ['pour.depthMm', { pour: { depthMm: 60 } }, 'above'],
    ['pressure.gaugeKPa', { pressure: { gaugeKPa: 200 } }, 'below'],
    ['pressure.gaugeKPa', { pressure: { gaugeKPa: 0 }, degas: { method: 'none' } }, 'below'],
    ['pressure.reachedMin', { pressure: { gaugeKPa: 0 }, degas: { method: 'none' } }, 'not-recorded'],
    ['pressure.releasedMin', { pressure: { reachedMin: 5, releasedMin: 95 } }, 'below'],
    ['mould.thinnestMm', { mould: { thinnestMm: 2 } }, 'below'],
    ['cure.peakC', { cure: { peakC: 104 } }, 'above'],
    ['cure.temperatureC', { cure: { temperatureC: 18 } }, 'below'],
    ['cure.lightMJPerCM2', { cure: { lightMJPerCM2: 900 } }, 'not-stated'],
    ['additives.totalPct', { additives: [{ kind: 'mica', massG: 10 }] }, 'above'],
    ['additives.mica.pct', { additives: [{ kind: 'mica', massG: 5.9 }] }, 'near'],
    ['additives.glitter.pct', { additives: [{ kind: 'glitter', massG: 1 }] }, 'not-stated'],
    ['additives.dye.pct', { additives: [{ kind: 'dye', drops: 12 }] }, 'not-recorded'],
    ['additives.water-based-paint.pct', { additives: [{ kind: 'water-based-paint', massG: 0.5 }] }, 'above'],
    ['lotB.useBy', { lotB: { useBy: '2026-03-01' } }, 'above'],
    ['inclusions[0].moisturePct', { inclusions: [{ what: 'oak offcut', moisturePct: 11 }] }, 'above'],
    ['checks[0].shore', { checks: [{ afterH: 130, shore: 60 }] }, 'below'],
  ])('%s with %j is %s', (field, patch, state) => {
    expect(read('house-clear-6', patch, field).state).toBe(state);
  });

  it('carries measured value, limits, unit and a sentence with both', () => {
    expect(read('house-clear-6', { room: { temperatureC: 17.5 } }, 'room.temperatureC')).toEqual({
      field: 'room.temperatureC',
      measured: 17.5,
      low: 19,
      high: 27,
      unit: '°C',
      state: 'below',
      says: 'Room 17.5 °C is below; the card says 19 °C to 27 °C.',
    });
  });

  it('counts loading against A + B alone, an unlisted kind in the total, and nothing that was dusted into the mould', () => {
    const patch = {
      mix: { amountA: 100, amountB: 82 },
      additives: [
        { kind: 'dye', massG: 1.82 },
        { kind: 'glitter', massG: 3.64 },
        { kind: 'mica', massG: 50, applied: 'dusted' },
      ],
    };
    expect(read('house-clear-6', patch, 'additives.totalPct').measured).toBeCloseTo(3, 9);
    expect(read('house-clear-6', patch, 'additives.dye.pct').measured).toBeCloseTo(1, 9);
  });

  it('names the slip behind a ratio: the volume ratio of an epoxy on a scale', () => {
    const r = read('house-deep-40', { mix: { amountA: 200, amountB: 100 } }, 'mix.ratioErrorPct');
    expect(r.measured).toBeCloseTo(100 * (50 / 44 - 1), 9);
    expect(r.says).toContain('volume ratio, read off a scale');
  });

  it('holds volumes against the volume ratio', () => {
    const patch = { mix: { measuredBy: 'volume', unit: 'mL', amountA: 200, amountB: 100 } };
    expect(read('house-deep-40', patch, 'mix.ratioErrorPct').measured).toBeCloseTo(0, 9);
  });

  it('keeps a ratio without a stated tolerance not-stated', () => {
    expect(
      read('house-clear-6', { mix: { amountA: 100, amountB: 100 } }, 'mix.ratioErrorPct', {
        ratio: { tolerancePct: null },
      }).state,
    ).toBe('not-stated');
  });

  it('counts a lot open for calendar months, and says until when it was good', () => {
    const three = read(
      'house-clear-6',
      { startedAt: '2026-05-31T09:00:00+00:00', lotA: { openedOn: '2026-02-28' } },
      'lotA.openedOn',
    );
    expect(three.state).toBe('above');
    expect(three.says).toContain('2026-05-28');
    expect(
      read(
        'house-clear-6',
        { startedAt: '2026-05-28T09:00:00+00:00', lotA: { openedOn: '2026-02-28' } },
        'lotA.openedOn',
      ).state,
    ).toBe('near');
    expect(addMonths('2026-01-31', 1)).toBe('2026-02-28');
    expect(addMonths('2024-01-31', 1)).toBe('2024-02-29');
    expect(addMonths('2026-11-15', 3)).toBe('2027-02-15');
  });

  it('carries gel and pot life to this batch: a cold cup has longer, and the sentence says whose figure it is', () => {
    const cold = read(
      'house-clear-6',
      { room: { temperatureC: 18 }, resin: { temperatureAC: 18, temperatureBC: 18 } },
      'pressure.reachedMin',
    );
    const warm = read(
      'house-clear-6',
      { room: { temperatureC: 26 }, resin: { temperatureAC: 30, temperatureBC: 30 } },
      'pressure.reachedMin',
    );
    expect(cold.high).toBeGreaterThan(9);
    expect(warm.high).toBeLessThan(9);
    expect(cold.says).toContain('cup model');
  });

  it("holds a rest against the card's rest, and demould time at the temperature it cured at", () => {
    expect(read('house-coat-9', { degas: { method: 'rest', minutes: 3 } }, 'degas.minutes')).toMatchObject({
      low: 5,
      state: 'below',
    });
    const cold = read('house-clear-6', { cure: { temperatureC: 19, demouldedMin: 145 } }, 'cure.demouldedMin');
    expect(cold.state).toBe('below');
    expect(read('house-clear-6', { cure: { temperatureC: 23, demouldedMin: 160 } }, 'cure.demouldedMin')).toMatchObject(
      { low: 140, state: 'inside' },
    );
  });

  it('applies the bond window only on the same product, and half a per cent of mass loss as studio practice', () => {
    const at23 = { cure: { temperatureC: 23 } };
    expect(
      read(
        'house-clear-6',
        { ...at23, layerBelow: { productSlug: 'house-clear-6', hoursSince: 10 } },
        'layerBelow.hoursSince',
      ),
    ).toMatchObject({ low: 0.75, high: 8, state: 'above' });
    expect(
      read(
        'house-clear-6',
        { ...at23, layerBelow: { productSlug: 'house-chalk', hoursSince: 10 } },
        'layerBelow.hoursSince',
      ).state,
    ).toBe('not-stated');
    const damp = read(
      'house-clear-6',
      { layerBelow: { family: 'mineral-acrylic', massLossPct: 1.4 } },
      'layerBelow.massLossPct',
    );
    expect(damp.state).toBe('above');
    expect(damp.says).toContain('studio practice');
  });

  it('makes the dose a minimum for a light-cured product', () => {
    expect(read('house-noon', { cure: { lightMJPerCM2: 700 } }, 'cure.lightMJPerCM2')).toMatchObject({
      low: 1200,
      state: 'below',
    });
  });

  it('holds a catalyst dose against its band, and has no ratio for it', () => {
    expect(read('house-tide', { mix: { amountA: 200, amountB: 6 } }, 'mix.catalystPct')).toMatchObject({
      measured: 3,
      state: 'above',
    });
    expect(limitReadings(saltmarshCard('house-tide'), soundBatch('house-tide')).map((r) => r.field)).not.toContain(
      'mix.ratioErrorPct',
    );
  });

  it('does not hold a card that takes vacuum or pressure against the one that was not used', () => {
    const unpressed = { pressure: { gaugeKPa: 0, startedMin: null, reachedMin: null, releasedMin: null } };
    for (const field of ['pressure.gaugeKPa', 'pressure.reachedMin', 'pressure.releasedMin']) {
      const found = read('house-clear-6', unpressed, field);
      expect(found.state).toBe('not-stated');
      expect(found.says).toContain('It had its vacuum instead, as the card allows.');
      expect(found.says).not.toContain('states no limit');
    }
    const pressed = read(
      'house-clear-6',
      { degas: { method: 'none', minutes: 0, vacuumKPaAbs: null } },
      'degas.minutes',
    );
    expect(pressed.says).toBe('Degas time was 0 min. It was pressed instead, as the card allows.');
    // Neither of the two: then both lack.
    const neither = { ...unpressed, degas: { method: 'none', minutes: 0, vacuumKPaAbs: null } };
    expect(read('house-clear-6', neither, 'pressure.gaugeKPa').state).toBe('below');
  });

  it('says that the clock is a guess where the dose is far outside its band', () => {
    const dosed = (g: number) => read('house-tide', { mix: { amountA: 200, amountB: g } }, 'pour.startedMin').says;
    expect(dosed(12)).toContain('6 % of catalyst, so far outside its band a guess');
    expect(dosed(4)).not.toContain('a guess');
  });

  it('reads an empty record as not recorded or not stated, never as fine', () => {
    for (const card of SALTMARSH_CARDS) {
      const empty = batchSchema.parse({ format: 'warm-jar.batch/1', product: { slug: card.slug, revision: 1 } });
      expect(new Set(limitReadings(card, empty).map((r) => r.state)), card.slug).toEqual(
        new Set(['not-recorded', 'not-stated']),
      );
    }
  });
});
