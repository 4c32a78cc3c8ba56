import { batchListQuerySchema, saltmarshYear, soundBatch } from '@warm-jar/core';
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

describe('how many batches answer a filter', () => {
  it('is the same by the part of the log that it asks alone as by holding every batch against it', async () => {
    const own = await testStudio();
    try {
      for (const { batch } of saltmarshYear(new Date('2026-11-24T14:30:00Z')).slice(0, 90))
        await own.batches.create({ ...batch, code: null });
      const [first] = (await own.batches.list(batchListQuerySchema.parse({ symptom: 'any' }))).items;
      const { version } = await own.batches.get(first!.code);
      await own.batches.remove(first!.code, version);
      const asked: Record<string, string>[] = [
        ...['any', 'none', 'bubbles', 'tacky', 'yellowing'].map((symptom) => ({ symptom })),
        { symptom: 'bubbles', pattern: 'micro-throughout' },
        { symptom: 'bubbles', pattern: 'no such word' },
        ...['pass', 'second', 'scrap', 'none'].map((grade) => ({ grade })),
        { mould: 'M-12' },
        { mould: 'M-12', cavity: '1', grade: 'pass' },
        { reason: 'bubble' },
        { sold: 'yes' },
        { sold: 'no' },
        ...['any', 'none', 'not-cleared'].map((outcome) => ({ outcome })),
        { gear: 'S-1' },
        { search: 'house clear' },
        { search: "o'clock" },
        { search: ' ' },
        { limit: 'outside' },
        { limit: 'inside' },
        { limit: 'near' },
        { limit: 'room.humidityPct:above' },
        { looked: 'yes' },
        { looked: 'no' },
        { looked: 'no', limit: 'near' },
        { limit: 'near', symptom: 'bubbles' },
        { search: 'house', grade: 'pass' },
        {},
      ];
      let some = 0;
      for (const filter of asked) {
        const query = batchListQuerySchema.parse({ pageSize: '1', ...filter });
        const { total } = await own.batches.list(query);
        expect([filter, total]).toEqual([filter, (await own.batches.documents(query, 1)).total]);
        if (total > 0 && total < 89) some += 1;
      }
      expect(some).toBeGreaterThan(15);
    } finally {
      await own.remove();
    }
  });
});
