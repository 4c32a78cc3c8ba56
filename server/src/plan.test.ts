import { planSchema, productSchema, saltmarshCard } from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { roomSensor } from './devices/roomSensor';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio();
});
afterAll(() => studio.remove());
const post = (body: object, query = '') => request(studio.app).post(`/api/v1/plan${query}`).send(body);
const clear = saltmarshCard('house-clear-6');

describe('POST /plan', () => {
  it('answers a whole plan with the mould, and stores nothing', async () => {
    const answer = await post({
      product: clear,
      want: { mixedMassG: 182 },
      conditions: { roomC: 22, humidityPct: 50, resinC: 23 },
      gear: { scaleStepG: 0.1 },
      mould: { depthMm: 20 },
      route: 'none',
    });
    expect(answer.status).toBe(200);
    const plan = planSchema.parse(answer.body);
    expect(plan.partA.massG).toBeCloseTo(100, 6);
    expect(plan).toMatchObject({ peakFrom: 'mould', pours: 1, order: ['A', 'B'] });
    expect((await request(studio.app).get('/api/v1/batches')).body).toMatchObject({ total: 0 });
  });
  it('speaks in the units that were asked for', async () => {
    const answer = await post(
      { product: clear, want: { mixedMassG: 182 }, conditions: { roomC: 15, resinC: 21 } },
      '?temperature=%C2%B0F',
    );
    expect(JSON.stringify(answer.body)).toContain('59 °F');
  });
  it('names the field that cannot be taken: no amount, a wrong unit of thought, a card without a ratio', async () => {
    expect((await post({ product: clear, want: {} })).body.error.issues).toMatchObject([{ path: 'want.volumeML' }]);
    expect(
      (await post({ product: clear, want: { volumeML: 10 }, conditions: { roomC: 2000 } })).body.error.issues,
    ).toMatchObject([{ path: 'conditions.roomC' }]);
    const bare = productSchema.parse({ ...clear, ratio: { byWeight: null, byVolume: null } });
    const refused = await post({ product: bare, want: { mixedMassG: 100 } });
    expect(refused.status).toBe(400);
    expect(refused.body.error).toMatchObject({
      code: 'ratio-not-stated',
      issues: [{ path: 'product.ratio.byWeight' }],
    });
  });
  it('keeps a plan with the batch that is begun from it', async () => {
    const plan = (await post({ product: clear, want: { mixedMassG: 182 } })).body as object;
    const made = await request(studio.app)
      .post('/api/v1/batches')
      .send({ format: 'warm-jar.batch/1', product: { slug: clear.slug }, plan });
    expect(made.status).toBe(201);
    const code = (made.body as { code: string }).code;
    const kept = await request(studio.app).get(`/api/v1/batches/${code}`);
    expect(kept.body.plan).toEqual(plan);
    expect(
      (await request(studio.app).get('/api/v1/batches?stage=in-work')).body.items.map((b: { code: string }) => b.code),
    ).toContain(code);
  });
});

describe('devices', () => {
  beforeAll(async () => {
    expect((await request(studio.app).get('/api/v1/devices')).body.items).toEqual([]);
    await request(studio.app)
      .post('/api/v1/gear')
      .send({ format: 'warm-jar.gear/1', kind: 'room-sensor', code: 'G-14', name: 'room sensor', device: 'simulated' })
      .expect(201);
  });
  it('are listed, and the room sensor shows a room', async () => {
    const list = await request(studio.app).get('/api/v1/devices');
    expect(list.body.items).toEqual([
      { code: 'G-14', name: 'room sensor', kind: 'room-sensor', standIn: true, stepG: null, holder: null },
    ]);
    const reading = await request(studio.app).get('/api/v1/devices/G-14/reading');
    expect(reading.body.values.map((v: { what: string }) => v.what)).toEqual(['room', 'humidity']);
    expect((await request(studio.app).get('/api/v1/devices/G-99/reading')).status).toBe(404);
  });
  it("give the same figure for the same moment, warm in the afternoon and cold at night, within the loft's range", () => {
    const sensor = roomSensor({ code: 'G-14', name: 'room sensor' });
    const at = (time: string) => sensor.read(new Date(`2026-03-14T${time}:00Z`), null)[0]!.value;
    expect(at('16:00')).toBe(at('16:00'));
    expect(at('16:00') - at('04:00')).toBeGreaterThan(4);
    for (let d = 0; d < 60; d += 1) {
      const values = sensor.read(new Date(Date.UTC(2026, 0, 1 + d, d % 24)), null);
      expect(values[0]!.value).toBeGreaterThan(14);
      expect(values[0]!.value).toBeLessThan(26);
      expect(values[1]!.value).toBeGreaterThan(40);
    }
  });
  it('that do not answer are told as such, and come back', async () => {
    await request(studio.app).post('/api/v1/devices/G-14/act').send({ do: 'silence', seconds: 0.4 }).expect(204);
    const silent = await request(studio.app).get('/api/v1/devices/G-14/reading');
    expect(silent.status).toBe(409);
    expect(silent.body.error).toMatchObject({ code: 'device-silent' });
    await vi.waitFor(() => request(studio.app).get('/api/v1/devices/G-14/reading').expect(200), { timeout: 5_000 });
  });
});
