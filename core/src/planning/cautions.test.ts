import { describe, expect, it } from 'vitest';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import type { Product } from '../formats/product';
import { FAMILIES, STAGES, type Family, type Stage } from '../formats/vocabulary';
import { cautionsFor, type Act } from './cautions';

const ofFamily = (family: Family): Product => ({
  ...saltmarshCard('house-clear-6'),
  family,
  hazards: null,
});
const codes = (product: Product, stage: Stage, act?: Act) => cautionsFor(product, stage, act).map(({ code }) => code);
const POURING: readonly Stage[] = ['weigh', 'mix', 'clear', 'pour'];

describe('a caution stands at its step', () => {
  it.each<[string, Family, readonly Stage[]]>([
    ['isocyanate', 'polyurethane', ['weigh', 'mix', 'clear', 'pour', 'press', 'watch']],
    ['isocyanate-water', 'polyurethane', ['weigh']],
    ['skin', 'epoxy', POURING],
    ['skin', 'uv-acrylate', POURING],
    ['peroxide', 'polyester', ['weigh', 'mix']],
    ['styrene', 'polyester', ['weigh', 'mix', 'clear', 'pour', 'watch']],
    ['hot-cup', 'epoxy', ['mix', 'clear', 'pour', 'watch']],
    ['hot-cup', 'polyurethane', ['mix', 'clear', 'pour', 'watch']],
    ['hot-cup', 'polyester', ['mix', 'clear', 'pour', 'watch']],
    ['powder-dust', 'mineral-acrylic', ['weigh', 'mix']],
    ['lamp', 'uv-acrylate', ['watch']],
    ['sanding', 'epoxy', ['check']],
    ['not-for-food', 'silicone', ['check']],
  ])('%s with %s, at its steps and at no other, though the card is silent', (code, family, at) => {
    const shown = STAGES.filter((stage) => codes(ofFamily(family), stage).includes(code));
    expect(shown).toEqual(STAGES.filter((stage) => at.includes(stage)));
  });
  it('never of isocyanate, peroxide or styrene where the family has none and the card names none', () => {
    for (const family of FAMILIES) {
      const all = STAGES.flatMap((stage) => codes(ofFamily(family), stage));
      expect(all.includes('isocyanate'), family).toBe(family === 'polyurethane');
      expect(all.includes('peroxide'), family).toBe(family === 'polyester');
      expect(all.includes('styrene'), family).toBe(family === 'polyester');
    }
  });
});

describe('what a card adds', () => {
  it.each([
    ['isocyanate', 'isocyanate', 'mix'],
    ['peroxide', 'peroxide', 'weigh'],
    ['styrene', 'styrene', 'pour'],
    ['solvent', 'solvent', 'mix'],
    ['dust', 'powder-dust', 'weigh'],
    ['acrylate', 'lamp', 'watch'],
  ] as const)('%s brings its caution to a family that has none', (hazard, code, stage) => {
    const silicone = ofFamily('silicone');
    expect(codes(silicone, stage)).not.toContain(code);
    expect(codes({ ...silicone, hazards: [hazard] }, stage)).toContain(code);
  });
  it('takes none away: a card that names no hazard keeps what its family brings', () => {
    for (const card of SALTMARSH_CARDS)
      for (const stage of STAGES) {
        const said = codes(card, stage);
        for (const code of codes({ ...card, hazards: [] }, stage))
          expect(said, `${card.slug} ${stage}`).toContain(code);
      }
  });
});

describe('what is done', () => {
  const epoxy = ofFamily('epoxy');
  it('is taken to be dangerous until somebody said that it is not', () => {
    expect(codes(epoxy, 'clear')).toContain('vacuum');
    expect(codes(epoxy, 'clear', { vacuumed: null })).toContain('vacuum');
    expect(codes(epoxy, 'clear', { vacuumed: true })).toContain('vacuum');
    expect(codes(epoxy, 'clear', { vacuumed: false })).not.toContain('vacuum');
    expect(codes(epoxy, 'press')).toContain('pressure-vessel');
    expect(codes(epoxy, 'press', { pressed: false })).not.toContain('pressure-vessel');
  });
  it('asks for a mask with every kind of grain, and for none with a dye', () => {
    for (const kind of ['powder', 'filler', 'mica', 'glitter'] as const)
      expect(codes(epoxy, 'mix', { additives: [{ kind }] }), kind).toContain('powder-dust');
    expect(codes(epoxy, 'mix', { additives: [{ kind: 'dye' }] })).not.toContain('powder-dust');
    expect(codes(epoxy, 'mix', { additives: null })).not.toContain('powder-dust');
  });
  it('warns of flame with a solvent, by its kind or as said', () => {
    expect(codes(epoxy, 'pour', { additives: [{ kind: 'solvent-ink' }] })).toContain('solvent');
    expect(codes(epoxy, 'pour', { additives: [{ kind: 'dye', solvent: true }] })).toContain('solvent');
    expect(codes(epoxy, 'pour', { additives: [{ kind: 'dye', solvent: false }] })).not.toContain('solvent');
  });
  it('is said once each, as a whole sentence', () => {
    for (const family of FAMILIES)
      for (const stage of STAGES) {
        const all = cautionsFor(ofFamily(family), stage, { additives: [{ kind: 'mica', solvent: true }] });
        expect(new Set(all.map(({ code }) => code)).size, `${family} ${stage}`).toBe(all.length);
        for (const { says } of all) expect(says).toMatch(/^[A-Z].+\.$/s);
      }
  });
});
