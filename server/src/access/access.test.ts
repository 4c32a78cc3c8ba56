import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import request, { type Response } from 'supertest';
import { peopleCommand } from '../people';
import { target } from '../fuzz/fuzzRun';
import { testStudio, type TestStudio } from '../testStudio';
import { accessStore } from './accessStore';
import type { Mode } from './gate';
import { hostOfHeader, isLoopback, isMeantForUs } from './hosts';
import { PAIRING_MS, pairings } from './pairings';
import { may, needOf } from './rights';
import { hashSecret, isSecret, pairingCode, secretFault } from './secrets';

let studio: TestStudio;
const open = async (mode: Mode) => {
  studio = await testStudio({ access: { mode, hosts: ['jar.studio.test'], address: 'https://jar.studio.test' } });
  if (mode !== 'people') return;
  for (const [code, role] of [
    ['KO', 'lead'],
    ['MT', 'technician'],
    ['WB', 'board'],
  ] as const)
    await studio.people.addPerson({ code, role, name: null, secret: `${code} amber 7` });
};
afterEach(async () => {
  expect(studio.failures).toEqual([]);
  await studio.remove();
});

const api = '/api/v1';
const cookieOf = (response: Response) => response.headers['set-cookie']?.[0]?.split(';')[0] ?? '';
async function signIn(person: string): Promise<string> {
  const answer = await request(studio.app)
    .post(`${api}/session`)
    .send({ person, secret: `${person} amber 7` })
    .expect(204);
  return cookieOf(answer);
}
const as = (cookie: string) => ({
  get: (path: string) => request(studio.app).get(`${api}${path}`).set('Cookie', cookie),
  post: (path: string, body: object) => request(studio.app).post(`${api}${path}`).set('Cookie', cookie).send(body),
  put: (path: string, body: object) =>
    request(studio.app).put(`${api}${path}`).set('Cookie', cookie).set('If-Match', '"1"').send(body),
  delete: (path: string) => request(studio.app).delete(`${api}${path}`).set('Cookie', cookie).set('If-Match', '"1"'),
});
const batch = (more: object = {}) => ({ format: 'warm-jar.batch/1', product: { slug: 'house-clear-6' }, ...more });

