import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { mixStartC, saltmarshCard, saltmarshGear, simulateCup, soundBatch } from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { vacuumGauge, vesselGauge } from './devices/gauges';
import { hardnessTester } from './devices/hardnessTester';
import { scale } from './devices/scale';
import { mixC, thermometer } from './devices/thermometer';
import { studioClock } from './live/studioClock';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
beforeAll(async () => {
  studio = await testStudio();
});
afterAll(() => studio.remove());
const AT = '2026-11-24T10:00:00+00:00';
const begin = async () =>
  (
    (
      await request(studio.app)
        .post('/api/v1/batches')
        .send({ format: 'warm-jar.batch/1', product: { slug: 'house-clear-6' } })
        .expect(201)
    ).body as { code: string }
  ).code;
const enter = (code: string, body: object) =>
  request(studio.app)
    .post(`/api/v1/batches/${code}/entries`)
    .send({ key: randomUUID(), at: AT, ...body });

describe('entries at the bench', () => {
  it('of two tablets on different fields both stand, in one document with both in its history', async () => {
    const code = await begin();
    await Promise.all([
      enter(code, { by: 'KO', set: [{ path: 'mix.amountA', was: null, value: 150 }] }).expect(200),
      enter(code, {
        by: 'MT',
        set: [{ path: 'room.temperatureC', was: null, value: 21 }],
        add: [{ path: 'readings', value: { atMin: 0, what: 'room', value: 21, unit: 'C' } }],
      }).expect(200),
    ]);
    const { body } = await request(studio.app).get(`/api/v1/batches/${code}`);
    expect(body).toMatchObject({ mix: { amountA: 150 }, room: { temperatureC: 21 }, readings: [{ what: 'room' }] });
    const history = (await request(studio.app).get(`/api/v1/batches/${code}/history`)).body.items as {
      by: string | null;
      changed: string[];
    }[];
    expect(history.map((h) => h.by).sort()).toEqual(['KO', 'MT', null].sort());
  });
  it('by a second person leave the batch to whoever began it, and say in its history who wrote what', async () => {
    const code = await begin();
    await enter(code, { by: 'KO', set: [{ path: 'by', was: null, value: 'KO' }] }).expect(200);
    const { body } = await enter(code, { by: 'MT', set: [{ path: 'mix.stirMin', was: null, value: 2 }] }).expect(200);
    expect(body).toMatchObject({ by: 'KO', mix: { stirMin: 2 } });
    const listed = await request(studio.app).get('/api/v1/batches').query({ search: code }).expect(200);
    expect((listed.body as { items: { by: string | null }[] }).items.map(({ by }) => by)).toEqual(['KO']);
    const { body: past } = await request(studio.app).get(`/api/v1/batches/${code}/history`).expect(200);
    const lines = (past as { items: { by: string | null; changed: string[] }[] }).items;
    expect(lines.find(({ changed }) => changed.includes('mix.stirMin'))?.by).toBe('MT');
  });
  it('by somebody where nobody had begun it name nobody as its maker', async () => {
    const code = await begin();
    const { body } = await enter(code, { by: 'MT', set: [{ path: 'mix.stirMin', was: null, value: 2 }] }).expect(200);
    expect((body as { by?: string | null }).by ?? null).toBeNull();
  });
  it('sent twice count once', async () => {
    const code = await begin();
    const entry = {
      key: randomUUID(),
      at: AT,
      set: [],
      add: [{ path: 'readings', value: { atMin: 1, what: 'resin', value: 22, unit: 'C' } }],
    };
    const first = await request(studio.app).post(`/api/v1/batches/${code}/entries`).send(entry);
    const again = await request(studio.app).post(`/api/v1/batches/${code}/entries`).send(entry);
    expect(again.headers['etag']).toBe(first.headers['etag']);
    expect(again.body.readings).toHaveLength(1);
    // Also when somebody changed the same field in between.
    const set = { key: randomUUID(), at: AT, set: [{ path: 'mix.stirMin', was: null, value: 2 }] };
    await request(studio.app).post(`/api/v1/batches/${code}/entries`).send(set).expect(200);
    await enter(code, { set: [{ path: 'mix.stirMin', was: 2, value: 4 }] }).expect(200);
    expect(
      (await request(studio.app).post(`/api/v1/batches/${code}/entries`).send(set).expect(200)).body.mix.stirMin,
    ).toBe(4);
    const other = await begin();
    await request(studio.app).post(`/api/v1/batches/${other}/entries`).send(entry).expect(409);
  });
  it('on the same field are refused with both values, and put over once asked', async () => {
    const code = await begin();
    await enter(code, { set: [{ path: 'mix.stirMin', was: null, value: 2 }] }).expect(200);
    const refused = await enter(code, {
      set: [
        { path: 'mix.stirMin', was: null, value: 3 },
        { path: 'mix.tool', was: null, value: 'steel' },
      ],
    });
    expect(refused.status).toBe(409);
    expect(refused.body.error).toMatchObject({
      code: 'field-conflict',
      issues: [{ path: 'mix.stirMin', message: 'They wrote 2 min, you 3 min.' }],
    });
    const over = await enter(code, { over: true, set: [{ path: 'mix.stirMin', was: null, value: 3 }] });
    expect(over.body.mix).toEqual({ stirMin: 3 });
  });
  it('that do not fit the format are refused by their field, and leave the batch as it was', async () => {
    const code = await begin();
    const bad = await enter(code, { set: [{ path: 'mix.amountA', was: null, value: 'much' }] });
    expect(bad.status).toBe(400);
    expect(bad.body.error.issues).toMatchObject([{ path: 'mix.amountA' }]);
    await enter('B-9999', { set: [] }).expect(404);
    expect((await request(studio.app).get(`/api/v1/batches/${code}`)).body.mix).toBeUndefined();
  });
  it('cannot press a vessel over its rating', async () => {
    await request(studio.app)
      .post('/api/v1/gear')
      .send({ format: 'warm-jar.gear/1', kind: 'pressure-vessel', code: 'G-77', name: 'the pot', ratedKPa: 400 })
      .expect(201);
    const code = await begin();
    await enter(code, { set: [{ path: 'pressure.vessel', was: null, value: 'G-77' }] }).expect(200);
    expect((await enter(code, { set: [{ path: 'pressure.gaugeKPa', was: null, value: 420 }] })).body.error.code).toBe(
      'over-rating',
    );
  });
});

