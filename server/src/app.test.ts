import {
  diagnosisSchema,
  fitToKeep,
  overlay,
  saltmarshCard,
  soundBatch,
  type Batch,
  type Problem,
} from '@warm-jar/core';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openStudio } from './studio';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeEach(async () => {
  studio = await testStudio();
});
afterEach(async () => {
  expect(studio.failures).toEqual([]);
  await studio.remove();
});

const api = () => request(studio.app);
const withoutCode = (slug: string, patch: Record<string, unknown> = {}) => soundBatch(slug, { ...patch, code: null });
const log = (batch: Batch) => api().post('/api/v1/batches').send(batch);
const paths = (response: { body: unknown }) => (response.body as Problem).error.issues.map((i) => i.path);

describe('batches', () => {
  it('are logged with the next code, read back whole, and listed', async () => {
    const first = await log(withoutCode('house-clear-6', { shelf: 'left bench' }));
    expect(first.status).toBe(201);
    expect(first.headers['etag']).toBe('"1"');
    expect(first.headers['location']).toBe('/api/v1/batches/B-0001');
    const second = await log(withoutCode('house-tide'));
    expect((second.body as Batch).code).toBe('B-0002');
    const read = await api().get('/api/v1/batches/B-0001');
    expect(read.body).toEqual({ ...withoutCode('house-clear-6', { shelf: 'left bench' }), code: 'B-0001' });
    const list = await api().get('/api/v1/batches');
    expect(list.body).toMatchObject({ total: 2, page: 1, pageSize: 50 });
  });

  it('in work are read whole in one answer, each as it is read by itself', async () => {
    const now = studio.clock.now().toISOString();
    const begun = { startedAt: now, checks: null, outcome: null };
    for (const slug of ['house-clear-6', 'house-tide']) await log(withoutCode(slug, begun));
    await log(withoutCode('house-clear-6', { closed: true }));
    const { body } = (await api().get('/api/v1/work').expect(200)) as {
      body: { total: number; items: { version: number; batch: Batch }[]; fits: Record<string, unknown> };
    };
    // With what was fitted to their cards, so that no browser fits them again.
    const fits = body.items.map(({ batch }) => fitToKeep(saltmarshCard(batch.product.slug)));
    expect(body.fits).toEqual(JSON.parse(JSON.stringify(Object.fromEntries(fits))));
    expect(body.total).toBe(2);
    expect(body.items.map((i) => i.batch.code).sort()).toEqual(['B-0001', 'B-0002']);
    for (const { batch, version } of body.items) {
      const alone = await api().get(`/api/v1/batches/${batch.code}`);
      expect(alone.body).toEqual(batch);
      expect(alone.headers['etag']).toBe(`"${version}"`);
    }
  });

  it('name every refused field and store nothing', async () => {
    const bad = overlay(withoutCode('house-clear-6'), {
      mix: { amountA: -4, tool: 'spoon' },
      room: { humidityPct: 140 },
      checks: [{ shore: 60 }],
    });
    const answer = await api().post('/api/v1/batches').send(bad);
    expect(answer.status).toBe(400);
    expect((answer.body as Problem).error.code).toBe('invalid-input');
    expect(paths(answer).sort()).toEqual(['checks[0].afterH', 'mix.amountA', 'mix.tool', 'room.humidityPct']);
    expect((await api().get('/api/v1/batches')).body).toMatchObject({ total: 0 });
  });

  it('refuse a product without a card, or a revision it does not have, at its field', async () => {
    expect(
      paths(await log(withoutCode('house-clear-6', { product: { slug: 'house-nowhere', revision: null } }))),
    ).toEqual(['product.slug']);
    expect(paths(await log(withoutCode('house-clear-6', { product: { revision: 9 } })))).toEqual(['product.revision']);
  });

  it('refuse a code that is taken, even by a deleted batch', async () => {
    await log(soundBatch('house-clear-6', { code: 'B-0007' }));
    expect((await log(soundBatch('house-clear-6', { code: 'B-0007' }))).status).toBe(409);
    await api().delete('/api/v1/batches/B-0007').set('If-Match', '"1"').expect(204);
    expect((await log(soundBatch('house-clear-6', { code: 'B-0007' }))).status).toBe(409);
    expect(((await log(withoutCode('house-clear-6'))).body as Batch).code).toBe('B-0008');
  });

  it('take a change only from the version it started from: 428 without, 409 with an old one', async () => {
    const { body } = (await log(withoutCode('house-clear-6'))) as { body: Batch };
    const changed = { ...body, note: 'two tablets' };
    expect((await api().put('/api/v1/batches/B-0001').send(changed)).status).toBe(428);
    const done = await api().put('/api/v1/batches/B-0001').set('If-Match', '"1"').send(changed);
    expect([done.status, done.headers['etag']]).toEqual([200, '"2"']);
    const late = await api()
      .put('/api/v1/batches/B-0001')
      .set('If-Match', '"1"')
      .send({ ...body, note: 'the other tablet' });
    expect(late.status).toBe(409);
    expect((late.body as Problem).error.code).toBe('version-conflict');
    expect(((await api().get('/api/v1/batches/B-0001')).body as Batch).note).toBe('two tablets');
    expect((await api().delete('/api/v1/batches/B-0001').set('If-Match', '"1"')).status).toBe(409);
  });

  it('let only one of two changes at the same moment through', async () => {
    const { body } = (await log(withoutCode('house-clear-6'))) as { body: Batch };
    const put = (note: string) =>
      api()
        .put('/api/v1/batches/B-0001')
        .set('If-Match', '"1"')
        .send({ ...body, note });
    const statuses = (await Promise.all(['a', 'b', 'c', 'd'].map(put))).map((r) => r.status).sort();
    expect(statuses).toEqual([200, 409, 409, 409]);
  });

  it('give each of many logged at once its own code', async () => {
    const answers = await Promise.all(Array.from({ length: 8 }, () => log(withoutCode('house-tide'))));
    expect(new Set(answers.map((a) => (a.body as Batch).code)).size).toBe(8);
  });

  it('keep each change in the history, by its fields, also after they are deleted', async () => {
    const { body } = (await log(withoutCode('house-clear-6'))) as { body: Batch };
    await api()
      .put('/api/v1/batches/B-0001')
      .set('If-Match', '"1"')
      .send({ ...body, by: 'MT', room: { ...body.room, temperatureC: 18 } });
    await api().delete('/api/v1/batches/B-0001').set('If-Match', '"2"').expect(204);
    expect((await api().get('/api/v1/batches/B-0001')).status).toBe(404);
    const { items } = (await api().get('/api/v1/batches/B-0001/history')).body as {
      items: { action: string; version: number; changed: string[] }[];
    };
    expect(items.map((h) => [h.action, h.version])).toEqual([
      ['created', 1],
      ['replaced', 2],
      ['deleted', 3],
    ]);
    expect(items[1]!.changed).toEqual(['by', 'room.temperatureC']);
  });

  it('are filtered by product, symptom, stage, day and words, sorted and paged on the server', async () => {
    const days = ['2026-03-10', '2026-03-11', '2026-03-12', '2026-03-13'];
    for (const [i, day] of days.entries()) {
      await log(
        withoutCode(i % 2 ? 'house-tide' : 'house-clear-6', {
          startedAt: `${day}T09:00:00+01:00`,
          note: i === 2 ? 'fog & 100% "odd" finials' : 'plain',
          checks: i === 2 ? [{ afterH: 24, grade: 'scrap', symptoms: [{ kind: 'bubbles', pattern: 'top-foam' }] }] : [],
        }),
      );
    }
    const codes = async (query: string) =>
      ((await api().get(`/api/v1/batches?${query}`)).body as { items: { code: string }[] }).items.map((b) => b.code);
    expect(await codes('')).toEqual(['B-0004', 'B-0003', 'B-0002', 'B-0001']);
    expect(await codes('product=house-tide&sort=code')).toEqual(['B-0002', 'B-0004']);
    expect(await codes('symptom=bubbles')).toEqual(['B-0003']);
    expect(await codes('symptom=none&sort=startedAt')).toEqual(['B-0001', 'B-0002', 'B-0004']);
    expect(await codes('stage=in-work')).toEqual(['B-0004', 'B-0002', 'B-0001']);
    expect(await codes(`search=${encodeURIComponent('FOG 100%')}`)).toEqual(['B-0003']);
    expect(await codes(`search=${encodeURIComponent("' OR 1=1 --")}`)).toEqual([]);
    expect(await codes('from=2026-03-11&to=2026-03-12')).toEqual(['B-0003', 'B-0002']);
    expect(await codes('page=2&pageSize=3')).toEqual(['B-0001']);
    expect(paths(await api().get('/api/v1/batches?page=0&sort=mood&symptom=sad')).sort()).toEqual([
      'page',
      'sort',
      'symptom',
    ]);
  });

  it('are still there after the server was closed and opened again', async () => {
    const { body } = (await log(withoutCode('house-deep-40'))) as { body: Batch };
    await studio.close();
    const again = await openStudio({ file: studio.file });
    const read = await request(again.app).get('/api/v1/batches/B-0001');
    expect(read.body).toEqual(body);
    expect(read.headers['etag']).toBe('"1"');
    await again.close();
    const fresh = await testStudio({ cards: false, file: studio.file });
    studio = {
      ...fresh,
      remove: async () => {
        await fresh.remove();
      },
    };
  });
});

