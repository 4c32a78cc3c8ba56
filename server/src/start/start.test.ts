import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'vite';
import { afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { batchListQuerySchema } from '@warm-jar/core';
import { migratorFor, openDatabase } from '../store/database';
import { testStudio } from '../testStudio';
import { FolderTaken, lockFolder, ownerOf } from './folderLock';
import { guard } from './guard';
import { NoRoom, startProblem, type Starting } from './startProblem';

const ROOT = new URL('../../..', import.meta.url).pathname;
/** Beside what is built to be started; read from its sources, each start would take as long as all of this. */
const BUILT = join(ROOT, '.cache', 'started');
beforeAll(async () => {
  const server = join(ROOT, 'server');
  const written = { outDir: BUILT, emptyOutDir: true, sourcemap: false };
  await build({ root: server, configFile: join(server, 'vite.config.ts'), logLevel: 'error', build: written });
}, 120_000);
let folder = '';
const children: ChildProcess[] = [];
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-start-'));
});
afterEach(() => {
  for (const child of children.splice(0)) child.kill('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
});

interface Ended {
  readonly code: number | null;
  readonly said: string;
}
/** Starts the server as a process of its own. */
function run(
  args: string[],
  env: Record<string, string>,
): { child: ChildProcess; up: Promise<string>; end: Promise<Ended> } {
  const child = spawn('node', [join(BUILT, 'main.js'), ...args], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', HOST: '127.0.0.1', WARM_JAR_DATA: folder, ...env },
  });
  children.push(child);
  let said = '';
  const end = new Promise<Ended>((done) => {
    child.on('exit', (code) => {
      done({ code, said });
    });
  });
  const up = new Promise<string>((done, fail) => {
    const hear = (chunk: Buffer) => {
      said += chunk.toString();
      const found = /http:\/\/[\d.]+:\d+/.exec(said)?.[0];
      if (found) done(found);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', (chunk: Buffer) => {
      said += chunk.toString();
    });
    void end.then(({ code }) => {
      fail(new Error(`ended with ${code}: ${said}`));
    });
  });
  up.catch(() => undefined);
  return { child, up, end };
}

describe('one server for one folder', () => {
  it('a second says who has it, and leaves the first and its database alone; a killed one holds nothing', async () => {
    const first = run(['--demo'], {});
    const address = await first.up;
    const file = join(folder, 'demo.sqlite');
    const before = readFileSync(file);
    const second = await run(['--demo'], {}).end;
    expect(second.code).toBe(1);
    expect(second.said).toContain(`runs on ${folder} already: process ${first.child.pid}, at ${address}`);
    expect(second.said.trim().split('\n')).toHaveLength(1);
    // The same, where the port is what it meets first.
    const third = await run(['--demo'], { PORT: new URL(address).port }).end;
    expect(third.said).toContain(`process ${first.child.pid}`);
    expect(readFileSync(file).equals(before)).toBe(true);
    const { total } = (await (await fetch(`${address}/api/v1/batches`)).json()) as { total: number };
    expect(total).toBeGreaterThan(200);

    first.child.kill('SIGKILL');
    await first.end;
    expect(ownerOf(folder)?.pid).toBe(first.child.pid);
    const next = run([], {});
    await next.up;
    next.child.kill('SIGTERM');
    expect((await next.end).code).toBe(0);
    expect(ownerOf(folder)).toBeNull();
  }, 180_000);
  it('holds its folder against another in the same process too, and lets it go', async () => {
    const lock = await lockFolder(folder);
    lock.tell('http://127.0.0.1:1');
    const refused = await lockFolder(folder).catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(FolderTaken);
    expect((refused as FolderTaken).owner).toMatchObject({ pid: process.pid, address: 'http://127.0.0.1:1' });
    await lock.release();
    await (await lockFolder(folder)).release();
  });
});

