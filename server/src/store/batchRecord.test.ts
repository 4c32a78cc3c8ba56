import { soundBatch } from '@warm-jar/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from '../testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio();
});
afterAll(() => studio.remove());

const made = async (code: string | null) =>
  (await studio.batches.create(soundBatch('house-tide', { code }))).batch.code!;

describe('the number that a new batch is given', () => {
  it('follows the highest, however long it is written, and no word that only looks like one', async () => {
    expect(await made(null)).toBe('B-0001');
    await made('B-9');
    expect(await made(null)).toBe('B-0010');
    // Longer with noughts before it, but lower.
    await made('B-000011');
    await made('B-0990');
    expect(await made(null)).toBe('B-0991');
    // Letters after the number, and one that is too long to be of the numbering.
    for (const code of ['B-9999X', 'BX-7777', 'B-99999999']) await made(code);
    expect(await made(null)).toBe('B-0992');
    await made('B-9999');
    expect(await made(null)).toBe('B-10000');
  });
  it('is never that of one that was taken away', async () => {
    const code = await made(null);
    await studio.batches.remove(code, 1);
    expect(await made(null)).not.toBe(code);
  });
});
