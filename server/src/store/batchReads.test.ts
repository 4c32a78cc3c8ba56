import { batchListQuerySchema, soundBatch } from '@warm-jar/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from '../testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio();
});
afterAll(() => studio.remove());

const listed = (query: Record<string, string>) => studio.batches.list(batchListQuerySchema.parse(query));
const made = async (by: string) =>
  (await studio.batches.create(soundBatch('house-clear-6', { code: null, by }))).batch.code!;

describe('a page of the log', () => {
  it('counts anew once something was written, however often it was asked before', async () => {
    expect((await listed({ by: 'KO' })).total).toBe(0);
    expect((await listed({ by: 'KO' })).total).toBe(0);
    const code = await made('KO');
    expect((await listed({ by: 'KO' })).total).toBe(1);
    const { batch, version } = await studio.batches.get(code);
    await studio.batches.replace(code, version, { ...batch, by: 'MT' });
    expect([(await listed({ by: 'KO' })).total, (await listed({ by: 'MT' })).total]).toEqual([0, 1]);
  });
  it('does not hold what was written while it counted to be counted in', async () => {
    const [before] = await Promise.all([listed({ by: 'RV' }), made('RV'), made('RV')]);
    expect(before.total).toBeLessThanOrEqual(2);
    expect((await listed({ by: 'RV' })).total).toBe(2);
  });
  it('counts each question by itself, and its pages as one', async () => {
    await made('KO');
    expect((await listed({ by: 'KO', pageSize: '1', page: '9' })).total).toBe(1);
    expect((await listed({ by: 'KO', sort: 'code' })).items).toHaveLength(1);
    expect((await listed({})).total).toBeGreaterThan(1);
  });
  it('comes though a casting holds bytes where there are words', async () => {
    const code = await made('ZZ');
    await studio.database.sequelize.query("UPDATE castings SET mould = x'00ff', price = x'01' WHERE batch_code = ?", {
      replacements: [code],
    });
    expect((await listed({ by: 'ZZ' })).items.map((b) => b.code)).toEqual([code]);
  });
});
