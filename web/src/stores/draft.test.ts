import { describe, expect, it } from 'vitest';
import { draftIssues, localMoment, readableBatch, type Draft } from './draft';

const draft = (document: Record<string, unknown>, texts: Record<string, string> = {}): Draft => ({
  document: { format: 'warm-jar.batch/1', product: { slug: 'house-tide', revision: 1 }, ...document },
  texts,
  of: null,
  savedAt: '',
});

describe('draftIssues', () => {
  it('lets a sound draft through as a batch', () => {
    const { batch, issues } = draftIssues(draft({ room: { temperatureC: 20 } }));
    expect(issues).toEqual({});
    expect(batch?.room?.temperatureC).toBe(20);
  });
  it('names each field that cannot be stored, and keeps the batch back', () => {
    const { batch, issues } = draftIssues(
      draft({ product: {}, room: { humidityPct: 130 } }, { 'mix.stirMin': '2,5,1' }),
    );
    expect(batch).toBeNull();
    expect(Object.keys(issues).sort()).toEqual(['mix.stirMin', 'product.slug', 'room.humidityPct']);
    expect(issues['product.slug']).toBe('Choose the product.');
  });
});

describe('readableBatch', () => {
  it('leaves out what cannot be read yet, and keeps the rest for the limits', () => {
    const batch = readableBatch(
      draft({ room: { temperatureC: 20, humidityPct: 130 }, pour: { startedMin: 6, finishedMin: 2 } }),
    );
    expect(batch?.room).toEqual({ temperatureC: 20, humidityPct: null });
    expect(batch?.pour).toEqual({ startedMin: 6, finishedMin: null });
  });
  it('is nothing before a product is chosen', () => expect(readableBatch(draft({ product: {} }))).toBeNull());
});

describe('localMoment', () => {
  it('names the same moment, with an offset', () => {
    const date = new Date('2026-03-14T09:20:11Z');
    expect(localMoment(date)).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d[+-]\d\d:\d\d$/);
    expect(Date.parse(localMoment(date))).toBe(date.getTime());
  });
});