describe('on a network', () => {
  beforeEach(() => open('people'));

  it('nobody reads, writes, listens or takes the backup without signing in', async () => {
    for (const path of [
      '/batches',
      '/products',
      '/events',
      '/backup.zip',
      '/export/batches.csv',
      '/agenda.ics',
      '/photos/x',
      '/openapi.json',
      '/learning?what=patterns',
      '/people',
      '/search?q=a',
      '/no/such/place',
    ])
      expect((await request(studio.app).get(api + path)).status, path).toBe(401);
    expect((await request(studio.app).post(`${api}/batches`).send(batch())).status).toBe(401);
    expect((await request(studio.app).post(`${api}/photos`).send('x')).status).toBe(401);
    expect((await request(studio.app).get(`${api}/health`)).status).toBe(200);
    const { body } = await request(studio.app).get(`${api}/session`).expect(200);
    expect(body).toMatchObject({ mode: 'people', person: null, role: null, people: [] });
  });

  it('a PIN opens it by a cookie that no script reads and no other site sends; signed out, it opens nothing', async () => {
    const answer = await request(studio.app)
      .post(`${api}/session`)
      .send({ person: 'KO', secret: 'KO amber 7' })
      .expect(204);
    expect(answer.headers['set-cookie']![0]).toMatch(/; Path=\/; HttpOnly; SameSite=Strict; Max-Age=\d+$/);
    const cookie = cookieOf(answer);
    expect((await as(cookie).get('/session')).body).toMatchObject({ person: 'KO', role: 'lead', verified: true });
    await as(cookie).get('/batches').expect(200);
    await as(cookie).delete('/session').expect(204);
    await as(cookie).get('/batches').expect(401);
  });

  it('is Secure where the page came by TLS, as the trusted proxy says', async () => {
    await studio.remove();
    studio = await testStudio({ access: { mode: 'people', hosts: ['jar.studio.test'], proxies: ['loopback'] } });
    await studio.people.addPerson({ code: 'KO', role: 'lead', name: null, secret: 'KO amber 7' });
    const behind = (path: string) =>
      request(studio.app)
        .post(api + path)
        .set({ 'X-Forwarded-Proto': 'https', 'X-Forwarded-Host': 'jar.studio.test', 'X-Forwarded-For': '192.0.2.7' })
        .set('Origin', 'https://jar.studio.test');
    const answer = await behind('/session').send({ person: 'KO', secret: 'KO amber 7' }).expect(204);
    expect(answer.headers['set-cookie']![0]).toContain('; Secure');
    expect(answer.headers['strict-transport-security']).toMatch(/^max-age=\d+$/);
    const [device] = await studio.people.sessions('KO');
    expect(device!.address).toBe('192.0.2.7');
  });

  it('wrong tries are slowed down, for the person and from the address, whether there is such a person or not', async () => {
    const wrong = (person: string) => request(studio.app).post(`${api}/session`).send({ person, secret: 'guess 123' });
    const statuses: number[] = [];
    for (let i = 0; i < 8; i += 1) statuses.push((await wrong('KO')).status);
    expect(statuses).toEqual([401, 401, 401, 401, 401, 401, 429, 429]);
    const slowed = await request(studio.app).post(`${api}/session`).send({ person: 'ko', secret: 'KO amber 7' });
    expect(slowed.status).toBe(429);
    expect(Number(slowed.headers['retry-after'])).toBeGreaterThan(60);
    expect(slowed.body.error.message).toMatch(/Wait \d+ min/);
    await signIn('MT');
    const tried = (await studio.people.deeds(null, 100)).filter((d) => d.what === 'Try a wrong PIN');
    expect(tried).toHaveLength(6);
    expect(tried[0]).toMatchObject({
      by: null,
      place: '/people/KO',
      address: expect.stringMatching(/127\.0\.0\.1|::1/),
    });
    for (let i = 0; i < 14; i += 1) await wrong(`X${i}`);
    expect((await wrong('Y')).status).toBe(429);
  });

  it('each role does what is its own', async () => {
    const [lead, technician, board] = [await signIn('KO'), await signIn('MT'), await signIn('WB')];
    const gear = { format: 'warm-jar.gear/1', code: 'G-90', name: 'a cup', kind: 'cup' };
    await as(board).get('/batches').expect(200);
    expect((await as(board).post('/batches', batch())).body.error.message).toContain('A board only shows');
    await as(board).get('/export/batches.csv').expect(403);
    await as(technician).post('/batches', batch()).expect(201);
    await as(technician).get('/export/batches.csv').expect(200);
    for (const path of ['/backup.zip', '/backup/schedule', '/tokens', '/deeds']) {
      await as(technician).get(path).expect(403);
      await as(lead).get(path).expect(200);
    }
    await expect
      .poll(async () => (await studio.people.deeds(null, 5)).map((d) => [d.by, d.what]))
      .toContainEqual(['KO', 'Take a backup']);
    await as(technician).post('/gear', gear).expect(403);
    await as(lead).post('/gear', gear).expect(201);
    await as(technician).post('/people', { code: 'ZZ', role: 'lead', secret: 'a long phrase' }).expect(403);
    // However the way is written, it is the same way.
    for (const path of ['/Backup.zip', '/backup%2ezip', '/backup.zip/', '/%62ackup.zip'])
      expect((await as(technician).get(path)).status, path).not.toBe(200);
  });

  it('who signed in is who did it: in the record, in its history, and in the book', async () => {
    const technician = await signIn('MT');
    const { body } = (await as(technician)
      .post('/batches', batch({ by: 'KO' }))
      .expect(201)) as { body: { code: string; by: string } };
    expect(body.by).toBe('MT');
    await request(studio.app)
      .put(`${api}/batches/${body.code}`)
      .set({ Cookie: await signIn('KO'), 'If-Match': '"1"', 'X-Warm-Jar-By': 'RV' })
      .send(batch({ note: 'looked at', by: 'MT' }))
      .expect(200);
    const { items } = (await as(technician).get(`/batches/${body.code}/history`)).body as {
      items: { by: string; verified: boolean }[];
    };
    expect(items.map((h) => [h.by, h.verified])).toEqual([
      ['MT', true],
      ['KO', true],
    ]);
    const deeds = await studio.people.deeds(null, 10);
    expect(deeds.map((d) => [d.by, d.verified, d.what])).toEqual(
      expect.arrayContaining([
        ['KO', true, 'Replace a batch'],
        ['MT', true, 'Log a batch'],
        [null, false, expect.stringContaining('Sign in')],
      ]),
    );
  });

  it('a device is paired by a code from the screen: once, and by who may', async () => {
    const [lead, technician] = [await signIn('KO'), await signIn('MT')];
    const use = (code: string) => request(studio.app).post(`${api}/pairings/use`).send({ code });
    const { body } = await as(technician).post('/pairings', { label: 'bench tablet' }).expect(201);
    expect(body.address).toBe('https://jar.studio.test');
    const paired = await use(`${body.code.slice(0, 5)}-${body.code.slice(5).toLowerCase()}`).expect(204);
    expect((await as(cookieOf(paired)).get('/session')).body).toMatchObject({ person: 'MT', role: 'technician' });
    await use(body.code).expect(401);
    await use('NOSUCHCODE').expect(401);
    await as(technician).post('/pairings', { person: 'WB', label: 'wall' }).expect(403);
    const board = await as(lead).post('/pairings', { person: 'WB', label: 'wall' }).expect(201);
    expect((await as(cookieOf(await use(board.body.code))).get('/session')).body).toMatchObject({ role: 'board' });
    await as(lead).post('/pairings', { person: 'NN', label: 'x' }).expect(404);
  });

  it('devices are listed, the own ones or all, and signed out from afar', async () => {
    const [lead, technician] = [await signIn('KO'), await signIn('MT')];
    const own = (await as(technician).get('/sessions')).body.items as { id: string; person: string; own: boolean }[];
    expect(own.map((s) => [s.person, s.own])).toEqual([['MT', true]]);
    const all = (await as(lead).get('/sessions')).body.items as { id: string; person: string; own: boolean }[];
    expect(all).toHaveLength(2);
    const ofLead = all.find((s) => s.own)!;
    await as(technician).delete(`/sessions/${ofLead.id}`).expect(404);
    await as(lead).delete(`/sessions/${own[0]!.id}`).expect(204);
    await as(technician).get('/batches').expect(401);
  });

  it('who leaves is signed out at once; the last lead stays', async () => {
    const [lead, technician] = [await signIn('KO'), await signIn('MT')];
    const change = (code: string, to: object) => as(lead).put(`/people/${code}`, { name: null, ...to });
    await change('MT', { role: 'technician', active: false }).expect(200);
    await as(technician).get('/batches').expect(401);
    await request(studio.app).post(`${api}/session`).send({ person: 'MT', secret: 'MT amber 7' }).expect(401);
    for (const to of [
      { role: 'technician', active: true },
      { role: 'lead', active: false },
    ])
      expect((await change('KO', to)).body.error.code).toBe('last-lead');
    await as(lead).get('/people').expect(200);
  });

  it('a screen that was signed out hears nothing more, at once; the others go on', async () => {
    const api = await target(studio.app);
    const streams = { MT: '', KO: '' };
    try {
      const [technician, lead] = [await signIn('MT'), await signIn('KO')];
      const began = Date.now();
      const ends = api.listen('/api/v1/events', technician, (text) => (streams.MT += text));
      const stays = api.listen('/api/v1/events', lead, (text) => (streams.KO += text));
      await stays.begun;
      await ends.begun;
      const [device] = await studio.people.sessions('MT');
      await as(lead).delete(`/sessions/${device!.id}`).expect(204);
      await ends.ended;
      expect(Date.now() - began).toBeLessThan(9_000);
      await studio.batches.create({ format: 'warm-jar.batch/1', code: 'S-01', product: { slug: 'house-clear-6' } });
      await stays.next(/S-01/);
      expect(streams.MT).not.toContain('S-01');
      stays.leave();
    } finally {
      await api.close();
    }
  });

  it('a PIN is changed by who knows it, or by a lead; other devices are signed out, this one stays', async () => {
    const [first, second, lead] = [await signIn('MT'), await signIn('MT'), await signIn('KO')];
    const set = (cookie: string, body: object) => as(cookie).post('/people/MT/secret', body);
    await set(first, { secret: 'another phrase' }).expect(403);
    // One that is too easy is no wrong try, however often.
    for (let i = 0; i < 7; i += 1) await set(first, { secret: '123456', before: 'MT amber 7' }).expect(400);
    await set(first, { secret: 'another phrase', before: 'MT amber 7' }).expect(204);
    await as(first).get('/batches').expect(200);
    await as(second).get('/batches').expect(401);
    await set(lead, { secret: '27182818' }).expect(204);
    await as(first).get('/batches').expect(401);
    await as(lead).post('/people/KO/secret', { secret: 'unasked phrase' }).expect(403);
  });

  it('a lead who forgot the PIN is helped by the command on the machine', async () => {
    const store = accessStore(studio.database);
    const cookie = await signIn('KO');
    const said = await peopleCommand(store, ['pin', 'KO']);
    const pin = /: (\d{8})\./.exec(said)![1]!;
    await as(cookie).get('/batches').expect(401);
    await request(studio.app).post(`${api}/session`).send({ person: 'KO', secret: pin }).expect(204);
    expect(await peopleCommand(store, ['list'])).toContain('KO\tlead');
    expect(await peopleCommand(store, ['add', 'RV', 'technician'])).toContain('RV is set up as technician');
    expect(await peopleCommand(store, ['role', 'RV', 'lead'])).toBe('RV is lead now.');
    await expect(peopleCommand(store, ['role', 'NN', 'lead'])).rejects.toThrow('nobody called NN');
    expect(await peopleCommand(store, [])).toContain('npm run people');
  });

  it('the calendar opens by the secret in its address, until that is renewed', async () => {
    const lead = await signIn('KO');
    const { path } = (await as(lead).get('/calendar')).body as { path: string };
    await request(studio.app).get(path).expect(200);
    await request(studio.app).get(`${api}/agenda.ics?key=guess`).expect(401);
    const renewed = ((await as(lead).post('/calendar/renew', {})).body as { path: string }).path;
    await request(studio.app).get(path).expect(401);
    await request(studio.app).get(renewed).expect(200);
  });

  it('a device speaks by its own token, for itself alone, and the token opens nothing else', async () => {
    const lead = await signIn('KO');
    const { id, token } = (await as(lead).post('/tokens', { device: 'G-07', label: 'bench scale' })).body as Record<
      string,
      string
    >;
    const post = (device: string, body: unknown, bearer = token) =>
      request(studio.app)
        .post(`${api}/devices/${device}/readings`)
        .set('Authorization', `Bearer ${bearer}`)
        .send(body as object);
    const reading = { at: '2026-03-14T09:20:00+01:00', what: 'scale', value: 12.3, unit: 'g' };
    await post('G-07', reading).expect(204);
    await post('G-07', [reading, { ...reading, value: 13 }]).expect(204);
    await post('G-08', reading).expect(403);
    await post('G-07', reading, 'x'.repeat(43)).expect(401);
    await post('G-07', { ...reading, value: 1e9 }).expect(400);
    await post('G-07', { ...reading, unit: 'oz' }).expect(400);
    await post(
      'G-07',
      Array.from({ length: 101 }, () => reading),
    ).expect(400);
    await request(studio.app).get(`${api}/batches`).set('Authorization', `Bearer ${token}`).expect(401);
    const { items } = (await as(lead).get('/devices/G-07/readings')).body as { items: { value: number }[] };
    expect(items.map((r) => r.value)).toEqual([13, 12.3, 12.3]);
    expect(JSON.stringify((await as(lead).get('/tokens')).body)).not.toContain(token);
    await as(lead).delete(`/tokens/${id}`).expect(204);
    await post('G-07', reading).expect(401);
  });

  it('a name that somebody else’s page made point here is turned away', async () => {
    const host = (name: string) => request(studio.app).get(`${api}/health`).set('Host', name);
    for (const name of ['jar.studio.test', 'localhost:4310', '192.0.2.10:4310', '[2001:db8::1]:4310'])
      expect((await host(name)).status, name).toBe(200);
    expect((await host('rebound.test')).status).toBe(403);
  });
});