describe('what keeps it from starting', () => {
  const sentence = (said: string) => {
    expect(said.trim().split('\n')).toHaveLength(1);
    return said.trim();
  };
  it('a port that is taken: told, with nothing touched', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await new Promise((done) => other.once('listening', done));
    const { port } = other.address() as AddressInfo;
    const { code, said } = await run([], { PORT: String(port), WARM_JAR_DATA: join(folder, 'new') }).end;
    other.close();
    expect(code).toBe(1);
    expect(sentence(said)).toBe(
      `Another program answers at 127.0.0.1:${port} already. Stop it, or choose a free port: PORT=${port + 1}.`,
    );
    expect(existsSync(join(folder, 'new'))).toBe(false);
  }, 120_000);
  it('a damaged file: told, and left as it is', async () => {
    const file = join(folder, 'studio.sqlite');
    writeFileSync(file, 'not a database, whatever its name says. '.repeat(200));
    const { code, said } = await run([], {}).end;
    expect(code).toBe(1);
    expect(sentence(said)).toContain('studio.sqlite is damaged');
    expect(readFileSync(file, 'utf8')).toMatch(/^not a database/);
  }, 120_000);
  it('a file that is damaged behind its first page: told, and left as it is', async () => {
    const file = join(folder, 'studio.sqlite');
    await (await testStudio({ file, cards: false })).close();
    const bytes = readFileSync(file);
    bytes.fill(0xa5, 8_192, 8_192 + 40_000);
    writeFileSync(file, bytes);
    const { code, said } = await run([], {}).end;
    expect(code).toBe(1);
    expect(sentence(said)).toContain('studio.sqlite is damaged');
    expect(readFileSync(file).equals(bytes)).toBe(true);
  }, 120_000);
  it('a file of a newer version: told, and not changed', async () => {
    const database = await openDatabase(join(folder, 'studio.sqlite'));
    await database.sequelize.query("INSERT INTO migrations VALUES ('9999-from-tomorrow', '2027-01-01')");
    await database.close();
    const before = readFileSync(join(folder, 'studio.sqlite'));
    const { code, said } = await run([], {}).end;
    expect(code).toBe(1);
    expect(sentence(said)).toContain('made by a newer Warm Jar (it knows "9999-from-tomorrow")');
    expect(readFileSync(join(folder, 'studio.sqlite')).equals(before)).toBe(true);
  }, 120_000);
  it('a folder that is a file: told', async () => {
    const path = join(folder, 'file');
    writeFileSync(path, '');
    const { code, said } = await run([], { WARM_JAR_DATA: path }).end;
    expect(code).toBe(1);
    expect(sentence(said)).toContain(`${path} is a file`);
  }, 120_000);
  it('a wrong setting: told by its name', async () => {
    const { code, said } = await run([], { PORT: 'eight' }).end;
    expect(code).toBe(1);
    expect(sentence(said)).toMatch(/^PORT/);
  }, 120_000);

  const starting: Starting = { host: '127.0.0.1', port: 4310, file: '/srv/jar/studio.sqlite', folder: '/srv/jar' };
  it.each([
    ['EACCES', 'may not use port 4310'],
    ['EADDRNOTAVAIL', 'no address 127.0.0.1'],
    ['EROFS', 'can only be read'],
    ['ENOSPC', 'is full'],
    ['SQLITE_FULL', 'is full'],
    ['SQLITE_READONLY', 'can only be read'],
    ['SQLITE_BUSY', 'Another program holds'],
    ['SQLITE_CANTOPEN', 'cannot be opened'],
    ['SQLITE_CORRUPT', 'is damaged'],
    ['SQLITE_NOTADB', 'is damaged'],
  ])('%s is put into one sentence, wherever in the chain of causes it stands', (code, words) => {
    const error = new Error('outer', { cause: Object.assign(new Error('inner'), { code }) });
    expect(startProblem(error, starting)).toContain(words);
    expect(startProblem(Object.assign(new Error(), { parent: { code } }), starting)).toContain(words);
  });
  it('what the system says beside its name for it is told too', () => {
    const error = (more: object) => Object.assign(new Error(), more);
    expect(startProblem(error({ code: 'EADDRINUSE', port: 4311 }), starting)).toContain('Set WARM_JAR_TRUST_PORT');
    expect(startProblem(error({ code: 'ENOENT', path: '/srv/cert.pem' }), starting)).toContain('no file /srv/cert.pem');
    expect(startProblem(error({ code: 'ERR_OSSL_PEM_NO_START_LINE' }), starting)).toContain('files of PEM');
  });
  it('too little room is told in MB; what nobody foresaw is not guessed at', () => {
    expect(startProblem(new NoRoom('/srv/jar', 7_400_000), starting)).toContain('Only 7 MB are left');
    expect(startProblem(new Error('what is this'), starting)).toBeNull();
  });
});

describe('before the schema changes', () => {
  it('a copy is made of what was, once, and the oldest of many is cleared away', async () => {
    const file = join(folder, 'studio.sqlite');
    // As an older version left it: its last steps are not made yet.
    const old = await openDatabase(file, { migrate: false });
    await migratorFor(old.sequelize).up({ to: '0004-checks' });
    await old.close();
    mkdirSync(join(folder, 'before-update'));
    for (let i = 0; i < 6; i += 1) writeFileSync(join(folder, 'before-update', `2020-0${i + 1}-at-x.sqlite`), '');

    const opened = await testStudio({ file, cards: false });
    expect((await opened.batches.list(batchListQuerySchema.parse({}))).total).toBe(0);
    await opened.close();
    const copies = readdirSync(join(folder, 'before-update')).sort();
    expect(copies).toHaveLength(5);
    expect(copies.at(-1)).toMatch(/-at-0004-checks\.sqlite$/);
    const copy = await openDatabase(join(folder, 'before-update', copies.at(-1)!), { migrate: false });
    const [steps] = await copy.sequelize.query('SELECT name FROM migrations');
    expect(steps).toHaveLength(4);
    await copy.close();
    await (await testStudio({ file, cards: false })).close();
    expect(readdirSync(join(folder, 'before-update'))).toHaveLength(5);
  });
});

describe('the guard', () => {
  it('tells what nobody handled and goes on; one that fails without end is ended', () => {
    let [now, ended] = [0, 0];
    const told: unknown[] = [];
    const unforeseen = guard(
      (e) => told.push(e),
      () => {
        ended += 1;
      },
      () => now,
    );
    for (let i = 0; i < 40; i += 1) {
      now += 10_000;
      unforeseen(i);
    }
    expect([told.length, ended]).toEqual([40, 0]);
    for (let i = 0; i < 20; i += 1) unforeseen(i);
    expect(ended).toBeGreaterThan(0);
  });
});
