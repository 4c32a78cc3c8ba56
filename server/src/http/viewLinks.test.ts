import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio, type TestStudio } from '../testStudio';
import { viewLinks } from './viewLinks';

const VIEWS = [
  {
    pattern: '^\\/batches\\/new\\/?$',
    scripts: ['assets/new.js'],
    styles: [],
    asks: ['/products', '/backup/schedule'],
    bar: false,
  },
  {
    pattern: '^\\/batches\\/([^/]+?)\\/?$',
    scripts: ['assets/batch.js', 'assets/sums.js'],
    styles: ['assets/batch.css'],
    asks: ['/products', '/batches/$1', '/checks/due?days=1'],
    bar: true,
  },
];
const anything = () => Promise.resolve(true);
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
  const linksOf = (address: string, mayAsk: (path: string) => Promise<boolean> = anything, nonce = 'n') =>
    viewLinks(web, '/api/v1')(address, nonce, mayAsk);

  it('is what the view at its address needs and asks for, the first that fits, and who is there', async () => {
    expect(files(await linksOf('/batches/new'))).toEqual([
      '/assets/new.js',
      '/api/v1/session',
      '/api/v1/products',
      '/api/v1/backup/schedule',
    ]);
    expect(files(await linksOf('/batches/B-0412'))).toEqual([
      '/assets/batch.js',
      '/assets/sums.js',
      '/assets/batch.css',
      '/api/v1/session',
      '/api/v1/products',
      '/api/v1/batches/B-0412',
      '/api/v1/checks/due?days=1',
    ]);
    expect(await linksOf('/batches/B-0412', anything, 'abc')).toContain('href="/assets/batch.js" nonce="abc">');
    expect(files(await linksOf('/nowhere/at/all'))).toEqual(['/api/v1/session']);
  });
  it('is nothing that the view might ask in another way where its own address asks something', async () => {
    const told = files(await linksOf('/batches/B-0412?x=1'));
    expect(told).toContain('/api/v1/batches/B-0412');
    expect(told).not.toContain('/api/v1/checks/due?days=1');
  });
  it('is nothing that would be refused, and nothing but who is there where nobody signed in', async () => {
    const leadOnly = (path: string) => Promise.resolve(!path.startsWith('/backup'));
    expect(files(await linksOf('/batches/new', leadOnly))).not.toContain('/api/v1/backup/schedule');
    expect(files(await linksOf('/batches/new', leadOnly))).toContain('/api/v1/products');
    expect(files(await linksOf('/batches/new', () => Promise.resolve(false)))).toEqual([
      '/assets/new.js',
      '/api/v1/session',
    ]);
  });
  it('draws no bar for the time until the page is there where none comes', async () => {
    expect(await linksOf('/batches/new', anything, 'abc')).toContain(
      '<style nonce="abc">#opening{display:none}</style>',
    );
    expect(await linksOf('/batches/B-0412')).not.toContain('#opening');
  });
  it('takes no address for more than an address', async () => {
    const told = await linksOf('/batches/%22%3E%3Cscript%3E');
    expect(told).not.toContain('<script');
    expect(told).toContain('/api/v1/batches/%22%3E%3Cscript%3E"');
    expect(await linksOf('/batches/%ff')).toContain('/api/v1/batches/%25ff"');
    expect(await linksOf('/batches/a"b')).not.toContain('a"b');
  });
  it('is not the session of the studio itself where somebody looks round in another', async () => {
    expect(files(await linksOf('/look-round/batches/new'))).toEqual(['/assets/new.js']);
  });
  it('stands in the head of the page with its nonce, and a strange address breaks nothing', async () => {
    const { text, headers } = await request(studio.app).get('/batches/new?x=1').expect(200);
    const nonce = /nonce="([^"]+)"/.exec(text)![1]!;
    expect(text).toMatch(/assets\/new\.js" nonce="[^"]+">.*<\/head>/);
    expect(headers['content-security-policy']).toContain(`nonce-${nonce}`);
    for (const strange of ['//', '/%ff', '/batches/$&', '/a//b'])
      expect((await request(studio.app).get(strange)).status, strange).toBeLessThan(500);
  });
  it('is on a network what whoever signed in may read, and nothing but who is there before', async () => {
    const shared = await testStudio({ cards: false, webRoot: web, access: { mode: 'people' } });
    try {
      for (const [code, role] of [
        ['KO', 'lead'],
        ['MT', 'technician'],
      ] as const)
        await shared.people.addPerson({ code, role, name: null, secret: `${code} amber 7` });
      const toldTo = async (cookie: string) => {
        const { text } = await request(shared.app).get('/batches/new').set('Cookie', cookie).expect(200);
        return files(text).filter((file) => file?.startsWith('/api/'));
      };
      const signIn = async (person: string) => {
        const answer = await request(shared.app)
          .post('/api/v1/session')
          .send({ person, secret: `${person} amber 7` })
          .expect(204);
        return answer.headers['set-cookie']![0]!.split(';')[0]!;
      };
      expect(await toldTo('')).toEqual(['/api/v1/session']);
      expect(await toldTo('warm-jar-session=nobodys')).toEqual(['/api/v1/session']);
      expect(await toldTo(await signIn('MT'))).toEqual(['/api/v1/session', '/api/v1/products']);
      expect(await toldTo(await signIn('KO'))).toEqual([
        '/api/v1/session',
        '/api/v1/products',
        '/api/v1/backup/schedule',
      ]);
      expect(shared.failures).toEqual([]);
    } finally {
      await shared.remove();
    }
  });
  it('is nothing where the build wrote nothing down', async () => {
    expect(await viewLinks(tmpdir(), '/api/v1')('/', 'n', anything)).toBe('');
  });
});
