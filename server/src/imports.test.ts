import {
  readTable,
  saltmarshCard,
  saltmarshMoulds,
  soundBatch,
  suggestColumns,
  type Batch,
  type PastImport,
  type Problem,
  type TableImportAnswer,
} from '@warm-jar/core';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { studioClock } from './live/studioClock';
import { testStudio, type TestStudio } from './testStudio';

const now = new Date('2026-06-01T10:00:00Z');
let studio: TestStudio;
beforeEach(async () => {
  studio = await testStudio({ clock: studioClock(1, () => now.getTime()) });
});
afterEach(async () => {
  expect(studio.failures).toEqual([]);
  await studio.remove();
});
const api = () => request(studio.app);
const SPRING = [
  ['Date', 'Resin', 'Part A', 'Part B'],
  ['2026-03-14', 'House Clear 6', '150', '123'],
  ['2026-03-15', 'House Clear 6', '151', '124'],
];
const documentsOf = (rows: readonly (readonly string[])[]) => readTable(rows, suggestColumns(rows)).documents;
const bringIn = async (kind: string, documents: readonly unknown[], apply = true) =>
  (await api().post(`/api/v1/imports?apply=${apply}`).send({ kind, name: 'spring.csv', documents })) as {
    status: number;
    body: TableImportAnswer & Problem;
  };
const total = async (query = '') => ((await api().get(`/api/v1/batches${query}`)).body as { total: number }).total;
const undo = (id: string | null) => api().post(`/api/v1/imports/${id}/undo`);

describe('a table that is brought in', () => {
  it('is looked through first, and nothing is written', async () => {
    const { status, body } = await bringIn('batch', documentsOf(SPRING), false);
    expect([status, body.id, body.applied]).toEqual([200, null, 0]);
    expect(body.rows.map((r) => r.action)).toEqual(['new', 'new']);
    expect(await total()).toBe(0);
  });
  it('comes in whole, each batch under a code of the numbering', async () => {
    const { body } = await bringIn('batch', documentsOf(SPRING));
    expect(body.applied).toBe(2);
    expect((await api().get('/api/v1/batches/B-0002')).body).toMatchObject({ mix: { amountA: 151 }, dayOnly: true });
  });
  it('of last spring comes in as done: nothing of it is in work, nothing is due', async () => {
    const { body } = await bringIn('batch', documentsOf(SPRING));
    expect(body.rows.map((r) => r.closed)).toEqual([true, true]);
    expect(await total('?stage=in-work')).toBe(0);
    expect((await api().get('/api/v1/batches/B-0001')).body).toMatchObject({ closed: true });
    expect(((await api().get('/api/v1/checks/due')).body as { items?: unknown[] }).items ?? []).toEqual([]);
  });
  it('says otherwise where it does: a piece to mend, one that says so, and one of this morning', async () => {
    const [first] = documentsOf(SPRING) as readonly Batch[];
    const { body } = await bringIn('batch', [
      { ...first, code: 'M-1', checks: [{ afterH: 24, grade: 'mend' }] },
      { ...first, code: 'M-2', closed: false },
      { ...first, code: 'M-3', startedAt: '2026-06-01T09:40:00Z' },
    ]);
    expect(body.rows.map((r) => r.closed)).toEqual([false, false, false]);
    expect(await total('?stage=in-work')).toBe(3);
  });
  it('keeps the rest where some rows are refused, and says why', async () => {
    const [first, second] = documentsOf(SPRING);
    const { body } = await bringIn('batch', [first, { ...second, product: { slug: 'no-such-card' } }, { format: 'x' }]);
    expect(body.applied).toBe(1);
    expect(body.rows.map((r) => r.action)).toEqual(['new', 'refused', 'refused']);
    expect(body.rows[1]?.issues[0]?.message).toMatch(/no-such-card/);
  });
  it('is refused as a whole where nothing of it fits', async () => {
    const { status, body } = await bringIn('batch', [{ format: 'x' }]);
    expect([status, body.error.code]).toEqual([400, 'nothing-fits']);
    expect(((await api().get('/api/v1/imports')).body as { items: unknown[] }).items).toEqual([]);
  });
  it('a second time changes nothing', async () => {
    const coded = documentsOf(SPRING).map((d, at) => ({ ...d, code: `S-${at}` }));
    await bringIn('batch', coded);
    const { body } = await bringIn('batch', coded, false);
    expect(body.rows.map((r) => r.action)).toEqual(['same', 'same']);
  });
  it('counts for the rates as if it had been logged here: outcomes and gear stand beside it', async () => {
    const batch = soundBatch('house-clear-6', {
      code: 'O-1',
      checks: [{ afterH: 24, symptoms: [{ kind: 'bubbles', pattern: 'micro-throughout' }] }],
      outcome: [{ symptom: 'bubbles', cause: 'damp-resin', how: 'test' }],
    });
    await bringIn('batch', [batch]);
    const [rows] = await studio.database.sequelize.query("SELECT cause FROM outcomes WHERE batch_code = 'O-1'");
    expect(rows).toEqual([{ cause: 'damp-resin' }]);
  });
});

