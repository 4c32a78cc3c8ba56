import { existsSync, writeFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { batchListQuerySchema } from '@warm-jar/core';
import { testStudio, type TestStudio } from '../testStudio';
import { fillDemo, removeDatabase } from './fillDemo';

let studio: TestStudio | null = null;
afterEach(async () => { await studio?.remove(); studio = null; });

describe('the demo database', () => {
  it('holds the eleven cards and thirty-four batches: six begun and not finished, and one to be mended', async () => {
    studio = await testStudio({ cards: false });
    expect(await fillDemo(studio, new Date('2026-11-24T14:30:00Z'))).toBe(34);
    expect(await studio.products.list()).toHaveLength(11);
    expect((await studio.batches.list(batchListQuerySchema.parse({}))).total).toBe(34);
    expect((await studio.batches.list(batchListQuerySchema.parse({ stage: 'in-work' }))).items.map((b) => b.stage)).toEqual(['mix', 'pour', 'press', 'watch', 'check', 'check', 'check']);
    expect((await studio.batches.list(batchListQuerySchema.parse({ symptom: 'any' }))).total).toBe(14);
  });
  it('is removed with its write-ahead files', async () => {
    studio = await testStudio({ cards: false });
    const file = `${studio.file}.old`;
    for (const suffix of ['', '-wal', '-shm']) writeFileSync(`${file}${suffix}`, '');
    removeDatabase(file);
    expect(['', '-wal', '-shm'].some((s) => existsSync(`${file}${s}`))).toBe(false);
  });
});
