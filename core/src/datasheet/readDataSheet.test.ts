import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MADE_UP_SHEETS } from './corpus/madeUpSheets';
import { scoreSheet } from './corpus/scoreSheet';
import { sheetText } from './corpus/sheetBuilder';
import { readDataSheet } from './readDataSheet';
import type { SheetReading } from './reading';

const at = (readings: readonly SheetReading[], path: string) => readings.find((r) => r.path === path);
const values = (text: string, asked?: string) =>
  Object.fromEntries(readDataSheet(text, { asked }).map((r) => [r.path, r.value]));

describe('made-up data sheets', () => {
  it('are at least forty, in a dozen layouts', () => {
    expect(MADE_UP_SHEETS.length).toBeGreaterThanOrEqual(40);
    expect(new Set(MADE_UP_SHEETS.map((s) => s.layout)).size).toBeGreaterThanOrEqual(12);
  });
  it.each(MADE_UP_SHEETS.map((sheet, n) => [`${n} ${sheet.name}, ${sheet.layout}`, sheet] as const))(
    '%s: no figure is invented',
    (_, sheet) => {
      const score = scoreSheet(sheet, readDataSheet(sheetText(sheet), { asked: sheet.asked }));
      expect(score.invented).toEqual([]);
    },
  );
  it('give up at least 95 % of the figures that they state', () => {
    const scores = MADE_UP_SHEETS.map((s) => scoreSheet(s, readDataSheet(sheetText(s), { asked: s.asked })));
    const [stated, found] = [scores.reduce((n, s) => n + s.stated, 0), scores.reduce((n, s) => n + s.found, 0)];
    expect(stated).toBeGreaterThan(500);
    expect(found / stated, JSON.stringify(scores.flatMap((s) => s.missed))).toBeGreaterThanOrEqual(0.95);
  });
  it('tell where they contradict themselves', () => {
    for (const sheet of MADE_UP_SHEETS) {
      const readings = readDataSheet(sheetText(sheet), { asked: sheet.asked });
      const clashing = readings.filter((r) => r.contradicts && r.readings).map((r) => r.path);
      expect(clashing, `${sheet.name}, ${sheet.layout}`).toEqual(sheet.contradicts);
    }
  });
});