describe('a whole import', () => {
  it('is taken back as if it had never been, and can come again under the same codes', async () => {
    const coded = documentsOf(SPRING).map((d, at) => ({ ...d, code: `S-${at}` }));
    const { body } = await bringIn('batch', coded);
    expect((await undo(body.id)).body).toEqual({ removed: 2 });
    expect(await total()).toBe(0);
    await api().get('/api/v1/batches/S-0').expect(404);
    expect((await bringIn('batch', coded)).body.applied).toBe(2);
  });
  it('of cards that is taken back while a batch of one is logged has that batch refused, with what to do', async () => {
    const card = { ...saltmarshCard('house-clear-6'), slug: 'spring-clear', name: 'Spring Clear', revision: 1 };
    await bringIn('product', [card]);
    const batch = soundBatch('house-clear-6', { code: 'S-1', product: { slug: 'spring-clear', revision: 1 } });
    expect((await studio.products.get('spring-clear', 1)).name).toBe('Spring Clear');
    const { write, sequelize } = studio.database;
    const taken = write(async (transaction) => {
      await sequelize.query("UPDATE imports SET undone_at = '2026-06-01'", { transaction });
      await sequelize.query("DELETE FROM product_revisions WHERE slug = 'spring-clear'", { transaction });
    });
    await expect(studio.batches.create(batch)).rejects.toMatchObject({ status: 400, code: 'unknown-product' });
    await taken;
    expect((await api().get('/api/v1/batches/S-1')).status).toBe(404);
  });
  it('is listed, and told to be undone once it is', async () => {
    const { body } = await bringIn('batch', documentsOf(SPRING));
    await undo(body.id).expect(200);
    const { items } = (await api().get('/api/v1/imports')).body as { items: PastImport[] };
    expect(items).toMatchObject([{ id: body.id, kind: 'batch', name: 'spring.csv', count: 2 }]);
    expect(items[0]?.undoneAt).not.toBeNull();
    expect((await undo(body.id)).status).toBe(409);
  });
  it('stays where one of its batches was changed since: nothing is half taken back', async () => {
    const { body } = await bringIn('batch', documentsOf(SPRING));
    const { body: batch } = await api().get('/api/v1/batches/B-0002');
    await api()
      .put('/api/v1/batches/B-0002')
      .set('If-Match', '"1"')
      .send({ ...batch, note: 'looked at' })
      .expect(200);
    const refused = await undo(body.id);
    expect(refused.status).toBe(409);
    expect((refused.body as Problem).error.message).toMatch(/^B-0002 was changed/);
    expect(await total()).toBe(2);
  });
  it.each([
    ['mould', [{ ...saltmarshMoulds()[0]!, code: 'M-900' }], '/api/v1/moulds/M-900'],
    [
      'lot',
      [{ format: 'warm-jar.lot/1', code: 'L-900', productSlug: 'house-clear-6', part: 'A' }],
      '/api/v1/lots/L-900',
    ],
    [
      'product',
      [{ ...saltmarshCard('house-clear-6'), slug: 'fen-clear', name: 'Fen Clear', revision: 1 }],
      '/api/v1/products/fen-clear',
    ],
  ])('of a %s goes and comes again', async (kind, documents, place) => {
    const { body } = await bringIn(kind, documents);
    expect(body.applied).toBe(1);
    await api().get(place).expect(200);
    await undo(body.id).expect(200);
    await api().get(place).expect(404);
    expect((await bringIn(kind, documents)).body.applied).toBe(1);
  });
  it('of a card that a batch was made with stays', async () => {
    const card = { ...saltmarshCard('house-clear-6'), slug: 'fen-clear', name: 'Fen Clear', revision: 1 };
    const { body } = await bringIn('product', [card]);
    await api()
      .post('/api/v1/batches')
      .send({ format: 'warm-jar.batch/1', product: { slug: 'fen-clear' } })
      .expect(201);
    expect((await undo(body.id)).status).toBe(409);
    await api().get('/api/v1/products/fen-clear').expect(200);
  });
  it('a card that came in by hand can still not be removed by any statement', async () => {
    const remove = studio.database.sequelize.query("DELETE FROM product_revisions WHERE slug = 'house-tide'");
    await expect(remove).rejects.toMatchObject({
      parent: { message: expect.stringMatching(/cannot be removed/) as string },
    });
  });
  it('of a card leaves no way to remove one that is typed under the same name afterwards', async () => {
    const card = { ...saltmarshCard('house-clear-6'), slug: 'fen-clear', name: 'Fen Clear', revision: 1 };
    const { body } = await bringIn('product', [card]);
    await undo(body.id).expect(200);
    await api().post('/api/v1/products').send(card).expect(201);
    const remove = studio.database.sequelize.query("DELETE FROM product_revisions WHERE slug = 'fen-clear'");
    await expect(remove).rejects.toThrow();
  });
  it('stays where another batch was copied from one of it, or a piece names one', async () => {
    const [first, second] = documentsOf(SPRING);
    const copied = await bringIn('batch', [{ ...first, code: 'S-1' }]);
    await api()
      .post('/api/v1/batches')
      .send({ ...second, copiedFrom: { code: 'S-1', changes: [] } })
      .expect(201);
    expect((await undo(copied.body.id)).status).toBe(409);
    const layered = await bringIn('batch', [{ ...second, code: 'S-2' }]);
    const piece = {
      format: 'warm-jar.piece/1',
      code: 'P-1',
      name: 'panel',
      layers: [{ productSlug: 'house-clear-6', batch: 'S-2' }],
    };
    await api().post('/api/v1/pieces').send(piece).expect(201);
    expect((await undo(layered.body.id)).status).toBe(409);
  });
  it('a batch of another product under the same code is not the same', async () => {
    const [first] = documentsOf(SPRING);
    await bringIn('batch', [{ ...first, code: 'S-1' }]);
    const other = { ...first, code: 'S-1', product: { slug: 'house-tide' } };
    expect((await bringIn('batch', [other], false)).body.rows[0]?.action).toBe('refused');
  });
  it('that never was cannot be taken back', async () => {
    expect((await undo('nothing')).status).toBe(404);
  });
});