describe('the stream of events', () => {
  beforeAll(async () => {
    for (const gear of saltmarshGear(new Date()).filter((g) => g.code === 'G-01'))
      await request(studio.app).post('/api/v1/gear').send(gear).expect(201);
  });
  it('tells the clock, changes of batches, and what a watched device shows', async () => {
    const server = studio.app.listen(0);
    try {
      const stop = new AbortController();
      const answer = await fetch(
        `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1/events?devices=G-01`,
        { signal: stop.signal },
      );
      const reader = answer.body!.getReader();
      let heard = '';
      const until = async (words: RegExp) => {
        while (!words.test(heard)) {
          const { value } = await reader.read();
          heard += new TextDecoder().decode(value);
        }
      };
      await until(/event: clock\ndata: \{"now":".*","speed":1\}/);
      const code = await begin();
      await until(new RegExp(`event: batch\\ndata: \\{"code":"${code}","version":1\\}`));
      await request(studio.app).post('/api/v1/devices/G-01/act').send({ do: 'put', massG: 150 }).expect(204);
      await until(/"what":"scale","value":1(49|50)\.\d,/);
      await request(studio.app).post('/api/v1/devices/G-01/act').send({ do: 'silence', seconds: 1 }).expect(204);
      await until(/"code":"G-01","at":"[^"]+","values":null,"says":"bench scale does not answer\."/);
      stop.abort();
    } finally {
      await new Promise((done) => {
        server.close(done);
        server.closeAllConnections();
      });
    }
  });
  it('tells a screen that comes late, or comes again, what changed meanwhile', async () => {
    const server = studio.app.listen(0);
    const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1/events`;
    /** What a screen hears until the clock was told and nothing more comes at once. */
    const heardAt = async (query: string, lastId?: string): Promise<string> => {
      const stop = new AbortController();
      const headers: Record<string, string> = lastId === undefined ? {} : { 'Last-Event-ID': lastId };
      const reader = (await fetch(address + query, { signal: stop.signal, headers })).body!.getReader();
      let heard = '';
      while (!heard.includes('event: clock')) heard += new TextDecoder().decode((await reader.read()).value);
      const more = await Promise.race([reader.read(), new Promise<null>((go) => setTimeout(() => go(null), 300))]);
      heard += more?.value ? new TextDecoder().decode(more.value) : '';
      stop.abort();
      return heard;
    };
    const told = (heard: string) =>
      [...heard.matchAll(/event: batch\ndata: \{"code":"([^"]*)"/g)].map(([, code]) => code);
    try {
      const before = /id: (\S+)\nevent: clock/.exec(await heardAt(''))![1]!;
      const code = await begin();
      expect(told(await heardAt(''))).toEqual([]);
      expect(told(await heardAt('?age=60000', before))).toEqual([code]);
      // Of a server that is younger than the page nobody knows what changed before: then anything may have.
      const ofAge = told(await heardAt('?age=5000'));
      expect(ofAge.includes(code) || ofAge[0] === '').toBe(true);
      expect(told(await heardAt('', 'another-7'))).toEqual(['']);
      await request(studio.app).get('/api/v1/events?age=-1').expect(400);
    } finally {
      await new Promise((done) => {
        server.close(done);
        server.closeAllConnections();
      });
    }
  });
  it('runs its clock as fast as it is told', () => {
    let wall = 1000;
    const clock = studioClock(60, () => wall);
    const first = clock.now().getTime();
    wall += 1000;
    expect(clock.now().getTime() - first).toBe(60_000);
  });
});

const t = (s: number) => new Date(Date.UTC(2026, 10, 24, 10, 0, 0) + s * 1000);
const value = (v: readonly { value: number }[]) => v[0]!.value;

describe('stand-ins', () => {
  it('the scale follows what is poured, settles, steps, and creeps while it is loaded', () => {
    const s = scale({ code: 'G-01', name: 'bench scale' });
    s.act!(t(0), { do: 'put', massG: 60 });
    expect(value(s.read(t(0.2), null))).toBeLessThan(50);
    expect(Math.abs(value(s.read(t(5), null)) - 60)).toBeLessThan(0.2);
    s.act!(t(10), { do: 'pour', massG: 100, gPerS: 10 });
    const half = value(s.read(t(15), null));
    expect(half).toBeGreaterThan(100);
    expect(half).toBeLessThan(111);
    expect(s.read(t(15), null)[0]!.settled).toBe(false);
    expect(s.read(t(30), null)[0]!.settled).toBe(true);
    expect(value(s.read(t(600), null))).toBeGreaterThan(160.1);
    for (const at of [40, 41, 42])
      expect(Math.abs(value(s.read(t(at), null)) * 10 - Math.round(value(s.read(t(at), null)) * 10))).toBeLessThan(
        1e-6,
      );
    s.act!(t(700), { do: 'clear' });
    expect(Math.abs(value(s.read(t(710), null)))).toBeLessThan(0.2);
  });
  it('the vessel gauge fills, leaks and is bled to zero; the vacuum gauge pumps down and lets in', () => {
    const g = vesselGauge({ code: 'G-04', name: 'the pot' });
    g.act!(t(0), { do: 'fill', toKPa: 340, minutes: 1, leakKPaPerMin: 5 });
    expect(Math.abs(value(g.read(t(30), null)) - 170)).toBeLessThan(3);
    expect(Math.abs(value(g.read(t(60 * 11), null)) - 290)).toBeLessThan(3);
    g.act!(t(700), { do: 'bleed', minutes: 0.5 });
    expect(value(g.read(t(740), null))).toBe(0);
    const v = vacuumGauge({ code: 'G-06', name: 'pump' });
    expect(Math.abs(value(v.read(t(0), null)) - 101.3)).toBeLessThan(0.3);
    v.act!(t(0), { do: 'fill', toKPa: 2, minutes: 1 });
    expect(Math.abs(value(v.read(t(70), null)) - 2)).toBeLessThan(0.3);
  });
  it('the thermometer follows the mix by the model, a little low; the tester the expected hardness', () => {
    const product = saltmarshCard('house-clear-6');
    const batch = soundBatch('house-clear-6', { startedAt: t(0).toISOString() });
    const cup = simulateCup(product, {
      massG: 200,
      resinC: mixStartC(product, batch)!,
      roomC: batch.room!.temperatureC!,
    });
    if (!('curve' in cup)) throw new Error(cup.status);
    const i = cup.curve.minutes.findIndex((m) => m >= 5);
    expect(Math.abs(mixC(product, batch, t(300)) - cup.curve.temperatureC[i]!)).toBeLessThan(2);
    const subject = { batch, product };
    const shown = value(
      thermometer({ code: 'G-03', name: 'thermometer' }, () => Promise.resolve(subject)).read(t(300), subject),
    );
    expect(mixC(product, batch, t(300)) - shown).toBeGreaterThan(0);
    expect(mixC(product, batch, t(300)) - shown).toBeLessThan(1);
    const tester = hardnessTester({ code: 'G-15', name: 'tester' }, () => Promise.resolve(subject));
    expect(value(tester.read(t(86_400 * 6), subject))).toBeGreaterThan(70);
    expect(value(tester.read(t(60), subject))).toBeLessThan(20);
    expect(value(tester.read(t(60), null))).toBe(0);
  });
  it('drop out when told to and come back', () => {
    const s = scale({ code: 'G-01', name: 'bench scale' });
    s.act!(t(0), { do: 'silence', seconds: 10 });
    expect(() => s.read(t(5), null)).toThrow('does not answer');
    expect(() => s.read(t(11), null)).not.toThrow();
  });
});
