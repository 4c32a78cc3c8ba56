import { productListSchema, saltmarshCard, soundBatch, type Problem } from '@warm-jar/core';
import request from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeEach(async () => {
  studio = await testStudio();
  for (const slug of ['house-deep-40', 'house-coat-9', 'house-clear-6', 'house-noon'])
    await api().post('/api/v1/products').send(saltmarshCard(slug));
});
afterEach(async () => {
  // Nothing that a client sends is a failure of the server.
  expect(studio.failures).toEqual([]);
  await studio.remove();
});
const api = () => request(studio.app);
const piece = (more: object = {}) => ({
  format: 'warm-jar.piece/1',
  code: 'P-01',
  name: 'panel',
  layers: [
    { productSlug: 'house-deep-40', depthMm: 20, pouredAt: '2026-03-13T10:00:00Z' },
    { productSlug: 'house-coat-9', depthMm: 4 },
  ],
  ...more,
});

describe('whatever a format accepts, the sums accept', () => {
  it.each([
    ['a resin of 220 °C', { resin: { temperatureAC: 220, temperatureBC: 220, atPourC: 220 } }],
    ['a resin of −30 °C', { resin: { temperatureAC: -30, temperatureBC: -30, atPourC: -30 } }],
    ['a reading before the parts met', { readings: [{ atMin: -2, what: 'resin', value: 24, unit: '°C' }] }],
    ['air without damp', { room: { temperatureC: 20, humidityPct: 0 } }],
    ['no room at all', { room: null, resin: null }],
  ])('%s', async (_what, patch) => {
    const batch = soundBatch('house-deep-40', {
      code: 'B-0001',
      ...patch,
      checks: [{ afterH: 60, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over' }] }],
    });
    await api().post('/api/v1/batches').send(batch).expect(201);
    await api().get('/api/v1/batches/B-0001/diagnosis').expect(200);
    await api().get('/api/v1/batches').expect(200);
    await api().get('/api/v1/checks/due').expect(200);
    await api().get('/api/v1/learning?what=figures').expect(200);
    await api().get('/api/v1/agenda.ics').expect(200);
  });
  it.each([70, -20, 200])(
    'a piece whose room is %s °C, with the layers and the calendar of all others',
    async (roomC) => {
      await api().post('/api/v1/pieces').send(piece({ roomC })).expect(201);
      await api()
        .post('/api/v1/pieces')
        .send(piece({ code: 'P-02', roomC: 22 }))
        .expect(201);
      const all = await api().get('/api/v1/pieces').expect(200);
      expect((all.body as { items: unknown[] }).items).toHaveLength(2);
      await api().get('/api/v1/pieces/P-01/plan').expect(200);
      await api().get('/api/v1/layers/due').expect(200);
      await api().get('/api/v1/agenda.ics').expect(200);
    },
  );
  it('a card that was stored before it would have been refused breaks no list, no piece and no batch', async () => {
    const card = saltmarshCard('house-noon');
    await studio.products.add({
      ...card,
      slug: 'house-dim',
      light: { ...card.light, doseMJPerCM2: 15, criticalMJPerCM2: 15 },
    });
    const all = await api().get('/api/v1/products').expect(200);
    expect(productListSchema.parse(all.body).items.map((p) => p.slug)).toContain('house-dim');
    const layers = [
      { productSlug: 'house-dim', depthMm: 30 },
      { productSlug: 'house-coat-9', depthMm: 4 },
    ];
    await api().post('/api/v1/pieces').send(piece({ layers })).expect(201);
    await api().get('/api/v1/layers/due').expect(200);
    await api().get('/api/v1/pieces/P-01/plan').expect(200);
    const seen = { checks: [{ afterH: 2, symptoms: [{ kind: 'soft', pattern: 'deep-under-skin' }] }] };
    const batch = { ...soundBatch('house-noon', seen), code: 'B-0001', product: { slug: 'house-dim', revision: 1 } };
    await api().post('/api/v1/batches').send(batch).expect(201);
    const found = await api().get('/api/v1/batches/B-0001/diagnosis').expect(200);
    expect((found.body as { symptoms: { causes: unknown[] }[] }).symptoms[0]!.causes.length).toBeGreaterThan(0);
  });
  it('a light-cured card whose dose cures nothing is refused with the field and a way out', async () => {
    const card = saltmarshCard('house-noon');
    const refused = await api()
      .post('/api/v1/products')
      .send({ ...card, slug: 'house-dim', light: { ...card.light, doseMJPerCM2: 15, criticalMJPerCM2: 15 } })
      .expect(400);
    const [issue] = (refused.body as Problem).error.issues;
    expect(issue!.path).toMatch(/^light\./);
    expect(issue!.message).toMatch(/critical/);
  });
});

describe('a look that went badly', () => {
  it('becomes the outcome of its pair once, and warns in the next plan', async () => {
    await api()
      .post('/api/v1/inclusions')
      .send({ format: 'warm-jar.inclusion/1', code: 'I-02', what: 'bladderwrack', kind: 'plant' })
      .expect(201);
    const batch = soundBatch('house-clear-6', {
      code: 'B-0001',
      inclusions: [{ what: 'bladderwrack', kind: 'plant' }],
      checks: [{ afterH: 30, symptoms: [{ kind: 'inclusion-change', pattern: 'unspecified' }] }],
    });
    await api().post('/api/v1/batches').send(batch).expect(201);
    const pairs = async () =>
      ((await api().get('/api/v1/inclusions')).body as { items: { item?: { pairs?: object[] }; pairs?: object[] }[] })
        .items[0]!;
    const kept = await pairs();
    expect(kept.pairs ?? kept.item?.pairs).toMatchObject([
      { productSlug: 'house-clear-6', outcome: 'bad', when: 'next-day', batch: 'B-0001' },
    ]);
    await api()
      .put('/api/v1/batches/B-0001')
      .set('If-Match', '"1"')
      .send({ ...batch, note: 'again' })
      .expect(200);
    const again = await pairs();
    expect(again.pairs ?? again.item?.pairs).toHaveLength(1);
  });
});
