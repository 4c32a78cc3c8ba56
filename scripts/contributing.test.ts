import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = new URL('../', import.meta.url).pathname;
const text = readFileSync(join(ROOT, 'CONTRIBUTING.md'), 'utf8');
const named = [...text.matchAll(/`((?:core|server|web|e2e)\/[\w./-]+)`/g)].map((m) => m[1]!);

describe('the guide to the code', () => {
  it('names files and folders that are there', () => {
    expect(named.length).toBeGreaterThan(15);
    expect(named.filter((path) => !existsSync(join(ROOT, path)))).toEqual([]);
  });
  it('says how to add each of the five things', () => {
    for (const what of ['a cause', 'a field of a batch', 'an endpoint', 'a screen', 'a device'])
      expect(text).toContain(`### … ${what}`);
  });
  it('names tests that are there', () => {
    const tests = [...text.matchAll(/`(\w+\.test\.ts)`/g)].map((m) => m[1]!);
    const all = ['core', 'server', 'web'].flatMap((room) =>
      readdirSync(join(ROOT, room, 'src'), { recursive: true, encoding: 'utf8' }),
    );
    expect(tests.filter((name) => !all.some((path) => path.endsWith(name)))).toEqual([]);
  });
});
