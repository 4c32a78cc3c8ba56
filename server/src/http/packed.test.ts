import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fillDemo } from '../demo/fillDemo';
import { testStudio, type TestStudio } from '../testStudio';

const SCRIPT = 'export const jar = 1;\n'.repeat(200);
let studio: TestStudio;
let web = '';
const api = () => request(studio.app);
beforeAll(async () => {
  web = mkdtempSync(join(tmpdir(), 'warm-jar-web-'));
  mkdirSync(join(web, 'assets'));
  writeFileSync(join(web, 'index.html'), `<title>Warm Jar</title><p nonce="__CSP_NONCE__">${'jar '.repeat(600)}</p>`);
  writeFileSync(join(web, 'assets/a.js'), SCRIPT);
  writeFileSync(join(web, 'jar.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');
  writeFileSync(join(web, 'sw.js'), '');
  writeFileSync(join(web, 'assets/a.js.br'), brotliCompressSync(SCRIPT));
  writeFileSync(join(web, 'assets/a.js.gz'), gzipSync(SCRIPT));
  studio = await testStudio({ cards: false, webRoot: web });
  await fillDemo(studio, new Date('2026-11-24T14:30:00Z'));
}, 60_000);
afterAll(async () => {
  await studio.remove();
  rmSync(web, { recursive: true, force: true });
});

describe('what is sent', () => {
  it('is kept by a browser for a day where it is its mark, and asked for again where it is what keeps the rest', async () => {
    expect((await api().get('/jar.svg').expect(200)).headers['cache-control']).toBe('public, max-age=86400');
    expect((await api().get('/sw.js').expect(200)).headers['cache-control']).toBe('public, max-age=0');
  });
  it.each([
    ['br, gzip', 'br'],
    ['gzip', 'gzip'],
    ['identity', undefined],
  ])('is a built file as it was packed, where the browser takes %s', async (takes, encoding) => {
    const { headers } = await api().get('/assets/a.js').set('Accept-Encoding', takes).expect(200);
    expect(headers['content-encoding']).toBe(encoding);
    expect(headers['cache-control']).toContain('immutable');
    expect(String(headers['content-type'])).toContain('javascript');
    expect(Number(headers['content-length']) < SCRIPT.length / 4).toBe(encoding !== undefined);
  });
  it('is a long answer packed on the way, page and list alike, and a short one as it is', async () => {
    const long = await api().get('/api/v1/batches').set('Accept-Encoding', 'br').expect(200);
    expect(long.headers['content-encoding']).toBe('br');
    const page = await api().get('/batches').set('Accept-Encoding', 'gzip').expect(200);
    expect(page.headers['content-encoding']).toBe('gzip');
    expect(page.text).not.toContain('__CSP_NONCE__');
    const short = await api().get('/api/v1/health').set('Accept-Encoding', 'br').expect(200);
    expect(short.headers['content-encoding']).toBeUndefined();
  });
  it('is never a stream that waits to be packed', async () => {
    const told = await api().get('/api/v1/learning?what=chart').set('Accept-Encoding', 'br').expect(200);
    expect(told.headers['content-type']).toContain('x-ndjson');
    expect(told.headers['content-encoding']).toBeUndefined();
  });
});
