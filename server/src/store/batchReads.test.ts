import { batchListQuerySchema, saltmarshYear, soundBatch } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { testStudio, type TestStudio } from '../testStudio';
import { batchContext } from './batchContext';
import { list } from './batchReads';
import { MARKS } from './migrations/0016-marks';
import { COUNTED_AT_ONCE } from './searchWords';

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

describe('how many batches have a word', () => {
  it('is counted anew in those parts alone of a long index that were written to', async () => {
    const own = await testStudio();
    try {
      const { sequelize, searched } = own.database;
      for (const { batch } of saltmarshYear(new Date('2026-11-24T14:30:00Z')).slice(0, 40))
        await own.batches.create({ ...batch, code: null });
      // As if many had been logged and taken away between them.
      for (const [from, by] of [
        [24, 4],
        [11, 1],
      ]) {
        const moved = `number BETWEEN ${from} AND 40`;
        await sequelize.query(`DELETE FROM batch_words WHERE rowid IN (SELECT number FROM batches WHERE ${moved})`);
        await sequelize.query(`UPDATE batches SET number = number + ${by! * COUNTED_AT_ONCE} WHERE ${moved}`);
      }
      await sequelize.query(`UPDATE batches SET search = search || ' moved' WHERE number > 40`);
      const houses = batchListQuerySchema.parse({ search: 'house clear' });
      const asked = vi.spyOn(searched.batches.sequelize!, 'query');
      const counted = async () => {
        const { total } = await own.batches.list(houses);
        const statements = asked.mock.calls.map(([statement]) => JSON.stringify(statement)).join('; ');
        asked.mockClear();
        return { total, parts: [...statements.matchAll(/SELECT (\d+) AS part/g)].map(([, part]) => Number(part)) };
      };
      const all = (await own.batches.documents(houses, 1)).total;
      expect(await counted()).toEqual({ total: all, parts: [0, 1, 4] });
      expect(await counted()).toEqual({ total: all, parts: [] });
      const { batch } = await own.batches.create(soundBatch('house-clear-6', { code: null }));
      expect(await counted()).toEqual({ total: all + 1, parts: [4] });
      const [middle] = await sequelize.query<{ code: string }>(
        `SELECT code FROM batches WHERE number > ${COUNTED_AT_ONCE} AND product_slug = 'house-clear-6' ORDER BY number LIMIT 1`,
        { type: QueryTypes.SELECT },
      );
      await own.batches.remove(middle!.code, 1);
      expect(await counted()).toEqual({ total: all, parts: [1] });
      // What is said of another thing than batches, or changes no word, is counted in none.
      await own.batches.replace(batch.code!, 1, { ...batch });
      expect(await counted()).toEqual({ total: all, parts: [] });
      expect((await own.batches.documents(houses, 1)).total).toBe(all);
    } finally {
      await own.remove();
    }
  });
});

