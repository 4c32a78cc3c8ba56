import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { get as getSecure } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { accessStore } from '../access/accessStore';
import { readConfig } from '../config';
import { start, type Running } from '../start/start';
import { NobodySetUp, startProblem } from '../start/startProblem';
import { openDatabase } from '../store/database';
import { fingerprintOf, ownTls } from './ownAuthority';

let folder = '';
let running: Running | null = null;
const failures: unknown[] = [];
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-tls-'));
});
afterEach(async () => {
  await running?.stop();
  running = null;
  rmSync(folder, { recursive: true, force: true });
  expect(failures.splice(0)).toEqual([]);
});

describe('the certificate of the studio’s own authority', () => {
  const now = new Date('2026-11-27T10:00:00Z');
  const hosts = ['jar.local', 'localhost', '192.0.2.10', '127.0.0.1'];
  it('is signed by the authority, names every host and address, and lasts no longer than browsers take', async () => {
    const { cert, authority } = await ownTls(folder, hosts, now);
    const [own, signer] = [new X509Certificate(cert), new X509Certificate(authority)];
    expect(own.verify(signer.publicKey)).toBe(true);
    expect(own.checkHost('jar.local')).toBe('jar.local');
    expect(own.checkIP('192.0.2.10')).toBe('192.0.2.10');
    expect(own.checkIP('192.0.2.11')).toBeUndefined();
    expect([own.ca, signer.ca]).toEqual([false, true]);
    expect((Date.parse(own.validTo) - Date.parse(own.validFrom)) / 86_400_000).toBeLessThanOrEqual(398);
    expect(fingerprintOf(authority).replaceAll(' ', '')).toBe(signer.fingerprint256.replaceAll(':', ''));
    for (const name of ['authority.key', 'server.key'])
      expect(statSync(join(folder, 'tls', name)).mode & 0o077, name).toBe(0);
  });
  it('stays while it is good, and is made anew for another address, or before it runs out; the authority stays', async () => {
    const first = await ownTls(folder, hosts, now);
    expect(await ownTls(folder, hosts, now)).toEqual(first);
    const moved = await ownTls(folder, [...hosts, '192.0.2.99'], now);
    expect(new X509Certificate(moved.cert).checkIP('192.0.2.99')).toBe('192.0.2.99');
    const later = await ownTls(folder, hosts, new Date(now.getTime() + 380 * 86_400_000));
    expect(Date.parse(new X509Certificate(later.cert).validTo)).toBeGreaterThan(
      Date.parse(new X509Certificate(moved.cert).validTo),
    );
    expect([moved.authority, later.authority]).toEqual([first.authority, first.authority]);
  });
});

/** A port that nobody uses, and the one after it. */
async function freePort(): Promise<number> {
  const probe = createServer().listen(0, '127.0.0.1');
  await new Promise((done) => probe.once('listening', done));
  const { port } = probe.address() as AddressInfo;
  await new Promise((done) => probe.close(done));
  return port;
}
const config = (env: Record<string, string>, args: string[] = []) =>
  readConfig({ PORT: '0', HOST: '0.0.0.0', WARM_JAR_DATA: folder, ...env }, args);
const begin = async (env: Record<string, string>, args: string[] = []) => {
  running = await start(config(env, args), (error) => failures.push(error));
  return running;
};
async function setUpLead(): Promise<void> {
  const database = await openDatabase(join(folder, 'studio.sqlite'));
  await accessStore(database).addPerson({ code: 'KO', role: 'lead', name: null, secret: 'amber and oak' });
  await database.close();
}
interface Came {
  readonly status: number;
  readonly headers: Record<string, unknown>;
}
const secureGet = (address: string, ca: string) =>
  new Promise<Came>((done, fail) => {
    getSecure(address, { ca }, (response) => {
      response.resume();
      done({ status: response.statusCode ?? 0, headers: response.headers });
    }).on('error', fail);
  });