describe('a mapping', () => {
  it('is kept under its heads for the next time, the later one in the place of the earlier', async () => {
    const mapping = {
      kind: 'batch',
      heads: ['Date', 'Resin'],
      columns: [{ column: 'Date', path: 'startedAt', unit: 'dmy' }],
    };
    await api().post('/api/v1/mappings').send(mapping).expect(200);
    await api()
      .post('/api/v1/mappings')
      .send({ ...mapping, heads: [' date', 'RESIN'], columns: [] })
      .expect(200);
    const { items } = (await api().get('/api/v1/mappings')).body as { items: { columns: unknown[] }[] };
    expect(items.map((m) => m.columns)).toEqual([[]]);
  });
});

describe('batches brought in as a file', () => {
  it('of long ago come in as done too, and are the same when they come again', async () => {
    const rows = documentsOf(SPRING).map((d, at) => ({ ...d, code: `F-${at}` }));
    const send = async (apply: boolean) =>
      (await api().post('/api/v1/batches/import').send({ rows, apply })).body as {
        rows: { action: string; closed: boolean }[];
      };
    expect((await send(true)).rows).toMatchObject([{ closed: true }, { closed: true }]);
    expect(await total('?stage=in-work')).toBe(0);
    expect((await send(false)).rows.map((r) => r.action)).toEqual(['same', 'same']);
  });
});