describe('on the loopback', () => {
  beforeEach(() => open('local'));
  it('nobody signs in; who was chosen on the screen is written down as unverified', async () => {
    const post = (headers: Record<string, string>, body: object) =>
      request(studio.app).post(`${api}/batches`).set(headers).send(body).expect(201);
    const chosen = (await post({ 'X-Warm-Jar-By': 'MT' }, batch())).body as { code: string; by: string };
    expect(chosen.by).toBe('MT');
    const named = (await post({ 'X-Warm-Jar-By': 'MT' }, batch({ by: 'RV' }))).body as { by: string };
    expect(named.by).toBe('RV');
    const nobody = (await post({}, batch())).body as { by?: string };
    expect(nobody.by).toBeUndefined();
    const odd = (await post({ 'X-Warm-Jar-By': '%E0%A4%A' }, batch())).body as { by?: string };
    expect(odd.by).toBeUndefined();
    const [made] = await studio.batches.history(chosen.code);
    expect(made).toMatchObject({ by: 'MT', verified: false });
    await request(studio.app).post(`${api}/session`).send({ person: 'KO', secret: 'x' }).expect(409);
  });
  it('only its own names are answered', async () => {
    const host = (name: string) => request(studio.app).get(`${api}/batches`).set('Host', name);
    for (const name of ['localhost:4310', '127.0.0.1', '[::1]:4310']) expect((await host(name)).status, name).toBe(200);
    for (const name of ['192.0.2.10', 'rebound.test', 'localhost.rebound.test'])
      expect((await host(name)).status, name).toBe(403);
  });
});

