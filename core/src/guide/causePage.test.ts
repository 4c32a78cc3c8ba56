import { describe, expect, it } from 'vitest';
import { CATALOGUE, causeTitle } from '../diagnosis/catalogue';
import { QUICK_TESTS } from '../diagnosis/quickTests';
import { CAUSE_IDS, FACTORS, FAMILIES } from '../formats/vocabulary';
import { STORED_UNITS } from '../units/quantities';
import { wordsIn } from '../units/wording';
import { GUIDED_CAUSES, causePage, nearestCauses } from './causePage';
import { isGuidedCause } from './causeWords';
import { FAMILY_WORDS } from './familyWords';
import { GUIDE_ENTRIES, findInGuide } from './findInGuide';
import { SCHOOLS, schoolOf } from './schools';
import { TERMS } from './terms';

describe('a page of the guide for each cause', () => {
  it('is there for all that the catalogue knows, and for nothing else', () => {
    expect([...GUIDED_CAUSES].sort()).toEqual(CAUSE_IDS.filter((id) => id !== 'something-else').sort());
    expect(isGuidedCause('something-else')).toBe(false);
    expect(isGuidedCause('toString')).toBe(false);
  });
  it.each(GUIDED_CAUSES)('%s says how it looks and comes about, what speaks for it, and what mends it', (id) => {
    const page = causePage(id);
    expect(page.title).toBe(causeTitle(id));
    expect(page.looks.length).toBeGreaterThan(30);
    expect(page.how.length).toBeGreaterThan(60);
    expect(page.shows.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
    expect(page.mend.steps.length).toBeGreaterThan(0);
    expect(page.prevention.length).toBeGreaterThan(0);
    expect(page.neighbours.length).toBeGreaterThan(0);
    expect(page.neighbours.map((n) => n.id)).not.toContain(id);
    for (const { points } of page.speaks) expect(points).toBeGreaterThan(0);
  });
  it.each([
    ['ratio-off', 'mix.ratioErrorPct'],
    ['cold-cure', 'cure.temperatureC'],
    ['pressure-late', 'pressure.reachedMin'],
    ['damp-resin', 'room.humidityPct'],
    ['tin-mould', 'mould.rubber'],
    ['overheated', 'pour.depthMm'],
  ] as const)('%s is spoken for by %s', (id, field) => {
    expect(causePage(id).speaks.map((s) => s.field)).toContain(field);
  });
  it('names a test for a cause only by what it shows where that was the cause', () => {
    const worth = (title: string, words: string, id: string) =>
      QUICK_TESTS.find((t) => t.title === title)!.outcomes.find((o) => o.words === words)!.points[id as 'ratio-off'] ??
      0;
    for (const id of GUIDED_CAUSES) {
      const page = causePage(id);
      for (const t of page.tests) expect(worth(t.title, t.says, id)).toBeGreaterThan(0);
      for (const n of page.neighbours)
        for (const t of n.tests) {
          expect(worth(t.title, t.here, id)).toBeGreaterThan(0);
          expect(worth(t.title, t.here, id)).toBeGreaterThan(worth(t.title, t.here, n.id));
          if (t.there !== null) expect(worth(t.title, t.there, n.id)).toBeGreaterThan(0);
        }
    }
  });
  it('takes causes for neighbours that show themselves alike', () => {
    expect(nearestCauses('pressure-late')).toEqual(expect.arrayContaining(['pressure-low']));
    expect(nearestCauses('bond-window-missed').length).toBe(2);
    expect(nearestCauses('too-soon', 1)).toEqual(['cold-cure']);
  });
  it('says figures in the units that people chose', () => {
    const told = (say: ReturnType<typeof wordsIn>) => causePage('cold-cure', say).prevention.join(' ');
    expect(told(wordsIn())).toContain('°C');
    expect(told(wordsIn({ ...STORED_UNITS, temperature: '°F' }))).toContain('°F');
  });
  it('mends a resin, where the cause happens in one: a rubber is mended as no resin is', () => {
    const ofRubber = CATALOGUE.filter((c) => !c.families?.every((f) => f === 'silicone'));
    for (const { id } of ofRubber) expect(causePage(id as 'ratio-off').example.product).not.toContain('Mould');
  });
});

describe('the other pages', () => {
  it('tell of every family what it never does', () => {
    for (const family of FAMILIES) expect(FAMILY_WORDS[family].never.length).toBeGreaterThan(1);
    expect(FAMILY_WORDS.epoxy.never.join(' ')).toContain('No lamp cures it');
    expect(FAMILY_WORDS.polyurethane.never.join(' ')).toContain('No lamp cures it');
  });
  it('give each school more than one side, and ask the log of it by factors that there are', () => {
    for (const { sides, factors } of SCHOOLS) {
      expect(sides.length).toBeGreaterThan(1);
      expect(factors.length).toBeGreaterThan(0);
      expect(factors.filter((f) => !FACTORS.includes(f))).toEqual([]);
    }
    expect(schoolOf('air')?.title).toContain('Vacuum');
    expect(schoolOf('nonsense')).toBeUndefined();
  });
  it('are found by their words, those named so first', () => {
    expect(GUIDE_ENTRIES).toHaveLength(GUIDED_CAUSES.length + FAMILIES.length + SCHOOLS.length + TERMS.length);
    expect(new Set(GUIDE_ENTRIES.map((e) => `${e.part} ${e.id}`)).size).toBe(GUIDE_ENTRIES.length);
    expect(findInGuide('pot life')[0]).toMatchObject({ part: 'words', id: 'pot-life' });
    expect(findInGuide('Blush')[0]).toMatchObject({ id: 'amine-blush' });
    expect(findInGuide('  ')).toEqual([]);
    expect(findInGuide('no such words here')).toEqual([]);
  });
});