describe('products', () => {
  it('are kept revision by revision, and a batch keeps the one it was made with', async () => {
    await log(withoutCode('house-clear-6'));
    const next = { ...saltmarshCard('house-clear-6'), revision: 2, exothermMaxC: 90 };
    expect((await api().post('/api/v1/products').send(next)).status).toBe(201);
    expect((await api().post('/api/v1/products').send(next)).status).toBe(409);
    expect(((await api().get('/api/v1/products/house-clear-6')).body as { revision: number }).revision).toBe(2);
    expect((await api().get('/api/v1/products/house-clear-6/revisions/1')).body).toEqual(
      saltmarshCard('house-clear-6'),
    );
    expect(((await api().get('/api/v1/batches/B-0001')).body as Batch).product.revision).toBe(1);
    expect(
      ((await log(withoutCode('house-clear-6', { product: { revision: null } }))).body as Batch).product.revision,
    ).toBe(2);
  });
  it('lists the newest of each by name', async () => {
    const { items } = (await api().get('/api/v1/products')).body as { items: { name: string }[] };
    expect(items).toHaveLength(11);
    expect(items.map((p) => p.name)).toEqual([...items.map((p) => p.name)].sort());
  });
  it('refuses a card whose ratio is zero at its field', async () => {
    const bad = overlay({ ...saltmarshCard('house-clear-6'), slug: 'house-new' }, { ratio: { byWeight: { b: 0 } } });
    expect(paths(await api().post('/api/v1/products').send(bad))).toEqual(['ratio.byWeight.b']);
  });
});

