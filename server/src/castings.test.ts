import { batchSchema, recallSchema, soundBatch, type Batch } from '@warm-jar/core';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { studioClock } from './live/studioClock';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
const STARTED = '2026-11-20T09:00:00Z';
beforeEach(async () => {
  studio = await testStudio({ clock: studioClock(1) });
});
afterEach(async () => {
  expect(studio.failures).toEqual([]);
  await studio.remove();
});
const api = () => request(studio.app);
const pimples = [{ kind: 'bubbles' as const, pattern: 'surface-pimples' }];

/** One mix, four castings out of two moulds. */
const four = (over: Partial<Batch> = {}): Batch =>
  soundBatch('house-clear-6', {
    code: 'B-0431',
    startedAt: STARTED,
    mould: null,
    pressure: { gaugeKPa: 345, startedMin: 4, reachedMin: 6, releasedMin: 130 },
    castings: [
      { id: 'k1', mould: { code: 'M-12', cavity: 1, degassed: true }, price: 18 },
      { id: 'k2', mould: { code: 'M-17', cavity: 1, degassed: false }, reason: 'pimples' },
      { id: 'k3', mould: { code: 'M-12', cavity: 3, degassed: true }, soldOn: '2026-11-22' },
      { id: 'k4', mould: { code: 'M-12', cavity: 4, degassed: true } },
    ],
    checks: [
      { afterH: 24, symptoms: [], grade: 'pass', casting: 'k1' },
      { afterH: 24, symptoms: pimples, grade: 'second', casting: 'k2' },
      { afterH: 24, symptoms: [], grade: 'pass', casting: 'k3' },
    ],
    ...over,
  });
const put = async (batch: Batch) => {
  const made = await api().post('/api/v1/batches').send(batch);
  expect(made.status, JSON.stringify(made.body)).toBe(201);
};
const codes = async (query: string): Promise<string[]> => {
  const answer = await api().get(`/api/v1/batches?${query}`);
  return (answer.body as { items: { code: string }[] }).items.map((b) => b.code);
};

describe('a batch with several castings', () => {
  it('stands in the log with each of them, and is found by any', async () => {
    await put(four());
    await put(soundBatch('house-clear-6', { code: 'B-0432', mould: { code: 'M-08' }, castings: null }));
    const { body } = await api().get('/api/v1/batches?sort=code');
    expect(body.items[0]).toMatchObject({ code: 'B-0431', mould: null, grade: null, stage: 'check' });
    expect(body.items[0].castings.map((k: { grade: string | null }) => k.grade)).toEqual([
      'pass',
      'second',
      'pass',
      null,
    ]);
    expect(body.items[1].castings).toEqual([]);
    for (const query of [
      'grade=second',
      'grade=none&mould=M-12',
      'mould=M-17',
      'mould=M-12&cavity=4',
      'reason=PIMPLE',
      'sold=yes',
      'fact=cavity:M-12/3',
      'search=m-17',
    ])
      expect(await codes(query), query).toEqual(['B-0431']);
    // All of it has to be true of the same casting.
    for (const query of ['mould=M-17&cavity=4', 'grade=scrap', 'mould=M-17&sold=yes', "reason=' OR 1=1 --"])
      expect(await codes(query), query).toEqual([]);
    expect((await api().get('/api/v1/batches?cavity=x')).status).toBe(400);
  });
  it('keeps its list in step with every change, and loses it with the batch', async () => {
    await put(four());
    const entry = {
      key: 'grade-k4-now',
      at: STARTED,
      add: [{ path: 'checks', value: { afterH: 25, casting: 'k4', symptoms: [], grade: 'scrap' } }],
    };
    expect((await api().post('/api/v1/batches/B-0431/entries').send(entry)).status).toBe(200);
    expect(await codes('grade=scrap')).toEqual(['B-0431']);
    expect(await codes('stage=done')).toEqual(['B-0431']);
    const { headers } = await api().get('/api/v1/batches/B-0431');
    expect((await api().delete('/api/v1/batches/B-0431').set('If-Match', headers['etag']!)).status).toBe(204);
    expect(await codes('grade=scrap')).toEqual([]);
    expect(await studio.database.models.castings.count()).toBe(0);
  });
  it('is diagnosed casting by casting, each by its own mould', async () => {
    await put(four());
    const { body } = await api().get('/api/v1/batches/B-0431/diagnosis');
    expect(body.symptoms).toHaveLength(1);
    expect(body.symptoms[0]).toMatchObject({
      casting: 'k2',
      causes: expect.arrayContaining([expect.objectContaining({ id: 'mould-not-degassed' })]),
    });
    expect(body.castings[0].id).toBe('k2');
  });
  it('is compared casting against casting, and one that is not there is said', async () => {
    await put(four());
    const { body } = await api().get('/api/v1/trials/compare?codes=B-0431/k1,B-0431/k2');
    expect(body.trial.codes).toEqual(['B-0431/k1', 'B-0431/k2']);
    expect(body.trial.verdict.says).toMatch(/^One mix/);
    expect((await api().get('/api/v1/trials/compare?codes=B-0431/k1,B-0431/k9')).status).toBe(404);
  });
  it('counts pulls of each mould once, and marks on the cavity they came from', async () => {
    for (const code of ['M-12', 'M-17'])
      await studio.shelf.moulds.create({ format: 'warm-jar.mould/1', code, cavities: [{}, {}, {}, {}] });
    const spots = [{ x: 0.3, y: 0.3 }];
    await put(
      four({
        checks: [
          { afterH: 24, casting: 'k3', symptoms: [], spots },
          { afterH: 24, casting: 'k2', symptoms: [] },
        ],
      }),
    );
    const moulds = (await api().get('/api/v1/moulds')).body.items as { item: { code: string }; pulls: number }[];
    expect(moulds.map((m) => [m.item.code, m.pulls])).toEqual([
      ['M-12', 1],
      ['M-17', 1],
    ]);
    const at = (await api().get('/api/v1/moulds/M-12/spots')).body;
    expect(at.cavities).toMatchObject([{ cavity: 2, marks: [{ batch: 'B-0431' }] }]);
    expect((await api().get('/api/v1/moulds/M-17/spots')).body).toMatchObject({ pulls: 1, cavities: [] });
  });
  it('goes out and comes in again whole, as JSON and as a table', async () => {
    await put(
      four({ cups: [{ id: 'c1', massG: 90, additives: [{ name: 'green', kind: 'dye', massG: 1, drops: 14 }] }] }),
    );
    const stored = (await api().get('/api/v1/batches/B-0431')).body as Batch;
    const json = JSON.parse((await api().get('/api/v1/export/batches.json')).text) as Batch[];
    expect(json[0]).toEqual(stored);
    const csv = (await api().get('/api/v1/export/batches.csv')).text;
    expect(csv).toContain('castings[1].reason');
    expect(csv).toContain('cups[0].additives[0].drops');
  });
  it('asks in the calendar for what is to be done to each of them', async () => {
    const begun = new Date(Date.now() - 4 * 3_600_000).toISOString();
    await put(four({ startedAt: begun, cure: { temperatureC: 23, demouldedMin: 150 }, checks: [] }));
    const { text } = await api().get('/api/v1/agenda.ics');
    expect(text).toContain('Polish B-0431');
  });
});

