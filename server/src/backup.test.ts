import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { SALTMARSH_CARDS, batchListQuerySchema, soundBatch } from '@warm-jar/core';
import { ZipArchive } from 'archiver';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { hostStudio, type HostedStudio } from './hostStudio';

let [folder, host, server, address]: [string, HostedStudio, Server, string] = ['', null!, null!, ''];
const failures: unknown[] = [];
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-backup-test-'));
  host = await hostStudio({ file: join(folder, 'studio.sqlite'), log: (error) => failures.push(error) });
  server = createServer(host.handle);
  await new Promise<void>((done) => {
    server.listen(0, '127.0.0.1', done);
  });
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`;
  await host.current().products.addAll(SALTMARSH_CARDS);
  for (const code of ['B-0001', 'B-0002', 'B-0003'])
    await host.current().batches.create(soundBatch('house-tide', { code }));
});
afterEach(async () => {
  await new Promise<void>((done) => {
    server.close(() => {
      done();
    });
    server.closeAllConnections();
  });
  await host.close();
  rmSync(folder, { recursive: true, force: true });
});

const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
const json = (method: string, body: unknown) => ({
  method,
  body: JSON.stringify(body),
  headers: { 'Content-Type': 'application/json' },
});
const codes = async () =>
  (await host.current().batches.list(batchListQuerySchema.parse({ sort: 'code' }))).items.map((b) => b.code);
const download = async () => Buffer.from(await (await fetch(`${address}/backup.zip`)).arrayBuffer());
const check = (bytes: Buffer) =>
  fetch(`${address}/backup/check`, {
    method: 'POST',
    body: new Uint8Array(bytes),
    headers: { 'Content-Type': 'application/zip' },
  });
const zipOf = (files: Record<string, string | Buffer>): Promise<Buffer> =>
  new Promise((done, fail) => {
    const zip = new ZipArchive({});
    const chunks: Buffer[] = [];
    zip.on('data', (chunk: Buffer) => chunks.push(chunk));
    zip.on('end', () => {
      done(Buffer.concat(chunks));
    });
    zip.on('error', fail);
    for (const [name, content] of Object.entries(files)) zip.append(content, { name });
    void zip.finalize();
  });

describe('a backup', () => {
  it('holds everything, photos too, and comes back after the studio went on and was emptied', async () => {
    const photo = (
      (await (
        await fetch(`${address}/photos`, {
          method: 'POST',
          body: new Uint8Array(PIXEL),
          headers: { 'Content-Type': 'image/png' },
        })
      ).json()) as { id: string }
    ).id;
    const copy = await download();
    await host.current().batches.create(soundBatch('house-tide', { code: 'B-0004' }));
    await host.current().batches.remove('B-0001', 1);
    rmSync(join(folder, 'photos', photo));
    const found = (await (await check(copy)).json()) as {
      token: string;
      holds: Record<string, number>;
      photos: number;
    };
    expect(found).toMatchObject({ holds: { batches: 3, products: 11 }, photos: 1 });
    expect(await codes()).toEqual(['B-0002', 'B-0003', 'B-0004']);

    const restored = await fetch(`${address}/backup/restore`, json('POST', { token: found.token }));
    const { keptAside } = (await restored.json()) as { keptAside: string };
    expect(restored.status).toBe(200);
    expect(await codes()).toEqual(['B-0001', 'B-0002', 'B-0003']);
    expect((await fetch(`${address}/photos/${photo}`)).status).toBe(200);
    expect(readdirSync(keptAside)).toContain('studio.sqlite');
    // The application goes on: it takes a new batch, and the token is spent.
    expect((await fetch(`${address}/batches`, json('POST', soundBatch('house-tide', { code: 'B-0005' })))).status).toBe(
      201,
    );
    expect((await fetch(`${address}/backup/restore`, json('POST', { token: found.token }))).status).toBe(404);
    expect(failures).toEqual([]);
  });
  it('is made while others write, and is whole', async () => {
    const writing = (async () => {
      for (let i = 10; i < 40; i += 1)
        await host.current().batches.create(soundBatch('house-tide', { code: `B-00${i}` }));
    })();
    const copy = await download();
    await writing;
    const { holds } = (await (await check(copy)).json()) as { holds: { batches: number } };
    expect(holds.batches).toBeGreaterThanOrEqual(3);
    expect(holds.batches).toBeLessThanOrEqual(33);
  });
  it.each([
    ['no zip', () => Promise.resolve(Buffer.from('not a zip at all')), 'no zip file'],
    ['another zip', () => zipOf({ 'hello.txt': 'hello' }), 'not a backup of Warm Jar'],
    [
      'a database that is none',
      () =>
        zipOf({
          'manifest.json':
            '{"format":"warm-jar.backup/1","madeAt":"2026-11-24","holds":{"batches":0,"products":0,"lots":0,"moulds":0,"pieces":0,"lastChange":null},"photos":0}',
          'studio.sqlite': 'garbage',
        }),
      'cannot be opened',
    ],
    [
      'a manifest that is none',
      () => zipOf({ 'manifest.json': '{', 'studio.sqlite': 'garbage' }),
      'manifest cannot be read',
    ],
  ])('refuses %s and changes nothing', async (_name, bytes, words) => {
    const answer = await check(await bytes());
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as { error: { message: string } }).error.message).toContain(words);
    expect(await codes()).toHaveLength(3);
    expect(existsSync(join(folder, 'restore')) ? readdirSync(join(folder, 'restore')) : []).toEqual([]);
  });
  it('lets nothing of the zip land outside its folder', async () => {
    const evil = await zipOf({
      'photos/../../evil.png': PIXEL,
      '../evil.txt': 'x',
      'manifest.json': '{}',
      'studio.sqlite': '',
    });
    expect((await check(evil)).status).toBe(400);
    expect(existsSync(join(dirname(folder), 'evil.txt'))).toBe(false);
    expect(existsSync(join(folder, 'evil.png'))).toBe(false);
  });
  it('that cannot be put in place leaves the studio as it was, and open', async () => {
    const { token } = (await (await check(await download())).json()) as { token: string };
    // Somebody cleared the disk meanwhile.
    rmSync(join(folder, 'restore', token, 'studio.sqlite'));
    const answer = await fetch(`${address}/backup/restore`, json('POST', { token }));
    expect(answer.status).toBe(500);
    expect(await codes()).toEqual(['B-0001', 'B-0002', 'B-0003']);
    expect((await fetch(`${address}/batches`, json('POST', soundBatch('house-tide', { code: 'B-0009' })))).status).toBe(
      201,
    );
    expect(failures.splice(0)).toHaveLength(1);
  });
  it('answers that it is being put in place, meanwhile, and ends the streams of the studio that was', async () => {
    const { token } = (await (await check(await download())).json()) as { token: string };
    const stream = await fetch(`${address}/events`);
    const reader = stream.body!.getReader();
    await reader.read();
    const restoring = fetch(`${address}/backup/restore`, json('POST', { token }));
    const ended = (async () => {
      for (;;) {
        const { done } = await reader.read();
        if (done) return 'ended';
      }
    })().catch(() => 'ended');
    expect((await restoring).status).toBe(200);
    expect(await ended).toBe('ended');
    expect((await fetch(`${address}/batches?pageSize=1`)).status).toBe(200);
  });
  it('that is hung up on in the middle of its download hurts nobody', async () => {
    mkdirSync(join(folder, 'photos'), { recursive: true });
    for (let i = 0; i < 12; i += 1)
      writeFileSync(join(folder, 'photos', `${String(i).padStart(40, '0')}.jpg`), randomBytes(3_000_000));
    const leave = new AbortController();
    const download = await fetch(`${address}/backup.zip`, { signal: leave.signal });
    await download.body!.getReader().read();
    leave.abort();
    // A whole download after it: by then the server has long met the end of the first.
    const whole = await fetch(`${address}/backup.zip`);
    expect((await whole.arrayBuffer()).byteLength).toBeGreaterThan(30_000_000);
    expect((await fetch(`${address}/health`)).status).toBe(200);
    failures.length = 0;
  });
  it('whose bytes were changed on the way is told as damaged', async () => {
    const copy = await download();
    // Within what is packed, behind the first header: the zip still lists its files.
    const at = copy.indexOf('studio.sqlite') + 400;
    for (let i = at; i < at + 60; i += 1) copy[i] = copy[i]! ^ 0xff;
    const answer = await check(copy);
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as { error: { message: string } }).error.message).toContain('The zip is damaged');
    expect(readdirSync(join(folder, 'restore'))).toEqual([]);
  });
  it.each([
    [
      'a trigger',
      'CREATE TRIGGER greedy AFTER INSERT ON batches BEGIN DELETE FROM lots; END',
      'the trigger greedy is not ours',
    ],
    ['a view', 'CREATE VIEW spy AS SELECT * FROM batches', 'the view spy is not ours'],
    ['a table too many', 'CREATE TABLE more (x)', 'the table more is not ours'],
    ['a table too few', 'DROP TABLE saved_filters', 'the table saved_filters is missing'],
    [
      'an index of another kind',
      'DROP INDEX batches_by_grade; CREATE INDEX batches_by_grade ON batches (code)',
      'the index batches_by_grade is another',
    ],
  ])('with %s that the steps of its schema do not make is opened no further', async (_what, sql, says) => {
    for (const statement of sql.split(/; (?=CREATE)/)) await host.current().database.sequelize.query(statement);
    const answer = await check(await download());
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as { error: { message: string } }).error.message).toContain(says);
    expect(await codes()).toHaveLength(3);
  });
  it('with records that do not fit their format lists them, and can be put back all the same', async () => {
    await host
      .current()
      .database.sequelize.query(
        `UPDATE batches SET document = json_set(document, '$.startedAt', '1026-01-01T00:00:00Z') WHERE code = 'B-0002'`,
      );
    const found = (await (await check(await download())).json()) as {
      token: string;
      misfitCount: number;
      misfits: { what: string; code: string; says: string }[];
    };
    expect(found.misfitCount).toBe(1);
    expect(found.misfits).toEqual([
      { what: 'Batch', code: 'B-0002', says: 'startedAt: Check the year: it lies outside 1970 to 2200.' },
    ]);
    expect((await fetch(`${address}/backup/restore`, json('POST', { token: found.token }))).status).toBe(200);
    expect((await fetch(`${address}/batches/B-0002`)).status).toBe(200);
  });
  it.each(['"a text"', '[]', '{"format":"another"}', 'null'])(
    'with a record that is %s, of which nothing can be read, is refused',
    async (document) => {
      await host.current().database.sequelize.query("UPDATE batches SET document = ? WHERE code = 'B-0002'", {
        replacements: [document],
      });
      const answer = await check(await download());
      expect(answer.status).toBe(400);
      expect(((await answer.json()) as { error: { message: string } }).error.message).toContain('Batch B-0002');
    },
  );
  it('with columns of another hand is listed all the same', async () => {
    const { sequelize } = host.current().database;
    await sequelize.query(
      "UPDATE batches SET stage = 'no stage', grade = 'no grade', outside = 'many', next_check_at = '2026-11-27T10:00:00Z' WHERE code = 'B-0002'",
    );
    await sequelize.query("INSERT INTO batch_symptoms (batch_code, kind, pattern) VALUES ('B-0003', 'no kind', 'x')");
    const { token } = (await (await check(await download())).json()) as { token: string };
    expect((await fetch(`${address}/backup/restore`, json('POST', { token }))).status).toBe(200);
    for (const path of ['/batches', '/checks/due?days=400&late=4000', '/agenda.ics', '/export/batches.csv'])
      expect((await fetch(address + path)).status, path).toBe(200);
    expect(await codes()).toEqual(['B-0001', 'B-0002', 'B-0003']);
  });
  it('leaves the copies that this machine makes as they are set, and tells the other screens', async () => {
    const copy = await download();
    const schedule = { on: true, folder: join(folder, 'own'), everyH: 48, keep: 7 };
    await fetch(`${address}/backup/schedule`, json('POST', schedule));
    const { token } = (await (await check(copy)).json()) as { token: string };
    const stream = await fetch(`${address}/events`);
    const heard = (async () => {
      let text = '';
      for await (const part of stream.body!) text += Buffer.from(part).toString();
      return text;
    })();
    expect((await fetch(`${address}/backup/restore`, json('POST', { token }))).status).toBe(200);
    expect(await heard).toContain('event: replaced');
    const after = (await (await fetch(`${address}/backup/schedule`)).json()) as { schedule: unknown };
    expect(after.schedule).toEqual(schedule);
  });
  it('lets nobody in: this machine keeps its people, their devices and its tokens', async () => {
    const { people } = host.current();
    await people.addPerson({ code: 'XX', role: 'lead', name: null, secret: 'of another studio' });
    const foreign = await people.begin('XX', { label: 'theirs', how: 'secret', address: '192.0.2.9' });
    const copy = await download();
    await host.current().database.sequelize.query('DELETE FROM people');
    await people.addPerson({ code: 'KO', role: 'lead', name: null, secret: 'of this studio' });
    const own = await people.begin('KO', { label: 'ours', how: 'secret', address: '192.0.2.7' });
    const { token } = (await (await check(copy)).json()) as { token: string };
    expect((await fetch(`${address}/backup/restore`, json('POST', { token }))).status).toBe(200);
    const after = host.current().people;
    expect((await after.people()).map((p) => p.code)).toEqual(['KO']);
    expect(await after.actorOf(own, '::1')).toMatchObject({ person: 'KO' });
    expect(await after.actorOf(foreign, '::1')).toBeNull();
    expect((await after.deeds(null, 1))[0]).toMatchObject({ what: 'Put a backup in place' });
  });
  it('brings its people along where nobody is set up, but none of their devices', async () => {
    const { people } = host.current();
    await people.addPerson({ code: 'KO', role: 'lead', name: null, secret: 'amber and oak' });
    const device = await people.begin('KO', { label: 'a tablet', how: 'secret', address: '192.0.2.7' });
    const copy = await download();
    await host.current().database.sequelize.query('DELETE FROM people');
    const { token } = (await (await check(copy)).json()) as { token: string };
    await fetch(`${address}/backup/restore`, json('POST', { token }));
    const after = host.current().people;
    expect(await after.isSecretOf('KO', 'amber and oak')).toBe(true);
    expect(await after.actorOf(device, '::1')).toBeNull();
  });
  it('that fails before it is whole is no download', async () => {
    await host.current().database.sequelize.close();
    const answer = await fetch(`${address}/backup.zip`);
    expect(answer.status).toBeGreaterThanOrEqual(500);
    expect(answer.headers.get('content-disposition')).toBeNull();
    expect(answer.headers.get('content-type')).toContain('application/json');
    failures.length = 0;
    host = await hostStudio({ file: join(folder, 'again.sqlite'), log: (error) => failures.push(error) });
  });
  it('refuses one made by a newer version', async () => {
    await host
      .current()
      .database.sequelize.query("INSERT INTO migrations (name, applied_at) VALUES ('9999-later', '2030')");
    const answer = await check(await download());
    expect(((await answer.json()) as { error: { message: string } }).error.message).toContain('newer Warm Jar');
  });
});

describe('copies by themselves', () => {
  const set = (schedule: Record<string, unknown>) => fetch(`${address}/backup/schedule`, json('POST', schedule));
  it('are made when due, and the oldest cleared away beyond those kept, nothing else', async () => {
    const into = join(folder, 'copies');
    const answer = (await (await set({ on: true, folder: into, everyH: 24, keep: 2 })).json()) as { copies: string[] };
    expect(answer.copies).toHaveLength(1);
    for (const name of ['warm-jar-2026-01-01-10-00.zip', 'warm-jar-2026-01-02-10-00.zip', 'mine.zip'])
      writeFileSync(join(into, name), 'x');
    expect(await host.current().schedule.runDue()).toBeNull();
    rmSync(join(into, answer.copies[0]!));
    const made = await host.current().schedule.runDue();
    expect(made).toMatch(/^warm-jar-/);
    expect(readdirSync(into).sort()).toEqual(['mine.zip', 'warm-jar-2026-01-02-10-00.zip', made!].sort());
    const found = (await (await check(readFileSync(join(into, made!)))).json()) as { holds: { batches: number } };
    expect(found.holds.batches).toBe(3);
  });
  it('that fail say so, are tried again, and end nothing', async () => {
    const into = join(folder, 'stick');
    await set({ on: true, folder: into, everyH: 1, keep: 3 });
    rmSync(into, { recursive: true });
    writeFileSync(into, 'a file where the folder was');
    const { schedule } = host.current();
    for (let i = 0; i < 2; i += 1) await expect(schedule.runDue()).rejects.toThrow();
    const told = (await (await fetch(`${address}/backup/schedule`)).json()) as {
      failure: { says: string; tries: number };
    };
    expect(told.failure).toMatchObject({ says: `${into} is no folder. Choose another.`, tries: 2 });
    rmSync(into);
    expect(await schedule.runDue()).toMatch(/^warm-jar-/);
    expect(await schedule.failure()).toBeNull();
  });
  it('go on although one is dated ahead, as of a clock that was wrong, and leave that one alone', async () => {
    const into = join(folder, 'ahead');
    mkdirSync(into);
    writeFileSync(join(into, 'warm-jar-2190-01-01-10-00.zip'), 'x');
    const answer = (await (await set({ on: true, folder: into, everyH: 24, keep: 1 })).json()) as { copies: string[] };
    expect(answer.copies).toHaveLength(2);
    expect(await host.current().schedule.runDue()).toBeNull();
  });
  it('refuse a file as their folder before it is stored', async () => {
    const file = join(folder, 'file');
    writeFileSync(file, '');
    const answer = await set({ on: true, folder: file, everyH: 24, keep: 1 });
    expect(answer.status).toBe(400);
    expect((await host.current().schedule.get()).on).toBe(false);
  });
  it('are off until asked for, and survive a restart of the settings', async () => {
    const { schedule, copies } = (await (await fetch(`${address}/backup/schedule`)).json()) as {
      schedule: { on: boolean };
      copies: string[];
    };
    expect(schedule.on).toBe(false);
    expect(copies).toEqual([]);
  });
  it.each([
    [{ folder: 'relative/folder' }, 'folder'],
    [{ keep: 0 }, 'keep'],
    [{ everyH: 0.2 }, 'everyH'],
    [{ folder: '/proc/nowhere/at/all' }, 'folder'],
  ])('refuse %j, naming the field', async (patch, path) => {
    const answer = await set({ on: true, folder: join(folder, 'c'), everyH: 24, keep: 3, ...patch });
    expect(answer.status).toBe(400);
    expect(((await answer.json()) as { error: { issues: { path: string }[] } }).error.issues[0]!.path).toBe(path);
  });
});
