import { existsSync, writeFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { batchListQuerySchema } from '@warm-jar/core';
import { testStudio, type TestStudio } from '../testStudio';
import { fillDemo, removeDatabase } from './fillDemo';

let studio: TestStudio | null = null;
afterEach(async () => {
  await studio?.remove();
  studio = null;
});

describe('the demo database', () => {
  it('holds the cards, a year of batches, a third of them with a fault, twelve in work, and pieces in layers', async () => {
    studio = await testStudio({ cards: false });
    const now = new Date('2026-11-24T14:30:00Z');
    const total = await fillDemo(studio, now);
    expect(total).toBeGreaterThanOrEqual(235);
    expect(total).toBeLessThanOrEqual(260);
    const count = async (query: Record<string, string>) =>
      (await studio!.batches.list(batchListQuerySchema.parse(query))).total;
    expect(await count({})).toBe(total);
    expect(await studio.products.list()).toHaveLength(11);
    expect(
      (await studio.batches.list(batchListQuerySchema.parse({ stage: 'in-work', sort: 'code' }))).items.map(
        (b) => b.stage,
      ),
    ).toEqual(expect.arrayContaining(['mix', 'pour', 'press', 'watch', 'check']));
    expect(await count({ stage: 'in-work' })).toBe(12);
    const faulty = await count({ symptom: 'any' });
    expect(faulty / total).toBeGreaterThan(0.27);
    expect(faulty / total).toBeLessThan(0.42);
    expect((await studio.shelf.pieces.list()).map((p) => p.item.code)).toEqual(['P-01', 'P-02', 'P-03', 'P-04']);
    expect(studio.failures).toEqual([]);
  });
  it('is removed with its write-ahead files', async () => {
    studio = await testStudio({ cards: false });
    const file = `${studio.file}.old`;
    for (const suffix of ['', '-wal', '-shm']) writeFileSync(`${file}${suffix}`, '');
    removeDatabase(file);
    expect(['', '-wal', '-shm'].some((s) => existsSync(`${file}${s}`))).toBe(false);
  });
});