describe('diagnosis', () => {
  const faulty = () =>
    withoutCode('house-clear-6', {
      room: { temperatureC: 15, humidityPct: 74 },
      mix: { tool: 'wood', stirMin: 1 },
      checks: [{ afterH: 24, symptoms: [{ kind: 'bubbles', pattern: 'micro-throughout' }] }],
    });
  it('of a sent batch stores nothing', async () => {
    const answer = await api()
      .post('/api/v1/diagnose')
      .send({ product: saltmarshCard('house-clear-6'), batch: faulty() });
    expect(answer.status).toBe(200);
    const { format, symptoms } = diagnosisSchema.parse(answer.body);
    expect([format, symptoms[0]!.kind, symptoms[0]!.causes[0]!.id]).toEqual([
      'warm-jar.diagnosis/1',
      'bubbles',
      'damp-resin',
    ]);
    expect((await api().get('/api/v1/batches')).body).toMatchObject({ total: 0 });
  });
  it('refuses a bad card and a bad batch together, each field by its path', async () => {
    const answer = await api()
      .post('/api/v1/diagnose')
      .send({
        product: { ...saltmarshCard('house-tide'), family: 'wax' },
        batch: { format: 'warm-jar.batch/1', product: { slug: 'x' }, mix: { stirMin: -1 } },
      });
    expect(paths(answer)).toEqual(['product.family', 'batch.mix.stirMin']);
  });
  it('of a stored batch speaks in the units asked for', async () => {
    await log(faulty());
    const answer = await api().get('/api/v1/batches/B-0001/diagnosis').query({ temperature: '°F' });
    expect(JSON.stringify(answer.body)).toContain('59 °F');
    expect((await api().get('/api/v1/batches/B-0001/diagnosis').query({ temperature: 'K' })).status).toBe(400);
  });
});