describe('a studio on a network', () => {
  it('does not start where nobody is set up, and says what to do', async () => {
    const error: unknown = await begin({}).catch((e: unknown) => e);
    expect(error).toBeInstanceOf(NobodySetUp);
    const { host, port, file } = config({});
    expect(startProblem(error, { host, port, file, folder })).toContain('npm run people -- add KO lead');
    // And leaves the folder to the next.
    expect((await begin({ HOST: '127.0.0.1' })).address).toMatch(/^http:\/\/127\.0\.0\.1:/);
  });
  it('speaks by its own certificate, and hands its authority’s out step by step beside it', async () => {
    await setUpLead();
    const { address, trust } = await begin({});
    const { port } = new URL(address);
    expect(address).toMatch(/^https:/);
    const ca = readFileSync(join(folder, 'tls', 'authority.pem'), 'utf8');
    const refused = await secureGet(`https://localhost:${port}/api/v1/batches`, ca);
    expect(refused.status).toBe(401);
    expect(refused.headers['strict-transport-security']).toMatch(/^max-age=/);
    const { port: trustPort } = new URL(trust!.address);
    const page = await (await fetch(`http://127.0.0.1:${trustPort}/`)).text();
    expect(page).toContain(fingerprintOf(ca));
    expect(trust!.fingerprint).toBe(fingerprintOf(ca));
    expect(page).toContain(`https://127.0.0.1:${port}`);
    const handed = Buffer.from(
      await (await fetch(`http://127.0.0.1:${trustPort}/warm-jar-authority.crt`)).arrayBuffer(),
    );
    expect(handed.equals(new X509Certificate(ca).raw)).toBe(true);
    // Whoever comes by plain HTTP to anything else is sent to the studio, and to no name of their own choosing.
    const sent = (host: string) =>
      fetch(`http://127.0.0.1:${trustPort}/batches`, { redirect: 'manual', headers: { Host: host } });
    expect((await sent('localhost')).headers.get('location')).toMatch(/^https:\/\/[^/]+\/batches$/);
  });
  it('speaks plainly where it was told to, and to everybody where it was told that too', async () => {
    const { address, trust } = await begin({ WARM_JAR_TLS: 'off' }, ['--open']);
    expect(trust).toBeNull();
    const { port } = new URL(address);
    expect((await fetch(`http://127.0.0.1:${port}/api/v1/batches`)).status).toBe(200);
  });
  it('takes a certificate that was given', async () => {
    await setUpLead();
    const given = await ownTls(join(folder, 'given'), ['localhost'], new Date());
    const at = (name: string) => join(folder, 'given', 'tls', name);
    const { address } = await begin({ WARM_JAR_CERT: at('server.pem'), WARM_JAR_KEY: at('server.key') });
    const { port } = new URL(address);
    expect((await secureGet(`https://localhost:${port}/api/v1/health`, given.authority)).status).toBe(200);
  });
  it('asks for sign-in behind a proxy, though it listens on the loopback alone', async () => {
    await setUpLead();
    const port = await freePort();
    const { address } = await begin({
      HOST: '127.0.0.1',
      PORT: String(port),
      WARM_JAR_PROXY: 'loopback',
      WARM_JAR_ADDRESS: 'https://jar.studio.test/',
    });
    expect(address).toBe('https://jar.studio.test');
    expect((await fetch(`http://127.0.0.1:${port}/api/v1/batches`)).status).toBe(401);
  });
});

describe('the settings of access', () => {
  it.each([
    [{}, [], 'local', 'none'],
    [{ HOST: '0.0.0.0' }, [], 'people', 'own'],
    [{ HOST: '192.0.2.10' }, ['--open'], 'open', 'own'],
    [{ HOST: '0.0.0.0', WARM_JAR_TLS: 'off' }, [], 'people', 'none'],
    [{ WARM_JAR_PROXY: '127.0.0.1' }, [], 'people', 'none'],
    [{ HOST: '::1' }, ['--open'], 'local', 'none'],
  ])('%j %j are %s, TLS %s', (env, args, mode, by) => {
    expect(readConfig(env, args)).toMatchObject({ mode, tls: { by } });
  });
  it.each([
    [{ WARM_JAR_CERT: 'a.pem' }, /WARM_JAR_KEY/],
    [{ WARM_JAR_TLS: 'maybe' }, /WARM_JAR_TLS/],
    [{ WARM_JAR_ADDRESS: 'ftp://x' }, /WARM_JAR_ADDRESS/],
  ])('%j is refused by its name', (env, names) => {
    expect(() => readConfig(env as Record<string, string>, [])).toThrow(names);
  });
});
