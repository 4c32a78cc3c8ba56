import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from '../testStudio';
import { viewLinks } from './viewLinks';

const VIEWS = [
  { pattern: '^\\/batches\\/new\\/?$', scripts: ['assets/new.js'], styles: [] },
  {
    pattern: '^\\/batches\\/([^/]+?)\\/?$',
    scripts: ['assets/batch.js', 'assets/sums.js'],
    styles: ['assets/batch.css'],
  },
];
let studio: TestStudio;
let web = '';
beforeAll(async () => {
  web = mkdtempSync(join(tmpdir(), 'warm-jar-links-'));
  mkdirSync(join(web, '.vite'));
  writeFileSync(join(web, '.vite/views.json'), JSON.stringify(VIEWS));
  writeFileSync(join(web, 'index.html'), '<html><head><title>Warm Jar</title></head><body></body></html>');
  studio = await testStudio({ cards: false, webRoot: web });
});
afterAll(async () => {
  await studio.remove();
  rmSync(web, { recursive: true, force: true });
});
const files = (links: string) => [...links.matchAll(/href="([^"]+)"/g)].map(([, file]) => file);

describe('what a page tells a browser at once', () => {
  it('is what the view at its address needs, the first that fits, and who is there', () => {
    const links = viewLinks(web, '/api/v1');
    expect(files(links('/batches/new', 'n'))).toEqual(['/assets/new.js', '/api/v1/session']);
    expect(files(links('/batches/B-0412', 'n'))).toEqual([
      '/assets/batch.js',
      '/assets/sums.js',
      '/assets/batch.css',
      '/api/v1/session',
    ]);
    expect(links('/batches/B-0412', 'abc')).toContain('href="/assets/batch.js" nonce="abc">');
    expect(files(links('/nowhere/at/all', 'n'))).toEqual(['/api/v1/session']);
  });
  it('is not the session of the studio itself where somebody looks round in another', () => {
    expect(files(viewLinks(web, '/api/v1')('/look-round/batches/new', 'n'))).toEqual(['/assets/new.js']);
  });
  it('stands in the head of the page with its nonce, and a strange address breaks nothing', async () => {
    const { text, headers } = await request(studio.app).get('/batches/new?x=1').expect(200);
    const nonce = /nonce="([^"]+)"/.exec(text)![1]!;
    expect(text).toMatch(/assets\/new\.js" nonce="[^"]+">.*<\/head>/);
    expect(headers['content-security-policy']).toContain(`nonce-${nonce}`);
    for (const strange of ['//', '/%ff', '/batches/$&', '/a//b'])
      expect((await request(studio.app).get(strange)).status, strange).toBeLessThan(500);
  });
  it('is nothing where the build wrote nothing down', () => {
    expect(viewLinks(tmpdir(), '/api/v1')('/', 'n')).toBe('');
  });
});
