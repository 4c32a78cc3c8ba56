import { saltmarshGear, saltmarshMoulds, soundBatch } from '@warm-jar/core';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { studioClock } from './live/studioClock';
import { testStudio, type TestStudio } from './testStudio';

let studio: TestStudio;
const FROM = new Date('2027-03-18T14:30:00Z');
beforeAll(async () => {
  studio = await testStudio({ clock: studioClock(0, Date.now, FROM) });
  for (const gear of saltmarshGear(FROM).filter((g) => g.device)) await studio.shelf.gear.create(gear);
});
afterAll(() => studio.close());
const get = (path: string) => request(studio.app).get(`/api/v1${path}`);
const post = (path: string, body: object) => request(studio.app).post(`/api/v1${path}`).send(body);

describe('a clock that was set', () => {
  it('stands, and is moved on by seconds', async () => {
    expect((await get('/clock')).body).toEqual({ now: FROM.toISOString(), speed: 0 });
    const moved = await post('/clock', { advanceS: 90 }).expect(200);
    expect(moved.body.now).toBe('2027-03-18T14:31:30.000Z');
    expect((await get('/session')).body.clock).toEqual(moved.body);
  });
  it('never goes back, and takes no word for a number', async () => {
    for (const advanceS of [-1, 'soon', null, 1e12]) {
      const refused = await post('/clock', { advanceS });
      expect(refused.status).toBe(400);
      expect(refused.body.error.issues[0].path).toBe('advanceS');
    }
  });
  it('dates what is written', async () => {
    const made = await post('/batches', { ...soundBatch('house-clear-6'), code: null }).expect(201);
    const history = await get(`/batches/${made.body.code}/history`);
    expect(history.body.items[0].at).toBe('2027-03-18T14:31:30.000Z');
  });
  it('is no clock that follows the wall', async () => {
    const other = await testStudio();
    try {
      const refused = await request(other.app).post('/api/v1/clock').send({ advanceS: 5 });
      expect([refused.status, refused.body.error.code]).toEqual([409, 'clock-not-set']);
    } finally {
      await other.close();
    }
  });
});

describe('which studio it is', () => {
  it('is told, and stays', async () => {
    const { studio: id } = (await get('/session')).body as { studio: string };
    expect(id).toMatch(/^[0-9a-f-]{36}$/);
    expect((await get('/session')).body.studio).toBe(id);
    await get('/batches').set('X-Warm-Jar-Studio', id).expect(200);
    await get('/batches').expect(200);
  });
  it('turns away what a page of another studio sends, and lets it ask where it is', async () => {
    const { total } = (await get('/batches')).body as { total: number };
    const sent = await post('/batches', { ...soundBatch('house-clear-6'), code: null }).set(
      'X-Warm-Jar-Studio',
      'another',
    );
    expect([sent.status, sent.body.error.code]).toEqual([409, 'other-studio']);
    await get('/batches').set('X-Warm-Jar-Studio', 'another').expect(409);
    await get('/session').set('X-Warm-Jar-Studio', 'another').expect(200);
    expect((await get('/batches')).body.total).toBe(total);
  });
});

describe('a scale at the bench', () => {
  const take = (batch: string, over = false) => post('/devices/G-01/take', { batch, over });
  it('is taken for one batch, and told to others with who has it', async () => {
    expect((await take('B-0001').expect(200)).body).toMatchObject({ code: 'G-01', holder: 'B-0001', stepG: 0.1 });
    await take('B-0001').expect(200);
    const refused = await take('B-0002');
    expect([refused.status, refused.body.error.code]).toEqual([409, 'in-use']);
    expect(refused.body.error.message).toContain('B-0001 is at bench scale');
    expect((await take('B-0002', true).expect(200)).body.holder).toBe('B-0002');
    await post('/devices/G-01/leave', { batch: 'B-0002' }).expect(204);
    const listed = (await get('/devices')).body.items as { code: string; holder: string | null }[];
    expect(listed.find((d) => d.code === 'G-01')!.holder).toBeNull();
  });
  it('that is none is not taken', async () => {
    await post('/devices/G-99/take', { batch: 'B-0001' }).expect(404);
    await take('').expect(400);
  });
});

describe('a hollow casting', () => {
  it('teaches its mould what stayed in it: what was mixed, less what came out again', async () => {
    const hollow = saltmarshMoulds().find((m) => m.hollow)!;
    await studio.shelf.moulds.create(hollow);
    const pull = (leftG: unknown) => ({
      ...soundBatch('house-clear-6', { mould: { code: hollow.code }, mix: { amountA: 110, amountB: 90 } }),
      pour: { leftG },
      code: null,
    });
    for (const leftG of [60, null]) await post('/batches', pull(leftG)).expect(201);
    const found = (await get('/moulds')).body.items.find(
      (m: { item: { code: string } }) => m.item.code === hollow.code,
    ) as { masses: { massG: number }[] };
    expect(found.masses.map((m) => m.massG).sort((a, b) => a - b)).toEqual([140, 200]);
  });
});