describe('the words of sheets', () => {
  it.each([
    ['Mix ratio: 100A:82B by weight', { 'ratio.byWeight.a': 100, 'ratio.byWeight.b': 82 }],
    ['Ratio 2:1 by vol.', { 'ratio.byVolume.a': 2, 'ratio.byVolume.b': 1 }],
    ['Mix equal parts by volume', { 'ratio.byVolume.a': 1, 'ratio.byVolume.b': 1 }],
    ['100 parts by weight resin to 44 parts by weight hardener', { 'ratio.byWeight.a': 100, 'ratio.byWeight.b': 44 }],
    ['Hardener to resin 1:2 by volume', { 'ratio.byVolume.a': 2, 'ratio.byVolume.b': 1 }],
    ['100 : 44 pbw', { 'ratio.byWeight.a': 100, 'ratio.byWeight.b': 44 }],
    ['Mix 100 g of A with 82 g of B', { 'ratio.byWeight.a': 100, 'ratio.byWeight.b': 82 }],
    ['Gel: 30min/100g/25°C', { 'gel.minutes': 30, 'gel.atC': 25, 'gel.massG': 100 }],
    ['6-minute pot life', { 'potLife.minutes': 6 }],
    ['Pot life: 1 h 30 min', { 'potLife.minutes': 90 }],
    ['Max layer: 1/4"', { 'depth.maxMm': 6.35 }],
    ['Demould: 1 1/2 hours', { 'demould.minutes': 90 }],
    ['Do not pour thicker than 2 inches.', { 'depth.maxMm': 50.8 }],
    ['Do not let the exotherm exceed 80 °C.', { exothermMaxC: 80 }],
    ['Mixed viscosity: 1,200 cps', { 'viscosity.mixedMPaS': 1200 }],
    ['Viscosity (mix): 1.2 Pa·s', { 'viscosity.mixedMPaS': 1200 }],
    ['Mixed density: 8.9 lb/gal', { mixedDensityGPerML: 1.06646 }],
    ['Specific volume (cu. in./lb.): 26.4', { mixedDensityGPerML: 1.04848 }],
    ['S.G. A 1.15 B 0.97', { densityAGPerML: 1.15, densityBGPerML: 0.97 }],
    ['Vacuum degas for 2 min at -0.95 bar', { 'degas.minutes': 2, 'degas.vacuumKPaAbs': 6.325 }],
    ['Shelf life: 1 year', { 'shelf.unopenedMonths': 12 }],
    ['Hardness 75-80 D', { 'hardness.value': 77.5, 'hardness.scale': 'D', 'hardness.tolerance': 2.5 }],
    ['Ratio tolerance ± 4 %', { 'ratio.tolerancePct': 4 }],
    ['RH must stay below 70%.', { 'room.maxHumidityPct': 70 }],
    ['Shore hardness: 80D ± 3', { 'hardness.value': 80, 'hardness.scale': 'D', 'hardness.tolerance': 3 }],
    ['Vacuum (29 in. Hg) for 3-5 minutes.', { 'degas.minutes': 3, 'degas.vacuumKPaAbs': 3.11973 }],
    ['Recommended temp: 70-80F', { 'room.minC': 21.1111, 'room.maxC': 26.6667 }],
    ['Curing time: 24 h at 20 °C', { 'fullCure.hours': 24, 'fullCure.atC': 20 }],
    ['Add 1 to 3% by weight of colorant.', { 'additives.totalMaxPct': 3, 'additives.basis': 'weight' }],
    ['Subject the mold to 60 psi of pressure and hold for 1 h', { 'pressure.minKPa': 413.685, 'pressure.holdMin': 60 }],
    ['Wood moisture content below 12 %', { inclusionMaxMoisturePct: 12 }],
  ])('%s', (line, expected) => {
    expect(values(line)).toEqual(expected);
  });
  it('tables whose columns are the two liquids by name', () => {
    expect(values('\tOSIER 50 A\tOSIER 50 B\nSpecific gravity\t1.08\t1.02\nParts by weight\t100\t90')).toEqual({
      'ratio.byWeight.a': 100,
      'ratio.byWeight.b': 90,
      densityAGPerML: 1.08,
      densityBGPerML: 1.02,
    });
  });
  it('tables whose rows are the liquids', () => {
    const sheet =
      'Component | Mix by weight | Density (g/ml)\nA (resin) | 100 | 1.13\nB (hardener) | 45 | 1.00\nMixed | | 1.08';
    expect(values(sheet)).toEqual({
      'ratio.byWeight.a': 100,
      'ratio.byWeight.b': 45,
      densityAGPerML: 1.13,
      densityBGPerML: 1,
      mixedDensityGPerML: 1.08,
    });
  });
  it('tables of pot lives by mass and temperature, all of which can be right', () => {
    const found = at(
      readDataSheet('Pot life | 100 g | 500 g\nat 20 °C | 60 min | 40 min\nat 30 °C | 30 min | 18 min'),
      'potLife.minutes',
    );
    expect(found?.contradicts).toBeUndefined();
    expect(found?.readings?.map((r) => [r.value, r.atC, r.massG])).toEqual([
      [60, 20, 100],
      [40, 20, 500],
      [30, 30, 100],
      [18, 30, 500],
    ]);
  });
  it('the full cure is meant before any cure', () => {
    expect(values('Cure time 48-72 hours\n\nFull cure 7 days')).toEqual({ 'fullCure.hours': 168 });
  });
  it('take the end of a range that costs less if it is wrong', () => {
    expect(values('Pot life 35 to 45 min\n\nDemould 12-24 h')).toEqual({
      'potLife.minutes': 35,
      'demould.minutes': 1440,
    });
  });
});

describe('what is no figure of a card', () => {
  it.each([
    'Pot life is not stated. Gel time: n/a',
    'Our older Sorrel 20 had a pot life of 20 minutes.',
    'Unlike other resins with a 10 minute pot life, Sorrel is slow.',
    'Ships in 1 gal and 5 gal pails. Net weight 9.2 lb.',
    'Post cure 2 h at 60 °C for a heat deflection temperature of 70 °C.',
    'The mould should be preheated to 40 °C. Sand with 120 grit after 24 hours.',
    'Phone 1-800-555-0142. Sheet 2025-03-12. 100% solids. Page 3 of 4.',
    'Dilute cleaner 1:10 by volume with water.',
    'Mix ratio 2:1',
    '1.5% MEKP: 16 minutes',
    'Useful temperature range -65 to +400 °F',
    'Tensile strength 60 MPa, elongation 5 %, shrinkage 0.3 %',
    'Store at 10-25 °C and below 60 % relative humidity.',
    'Contains no isocyanates, free of styrene and solvents.',
    'Cured density 1.21 g/cm³',
    'Gelcoat thickness 0.5 mm',
    'Properties were measured at 23 °C and 50 % relative humidity',
    'Viscosity A: 900 cps, viscosity B: 250 cps',
  ])('%s', (line) => {
    expect(readDataSheet(line)).toEqual([]);
  });
  it('belongs to another product where several are told and none is asked for', () => {
    const sheet = 'Property\tFir 1\tFir 2\nPot life\t10 min\t35 min\n\nShelf life of both: 12 months unopened';
    expect(values(sheet)).toEqual({ 'shelf.unopenedMonths': 12 });
    expect(values(sheet, 'Fir 2')).toEqual({ 'potLife.minutes': 35, 'shelf.unopenedMonths': 12 });
  });
});

