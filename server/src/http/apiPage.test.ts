import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { z } from 'zod';
import { testStudio } from '../testStudio';
import { apiPage } from './apiPage';
import { endpoint, streamEndpoint, type Endpoint } from './endpoint';

const done = () => Promise.resolve({ status: 204 });
const EXAMPLES: Endpoint[] = [
  endpoint(
    {
      method: 'put',
      path: '/jars/{code}',
      summary: 'Fill <a> jar',
      body: z.object({}),
      versioned: true,
      answers: { 200: { description: 'As filled', schema: z.object({}) } },
    },
    done,
  ),
  streamEndpoint(
    {
      method: 'get',
      path: '/jars/label.png',
      summary: 'Its label',
      answers: { 200: { description: 'A picture', types: ['image/png'] } },
    },
    () => undefined,
  ),
];

describe('the page of the API', () => {
  const page = apiPage(EXAMPLES, '/api/v1', ['warm-jar.product-1'], 'n0nce');
  it('tells each endpoint by its resource, with what it takes and gives', () => {
    expect(page).toContain('<section id="jars">');
    expect(page).toContain('<code>PUT</code> <code>/api/v1/jars/{code}</code>');
    expect(page).toContain('Send JSON. Name the version');
    expect(page).toContain('A picture <small>image/png</small>');
  });
  it('links the documents, and carries the nonce of its answer', () => {
    expect(page).toContain('href="/api/v1/schemas/warm-jar.product-1"');
    expect(page).toContain('<style nonce="n0nce">');
  });
  it('holds no markup of what it tells', () => {
    expect(page).toContain('Fill &lt;a&gt; jar');
    expect(page).not.toContain('<a> jar');
  });
});

describe('the served page', () => {
  let studio: Awaited<ReturnType<typeof testStudio>>;
  beforeAll(async () => {
    studio = await testStudio();
  });
  afterAll(() => studio.close());
  it('has every endpoint, files and streams too', async () => {
    const { text, headers } = await request(studio.app).get('/api/v1/reference').expect(200);
    expect(headers['content-type']).toContain('text/html');
    const endpoints = studio.app.locals['endpoints'] as Endpoint[];
    expect(endpoints.length).toBeGreaterThan(50);
    for (const { spec } of endpoints) {
      const line = `<code>${spec.method.toUpperCase()}</code> <code>/api/v1${spec.path}</code>`;
      expect(text, `${spec.method} ${spec.path}`).toContain(line);
    }
    expect(text).toContain('/api/v1/backup.zip');
  });
});
