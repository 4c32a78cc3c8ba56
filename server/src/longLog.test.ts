import { batchListQuerySchema, soundBatch, type Batch } from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from './testStudio';

describe('a long log', () => {
  let long: TestStudio;
  const MANY = 1_130;
  const at = '2026-05-04T10:00:00+00:00';
  beforeAll(async () => {
    long = await testStudio();
    await long.batches.addAll(
      Array.from({ length: MANY }, (_, i) =>
        soundBatch('house-tide', {
          code: `L-${i}`,
          startedAt: at,
          copiedFrom: i < 2 ? { code: `L-${1 - i}`, changes: [] } : null,
        }),
      ),
    );
  }, 60_000);
  afterAll(async () => {
    await long.remove();
  });
  it('goes out whole, each batch once, though it is read in parts and all began at one moment', async () => {
    const { text } = await request(long.app).get('/api/v1/export/batches.json').expect(200);
    const codes = (JSON.parse(text) as Batch[]).map((b) => b.code);
    expect(codes).toHaveLength(MANY);
    expect(new Set(codes).size).toBe(MANY);
    const csv = (await request(long.app).get('/api/v1/export/batches.csv').expect(200)).text.trim().split('\r\n');
    expect(csv).toHaveLength(MANY + 1);
    expect(new Set(csv.map((line) => line.split(',').length)).size).toBe(1);
  });
  it('is looked through by a mould of many as by one of few, page by page', async () => {
    const page = async (query: Record<string, string>) => {
      const { items, total } = await long.batches.list(batchListQuerySchema.parse({ pageSize: '25', ...query }));
      return { total, codes: items.map((i) => i.code) };
    };
    const { mould } = soundBatch('house-tide');
    const all = await page({});
    expect(await page({ mould: mould!.code! })).toEqual({ ...all, total: MANY });
    expect(await page({ mould: mould!.code!, page: '46' })).toEqual({ ...(await page({ page: '46' })), total: MANY });
    expect(await page({ mould: 'M-99' })).toEqual({ total: 0, codes: [] });
  });
  it('is looked through by words that all of it has, by facts, and with something else beside, page by page', async () => {
    const page = async (query: Record<string, string>) => {
      const { items, total } = await long.batches.list(batchListQuerySchema.parse({ pageSize: '3', ...query }));
      return { total, codes: items.map((i) => i.code) };
    };
    const alone: Record<string, string>[] = [
      { search: 'house' },
      { search: 'tide hou' },
      { looked: 'no' },
      { search: 'h', fact: 'product:house-tide' },
    ];
    for (const number of ['1', '2', '90', '377'])
      for (const sort of ['-startedAt', 'startedAt', 'code']) {
        const all = await page({ page: number, sort });
        expect(all).toMatchObject({ total: MANY });
        for (const query of alone)
          expect(await page({ ...query, page: number, sort }), JSON.stringify([query, number, sort])).toEqual(all);
        expect(await page({ search: 'house', product: 'house-tide', page: number, sort })).toEqual(all);
        expect(await page({ search: 'house', limit: 'inside', page: number, sort })).toEqual(
          await page({ limit: 'inside', page: number, sort }),
        );
      }
    expect(await page({ search: 'houses' })).toEqual({ total: 0, codes: [] });
  });
  it('is stored all at once or not at all', async () => {
    const some = [soundBatch('house-tide', { code: 'N-1' }), soundBatch('house-tide', { code: 'L-5' })];
    await expect(long.batches.addAll(some)).rejects.toThrow();
    await expect(long.batches.get('N-1')).rejects.toThrow(/not found/);
  });
  it('has each batch in its history, as one stored by itself', async () => {
    expect(await long.batches.history('L-7')).toMatchObject([{ version: 1, action: 'created' }]);
    expect([...(await long.batches.taken(['L-7', 'Z-1', 'L-1129']))].sort()).toEqual(['L-1129', 'L-7']);
  });
  it('is looked through by words beside facts that not all of it has, page by page', async () => {
    await long.batches.addAll(
      Array.from({ length: 200 }, (_, i) => soundBatch('house-clear-6', { code: `C-${i}`, startedAt: at })),
    );
    const page = async (query: Record<string, string>) => {
      const { items, total } = await long.batches.list(batchListQuerySchema.parse({ pageSize: '1', ...query }));
      return { total, codes: items.map((i) => i.code) };
    };
    for (const number of ['1', '4', '5', '1130', '1131']) {
      const plain = await page({ product: 'house-tide', page: number });
      expect(plain.total).toBe(MANY);
      expect(plain.codes).toHaveLength(number === '1131' ? 0 : 1);
      for (const search of ['house', 'tide', 'l-'])
        expect(await page({ search, fact: 'product:house-tide', page: number }), `${search} ${number}`).toEqual(plain);
    }
  });
  it('does not go round for ever where two were copied from each other', async () => {
    const { items } = (await request(long.app).get('/api/v1/trials').expect(200)).body as {
      items: { attempts: unknown[] }[];
    };
    expect(items.length).toBeGreaterThan(0);
    expect(items.length).toBeLessThan(3);
  });
});