describe('a page of the log by several filters at once', () => {
  const CHOICES: Record<string, readonly string[]> = {
    product: ['house-clear-6', 'house-tide', 'none-such'],
    stage: ['done', 'in-work', 'watch'],
    by: ['KO', 'MT', 'ko'],
    symptom: ['any', 'none', 'bubbles', 'tacky'],
    pattern: ['micro-throughout', 'liquid', 'no such word'],
    mould: ['M-08', 'M-12'],
    grade: ['pass', 'second', 'scrap', 'none'],
    sold: ['yes', 'no'],
    lot: ['A-31', 'B-52'],
    gear: ['S-1', 'G-04'],
    outcome: ['any', 'none', 'under-mixed'],
    search: ['house clear', 'm-1', 'hou', '213a'],
    limit: ['outside', 'inside', 'near'],
    looked: ['yes', 'no'],
    fact: ['product:house-clear-6'],
    from: ['2026-08-01'],
    reason: ['bubble'],
    sort: ['startedAt', '-startedAt', 'code'],
  };
  const keys = Object.keys(CHOICES);
  let own: TestStudio;
  beforeAll(async () => {
    own = await testStudio();
    const year = saltmarshYear(new Date('2026-11-24T14:30:00Z')).slice(0, 60);
    for (const { batch } of year) await own.batches.create({ ...batch, code: null });
    await own.batches.addAll(
      saltmarshYear(new Date('2026-11-24T14:30:00Z'))
        .slice(60, 116)
        .map(({ batch }) => batch),
    );
    // Nobody wrote down when these were begun.
    for (const { batch } of year.slice(0, 4)) await own.batches.create({ ...batch, code: null, startedAt: null });
  }, 60_000);
  afterAll(() => own.remove());

  /** Each filter that was drawn, asked as a list, and of each row by itself. */
  async function holds(rounds: number, seed: number): Promise<number> {
    let state = seed;
    const next = (below: number) => {
      state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
      return Math.floor((state / 2_147_483_648) * below);
    };
    let some = 0;
    for (let round = 0; round < rounds; round += 1) {
      const filter: Record<string, string> = {};
      for (let n = 1 + next(3); n > 0; n -= 1) {
        const key = keys[next(keys.length)]!;
        filter[key] = CHOICES[key]![next(CHOICES[key]!.length)]!;
      }
      const query = batchListQuerySchema.parse({ pageSize: '200', ...filter });
      const { items, total } = await own.batches.list(query);
      const plain = await own.batches.documents(query, 200);
      expect([filter, total, items.map((i) => i.code)]).toEqual([
        filter,
        plain.total,
        plain.batches.map((b) => b.code),
      ]);
      if (total > 0 && total < 120) some += 1;
    }
    return some;
  }

  it.each([
    ['rows by themselves, and those that lie at the far end', { many: 3, eachTakes: 0, soon: 4, wide: 0, ofAll: 0 }],
    ['rows held against the answer of the index', { many: 3, eachTakes: Infinity, soon: 0, wide: 0, ofAll: 0 }],
    ['a stretch of the index', { many: 3, eachTakes: Infinity, soon: 0, wide: Infinity, ofAll: Infinity }],
    ['few rows put in order', { many: Infinity, eachTakes: 0, soon: 0, wide: 0, ofAll: 0 }],
  ])('is the same page by page, from either end, by %s', async (_how, soonest) => {
    const { database, products } = own;
    const listedSo = list(
      batchContext(database, products, () => Promise.resolve()),
      soonest,
    );
    const asked: Record<string, string>[] = [
      {},
      { search: 'house' },
      { search: 'house clear', by: 'KO' },
      { search: 'mt', grade: 'pass' },
      { fact: 'product:house-clear-6' },
      { looked: 'yes', symptom: 'bubbles' },
      { product: 'house-clear-6', grade: 'pass' },
      { grade: 'scrap' },
      { outcome: 'none', stage: 'done' },
      { symptom: 'any' },
      { symptom: 'none', sold: 'no' },
      { mould: 'M-12' },
      { mould: 'M-12', cavity: '2', grade: 'pass' },
      { gear: 'G-04' },
    ];
    for (const filter of asked)
      for (const sort of ['-startedAt', 'startedAt', 'code', '-massG', 'mould', '-lotA']) {
        const query = batchListQuerySchema.parse({ pageSize: '200', sort, ...filter });
        const plain = (await own.batches.documents(query, 200)).batches.map((b) => b.code);
        const codes: string[] = [];
        for (let page = 1; page <= Math.ceil(plain.length / 17); page += 1)
          codes.push(...(await listedSo({ ...query, page, pageSize: 17 })).items.map((i) => i.code));
        expect([filter, sort, codes]).toEqual([filter, sort, plain]);
        expect((await listedSo({ ...query, page: 40 })).items).toEqual([]);
        const [first, second] = [await own.batches.documents(query, 13), await own.batches.documents(query, 100, 13)];
        expect([...first.batches, ...second.batches].map((b) => b.code)).toEqual(plain.slice(0, 113));
      }
  });
  it('is not found by the letters of a mark, which nobody wrote', async () => {
    const letters = Buffer.from('!grade:').toString('hex');
    expect(
      await own.database.sequelize.query('SELECT 1 FROM batches WHERE instr(marks, ?) > 0', {
        type: QueryTypes.SELECT,
        replacements: [letters],
      }),
    ).toHaveLength(120);
    expect((await own.batches.list(batchListQuerySchema.parse({ search: letters }))).total).toBe(0);
  });
  it('is found by the words of its index as by each row and its parts', async () => {
    expect(await holds(250, 7)).toBeGreaterThan(60);
  }, 60_000);
  it('is laid down by the step that brings an old log up as by whoever writes a batch', async () => {
    const rows = await own.database.sequelize.query<{ code: string; marks: string; anew: string }>(
      `SELECT b.code, b.marks, ${MARKS} AS anew FROM batches b`,
      { type: QueryTypes.SELECT },
    );
    const words = (marks: string) => marks.toLowerCase().split(' ').sort();
    expect(rows).toHaveLength(120);
    for (const { code, marks, anew } of rows) expect([code, words(anew)]).toEqual([code, words(marks)]);
    expect(Math.max(...rows.map(({ marks }) => words(marks).length))).toBeGreaterThan(12);
  });
  it('is so when batches changed and went', async () => {
    const { items } = await own.batches.list(batchListQuerySchema.parse({ pageSize: '30' }));
    for (const [i, { code }] of items.entries()) {
      const { batch, version } = await own.batches.get(code);
      if (i % 5 === 0) await own.batches.remove(code, version);
      else
        await own.batches.replace(code, version, {
          ...batch,
          by: i % 2 === 0 ? 'KO' : 'MT',
          castings: [{ id: 'k1', mould: { code: 'M-12', cavity: 1 }, soldOn: i % 3 === 0 ? '2026-11-20' : null }],
          checks: [{ afterH: 24, symptoms: [{ kind: 'tacky', pattern: 'liquid' }], grade: 'second' }],
          outcome: [],
        });
    }
    expect(await holds(150, 11)).toBeGreaterThan(40);
  }, 60_000);
});