describe('several figures for one field', () => {
  it('two pot lives of one mass contradict, and neither is averaged', () => {
    const found = at(
      readDataSheet('Pot life (150 g, 23 °C): 40 min\n\nPot life (150 g, 23 °C): 30 min'),
      'potLife.minutes',
    );
    expect(found).toMatchObject({ contradicts: true });
    expect(found?.readings?.map((r) => r.value)).toEqual([40, 30]);
    expect([40, 30]).toContain(found?.value);
  });
  it('two pot lives of two masses stand beside one another', () => {
    const found = at(readDataSheet('Pot life (150 g): 40 min\n\nPot life (500 g): 28 min'), 'potLife.minutes');
    expect(found?.contradicts).toBeUndefined();
    expect(found?.readings?.map((r) => [r.value, r.massG])).toEqual([
      [40, 150],
      [28, 500],
    ]);
  });
  it('minutes, mass and temperature are of one statement', () => {
    const sheet = 'Pot life 40 min\n\nPot life (500 g, 23 °C): 28 min';
    expect(values(sheet)).toEqual({ 'potLife.minutes': 28, 'potLife.massG': 500, 'potLife.atC': 23 });
  });
  it('the same in two units is said once', () => {
    expect(at(readDataSheet('Max. depth 51 mm\n\nMaximum depth: 2 in'), 'depth.maxMm')?.readings).toBeUndefined();
  });
  it.each([
    [50, true],
    [49, undefined],
    [44, true],
  ])('the two ratios are held against the densities: 100 to %d by volume', (b, contradicts) => {
    const sheet = `Density A 1.13 g/ml, B 0.99 g/ml\nRatio 100:43 by weight\nRatio 100:${b + 0.5} by volume`;
    const found = readDataSheet(sheet);
    expect(at(found, 'ratio.byVolume.b')?.contradicts).toBe(contradicts);
    expect(at(found, 'densityAGPerML')?.contradicts).toBe(contradicts);
  });
});

describe('every reading', () => {
  const anySheet = fc
    .tuple(fc.constantFrom(...MADE_UP_SHEETS), fc.array(fc.nat(400), { maxLength: 6 }), fc.string({ unit: 'binary' }))
    .map(([sheet, cuts, noise]) => {
      const lines = sheetText(sheet).split('\n');
      for (const cut of cuts) lines.splice(cut % (lines.length + 1), cut % 3, noise, lines[cut % lines.length] ?? '');
      return { text: lines.join('\n'), asked: sheet.asked };
    });
  it('stands on its line as it is written, whatever the sheet, and nothing throws', () => {
    fc.assert(
      fc.property(anySheet, ({ text, asked }) => {
        const lines = text.split(/\r\n|[\r\n\f\v\u2028]/);
        for (const r of readDataSheet(text, { asked })) {
          expect(r.line).toBeGreaterThanOrEqual(1);
          expect(r.text.length).toBeGreaterThan(0);
          const letters = (words: string) => words.replaceAll(/[^\p{L}\p{N}]/gu, '');
          expect(letters(lines[r.line - 1] ?? '')).toContain(letters(r.text));
        }
      }),
      { numRuns: 150 },
    );
  });
  it('has one path each, in the order of the card', () => {
    const paths = readDataSheet(sheetText(MADE_UP_SHEETS[0]!)).map((r) => r.path);
    expect(new Set(paths).size).toBe(paths.length);
    expect(paths[0]).toMatch(/^ratio/);
  });
  it('comes from a row or a sentence, not from pages without a stop', () => {
    const long = 'Pot life 40 min, 1/2 by weight '.repeat(2000);
    expect(readDataSheet(long)).toEqual([]);
    expect(values(`${long}\n\nPot life: 40 min`)).toEqual({ 'potLife.minutes': 40 });
  });
});
