import { describe, expect, it } from 'vitest';
import { CAUSE_IDS, FAMILIES, PATTERNS_BY_SYMPTOM, type SymptomKind } from '../formats/vocabulary';
import { CATALOGUE, causeTitle } from './catalogue';

const KINDS = Object.keys(PATTERNS_BY_SYMPTOM) as SymptomKind[];

describe('the catalogue of causes', () => {
  it('has a cause for every id but the one that is none of them', () => {
    const ids = CATALOGUE.map((c) => c.id);
    expect(CAUSE_IDS.filter((id) => id !== 'something-else' && !ids.includes(id))).toEqual([]);
    expect(new Set(ids).size).toBe(ids.length);
  });
  it('calls each by a name of its own, as a technician would', () => {
    const titles = CATALOGUE.map((c) => causeTitle(c.id));
    expect(new Set(titles).size).toBe(titles.length);
    for (const title of titles) expect(title).toMatch(/^[A-Z][^.]*$/);
    expect(causeTitle('something-else').length).toBeGreaterThan(3);
  });
  it('expects each in looks and patterns that there are, with a weight between never and always', () => {
    for (const { id, prior } of CATALOGUE) {
      expect(Object.keys(prior).length, id).toBeGreaterThan(0);
      for (const [kind, patterns] of Object.entries(prior)) {
        expect(KINDS, id).toContain(kind);
        for (const [pattern, weight] of Object.entries(patterns)) {
          expect(PATTERNS_BY_SYMPTOM[kind as SymptomKind] as readonly string[], `${id} ${kind}`).toContain(pattern);
          expect(weight, `${id} ${kind} ${pattern}`).toBeGreaterThan(0);
          expect(weight, `${id} ${kind} ${pattern}`).toBeLessThanOrEqual(1);
        }
      }
    }
  });
  it('names families that there are, for those it can happen in', () => {
    for (const { id, families } of CATALOGUE) {
      if (!families) continue;
      expect(families.length, id).toBeGreaterThan(0);
      for (const family of families) expect(FAMILIES, id).toContain(family);
    }
  });
  it('argues each from evidence, and every look from several causes', () => {
    for (const { id, evidence } of CATALOGUE) expect(evidence.length, id).toBeGreaterThan(0);
    for (const kind of KINDS)
      expect(CATALOGUE.filter((c) => kind in c.prior).length, kind).toBeGreaterThan(kind === 'mark' ? 0 : 1);
  });
});