describe('open on a network', () => {
  beforeEach(() => open('open'));
  it('lets everybody in, as was said', async () => {
    await request(studio.app).get(`${api}/batches`).set('Host', '192.0.2.10').expect(200);
    expect((await request(studio.app).get(`${api}/session`)).body).toMatchObject({ mode: 'open', role: 'lead' });
  });
});

describe('the parts', () => {
  beforeEach(() => open('local'));
  it('a secret is kept so that it cannot be read, and never twice the same', async () => {
    const [one, other] = [await hashSecret('27182818'), await hashSecret('27182818')];
    expect(one).not.toBe(other);
    expect(one).not.toContain('27182818');
    expect([
      await isSecret('27182818', one),
      await isSecret('27182819', one),
      await isSecret('27182818', null),
    ]).toEqual([true, false, false]);
    expect(await isSecret('x', 'md5$nonsense')).toBe(false);
  });
  it.each([
    ['12345', false],
    ['111111', false],
    ['123456', false],
    ['345678', false],
    ['982451', true],
    ['short', false],
    ['a long phrase', true],
    ['x'.repeat(201), false],
  ])('a secret of %j is good enough: %s', (secret, good) => {
    expect(secretFault(secret) === null).toBe(good);
  });
  it('a pairing code is good for five minutes to the second, and holds no sign that is taken for another', () => {
    let now = Date.parse('2026-11-27T10:00:00Z');
    const shown = pairings(() => new Date(now));
    const [early, late] = [shown.make('KO', 'a'), shown.make('KO', 'b')];
    expect(early.until.getTime() - now).toBe(PAIRING_MS);
    now += PAIRING_MS - 1_000;
    expect(shown.use(early.code)).toEqual({ person: 'KO', label: 'a' });
    now += 1_000;
    expect(shown.use(late.code)).toBeNull();
    for (let i = 0; i < 50; i += 1) expect(pairingCode()).toMatch(/^[2-9A-HJKMNP-Z]{10}$/);
  });
  it('rights: what no rule names is for technicians to write and for all to read', () => {
    expect(needOf('GET', '/trials')).toBe('anyone');
    expect(needOf('POST', '/pieces')).toBe('technician');
    expect(needOf('POST', '/batches/import')).toBe('technician');
    expect(needOf('DELETE', '/products/x')).toBe('lead');
    expect(needOf('POST', '/backup/restore')).toBe('lead');
    expect(needOf('BREW', '/anything')).toBe('technician');
    expect([may('board', 'technician'), may('technician', 'lead'), may('lead', 'lead'), may('lead', 'device')]).toEqual(
      [false, false, true, false],
    );
  });
  it('hosts are read as browsers write them', () => {
    expect([
      hostOfHeader('[::1]:80'),
      hostOfHeader('Jar.Test:1'),
      hostOfHeader('a b'),
      hostOfHeader(undefined),
    ]).toEqual(['::1', 'jar.test', null, null]);
    expect([isLoopback('127.0.0.1'), isLoopback('127.0.0.1.test'), isLoopback('::1')]).toEqual([true, false, true]);
    expect(isMeantForUs('192.0.2.1', false, [])).toBe(false);
  });
});