describe('the recall of a lot', () => {
  it('leads to every casting, how it came out and where it is, once for each', async () => {
    const lotB = { code: 'B-31' };
    await put(four({ lotB }));
    await put(
      soundBatch('house-clear-6', {
        code: 'B-0440',
        lotB,
        castings: null,
        startedAt: '2026-11-21T09:00:00Z',
        checks: [{ afterH: 24, symptoms: [{ kind: 'soft', pattern: 'all-over' }], grade: 'scrap' }],
      }),
    );
    await put(soundBatch('house-clear-6', { code: 'B-0441', lotB: { code: 'B-99' }, castings: null }));
    const { body } = await api().get('/api/v1/lots/B-31/castings?part=B&product=house-clear-6');
    const { items } = recallSchema.parse(body);
    expect(items.map((k) => [k.batch, k.casting, k.where])).toEqual([
      ['B-0431', 'k1', 'in stock'],
      ['B-0431', 'k2', 'in stock as second'],
      ['B-0431', 'k3', 'sold'],
      ['B-0431', 'k4', 'not graded'],
      ['B-0440', null, 'scrapped'],
    ]);
    expect(items[1]!.seen).toEqual(['bubbles/surface-pimples']);
    expect(items[4]!.seen).toEqual(['soft/all-over']);
    expect((await api().get('/api/v1/lots/B-31/castings?part=A')).body.items).toEqual([]);
    expect((await api().get('/api/v1/lots/B-31/castings?product=house-tide')).body.items).toEqual([]);
    expect((await api().get('/api/v1/lots/B-31/castings?part=C')).status).toBe(400);
  });
  it('is one file as well, in which nothing is a formula', async () => {
    await put(four({ lotB: { code: 'B-31' }, castings: [{ id: 'k1', reason: '=HYPERLINK("x")' }], checks: [] }));
    const { text, headers } = await api().get('/api/v1/export/lots/B-31/castings.csv');
    expect(headers['content-type']).toContain('text/csv');
    const [head, row] = text.trim().split('\r\n');
    expect(head!.replace('\uFEFF', '').split(',').slice(0, 3)).toEqual(['lot', 'batch', 'casting']);
    expect(row).toContain(`"'=HYPERLINK(""x"")"`);
  });
});

describe('joints of a piece', () => {
  it('are due when they may be let go of and loaded', async () => {
    const joinedAt = new Date(Date.now() - 60_000).toISOString();
    await studio.shelf.pieces.create({
      format: 'warm-jar.piece/1',
      code: 'P-20',
      name: 'finial on its stem',
      layers: [],
      joins: [
        { parts: ['B-0431/k1', 'B-0431/k4'], with: 'house-clear-6', holdMin: 140, bearsAfterMin: 1200, joinedAt },
      ],
    });
    const { items } = (await api().get('/api/v1/layers/due?days=2')).body as {
      items: { says: string; join: number }[];
    };
    expect(items.map((i) => i.says)).toEqual([
      'B-0431/k1 and B-0431/k4: let go of it, gently; it does not bear yet.',
      'B-0431/k1 and B-0431/k4: the joint bears.',
    ]);
    expect((await api().get('/api/v1/agenda.ics')).text).toContain('Joint of P-20');
  });
});

describe('a stored document that is odd', () => {
  it('never makes a casting’s answer fail', async () => {
    await put(four());
    const odd = {
      ...four(),
      castings: [{ id: 'k1', mould: 7, finish: 'no' }, { id: 'k1' }, 'x', { mould: { code: 'M-1' } }],
      cups: [{ id: 'c1', massG: -4 }],
    };
    await studio.database.models.batches.update(
      { document: JSON.stringify(odd), facts: null },
      { where: { code: 'B-0431' } },
    );
    for (const path of [
      '/batches/B-0431',
      '/batches/B-0431/diagnosis',
      '/learning?what=figures',
      '/learning?what=patterns',
      '/trials/compare?codes=B-0431',
      '/agenda.ics',
      '/lots/x/castings',
    ])
      expect((await api().get(`/api/v1${path}`)).status, path).toBe(200);
    expect(batchSchema.safeParse((await api().get('/api/v1/batches/B-0431')).body).success).toBe(true);
  });
});