describe('the border', () => {
  it('answers every refusal in the one shape', async () => {
    const shaped = (body: unknown) =>
      expect(body).toEqual({
        error: {
          code: expect.any(String) as string,
          message: expect.any(String) as string,
          issues: expect.any(Array) as unknown[],
        },
      });
    const broken = await api().post('/api/v1/batches').set('Content-Type', 'application/json').send('{"format": ');
    expect([broken.status, (broken.body as Problem).error.code]).toEqual([400, 'bad-json']);
    const plain = await api().post('/api/v1/batches').set('Content-Type', 'text/plain').send('hello');
    expect(plain.status).toBe(415);
    const large = await api()
      .post('/api/v1/batches')
      .send({ note: 'x'.repeat(2_100_000) });
    expect(large.status).toBe(413);
    const deep = JSON.parse(`${'{"a":'.repeat(60)}1${'}'.repeat(60)}`) as object;
    expect(((await api().post('/api/v1/batches').send(deep)).body as Problem).error.code).toBe('too-deep');
    const missing = await api().get('/api/v1/nothing');
    expect(missing.status).toBe(404);
    for (const r of [broken, plain, large, missing]) shaped(r.body);
  });
  it('refuses a change sent from another site', async () => {
    const answer = await api()
      .post('/api/v1/batches')
      .set('Origin', 'http://elsewhere.example')
      .send(withoutCode('house-tide'));
    expect([answer.status, (answer.body as Problem).error.code]).toEqual([403, 'other-origin']);
  });
  it('sends a content security policy without inline scripts', async () => {
    const policy = (await api().get('/api/v1/health')).headers['content-security-policy']!;
    expect(policy).toMatch(/script-src 'self'(;|$)/);
    expect(policy).toMatch(/style-src 'self' 'nonce-[A-Za-z0-9+/=]+'/);
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
  });
});

describe('the description of the API', () => {
  it('serves the JSON Schema of each format by its name', async () => {
    for (const name of [
      'warm-jar.product-1',
      'warm-jar.batch-1',
      'warm-jar.diagnosis-1',
      'batch',
      encodeURIComponent('warm-jar.batch/1'),
    ]) {
      const answer = await api().get(`/api/v1/schemas/${name}`);
      expect(answer.status, name).toBe(200);
      expect(answer.body).toHaveProperty('properties.format');
    }
    expect((await api().get('/api/v1/schemas/nothing')).status).toBe(404);
  });
  it('is OpenAPI 3.1, names every route, and refers only to schemas it has', async () => {
    const { body } = (await api().get('/api/v1/openapi.json')) as {
      body: {
        openapi: string;
        paths: Record<string, Record<string, unknown>>;
        components: { schemas: Record<string, unknown> };
      };
    };
    expect(body.openapi).toBe('3.1.0');
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining([
        '/api/v1/batches',
        '/api/v1/batches/{code}',
        '/api/v1/products',
        '/api/v1/diagnose',
        '/api/v1/schemas/{name}',
        '/api/v1/openapi.json',
      ]),
    );
    expect(Object.keys(body.paths['/api/v1/batches/{code}']!).sort()).toEqual(['delete', 'get', 'put']);
    const refs = [...JSON.stringify(body).matchAll(/"\$ref":"#\/components\/schemas\/(\w+)"/g)].map((m) => m[1]!);
    expect(refs.length).toBeGreaterThan(10);
    for (const ref of refs) expect(Object.keys(body.components.schemas)).toContain(ref);
  });
});
