import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testStudio } from '../testStudio';
import type { Endpoint } from './endpoint';
import { openApiOf } from './openapi';

interface Operation {
  readonly summary: string;
  readonly parameters?: { name: string; in: string; required: boolean }[];
  readonly requestBody?: { content: Record<string, unknown> };
  readonly responses: Record<string, { description: string; content?: Record<string, unknown> }>;
}
let studio: Awaited<ReturnType<typeof testStudio>>;
let endpoints: Endpoint[];
let paths: Record<string, Record<string, Operation>>;
beforeAll(async () => {
  studio = await testStudio();
  endpoints = studio.app.locals['endpoints'] as Endpoint[];
  paths = openApiOf(endpoints, '/api/v1')['paths'] as typeof paths;
});
afterAll(() => studio.close());
const operation = (method: string, path: string) => paths[`/api/v1${path}`]![method]!;

describe('the description of the API', () => {
  it('has every endpoint, each with a summary and an answer', () => {
    expect(endpoints.length).toBeGreaterThan(60);
    for (const { spec } of endpoints) {
      const found = operation(spec.method, spec.path);
      expect(found.summary.length, spec.path).toBeGreaterThan(5);
      expect(Object.keys(found.responses).length, spec.path).toBeGreaterThan(1);
    }
  });
  it('names no endpoint twice', () => {
    const names = endpoints.map(({ spec }) => `${spec.method} ${spec.path}`);
    expect(new Set(names).size).toBe(names.length);
  });
  it('tells what each sends: a document by its schema, a file by its kind, or nothing', () => {
    for (const { spec } of endpoints) {
      for (const [status, { schema, types }] of Object.entries(spec.answers)) {
        const told = schema !== undefined || types !== undefined || status === '204';
        expect(told, `${spec.method} ${spec.path} ${status}`).toBe(true);
      }
    }
  });
  it('names every part of a path as a parameter', () => {
    for (const { spec } of endpoints) {
      const named = (operation(spec.method, spec.path).parameters ?? []).filter((p) => p.in === 'path');
      const asked = [...spec.path.matchAll(/\{(\w+)\}/g)].map((m) => m[1]!);
      expect(named.map((p) => p.name).sort(), spec.path).toEqual(asked.sort());
      expect(named.every((p) => p.required)).toBe(true);
    }
  });
  it.each([
    ['post', '/photos', 'image/jpeg'],
    ['post', '/backup/check', 'application/zip'],
    ['post', '/batches', 'application/json'],
  ])('%s %s takes %s', (method, path, type) => {
    expect(Object.keys(operation(method, path).requestBody!.content)).toContain(type);
  });
  it.each([
    ['/events', 'text/event-stream'],
    ['/agenda.ics', 'text/calendar'],
    ['/learning', 'application/x-ndjson'],
    ['/backup.zip', 'application/zip'],
    ['/export/batches.{type}', 'text/csv'],
    ['/photos/{id}', 'image/png'],
    ['/reference', 'text/html'],
    ['/batches/{code}', 'application/json'],
  ])('%s gives %s', (path, type) => {
    expect(Object.keys(operation('get', path).responses['200']!.content!)).toContain(type);
  });
  it('asks for the version where one is needed, and nowhere else', () => {
    for (const { spec } of endpoints) {
      const headers = (operation(spec.method, spec.path).parameters ?? []).filter((p) => p.in === 'header');
      expect(headers.length, spec.path).toBe(spec.versioned ? 1 : 0);
    }
  });
});
