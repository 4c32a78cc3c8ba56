// @vitest-environment happy-dom
import { TERMS, termOf } from '@warm-jar/core';
import { readFileSync } from 'node:fs';
import { afterEach, describe, expect, it } from 'vitest';
import { ApiProblem } from '../api/http';
import { helpOfMessage } from '../api/problemCodes';
import { closeScreens, noWorkers, screen } from '../testing/screen';
import { pretendStudio } from '../testing/pretendedStudio';
import { PLACES, SHELL_KEYS, keysOf } from './places';

afterEach(closeScreens);
/** Places without help of their own: seen before signing in, on a wall, or the help itself. */
const WITHOUT = ['sign-in', 'pair', 'board', 'missing', 'at', 'help', 'start-page'];

describe('the help of each place', () => {
  it.each(PLACES.filter((p) => !WITHOUT.includes(p.name)).map((p) => [p.name, p.words ?? []] as const))(
    '%s explains its words, all of them in the catalogue',
    (_, words) => {
      expect(words.length).toBeGreaterThan(0);
      expect(words.filter((id) => termOf(id) === undefined)).toEqual([]);
    },
  );
  it('leaves no word of the catalogue without a page or a field', () => {
    const used = new Set(PLACES.flatMap((p) => p.words ?? []));
    expect(TERMS.filter((t) => !used.has(t.id) && !t.fields?.length).map((t) => t.id)).toEqual([]);
  });
  it('lists the keys of the page first, and the same that work everywhere', () => {
    const { here, everywhere } = keysOf('check');
    expect(here.map((k) => k.key)).toEqual(['y', 'Ctrl Enter']);
    expect(everywhere).toEqual([...PLACES.flatMap((p) => (p.key ? [p.key] : [])), ...SHELL_KEYS]);
    expect(keysOf('nowhere').here).toEqual([]);
  });
  it('the guide for technicians names no key that there is not', () => {
    const guide = readFileSync('docs/technicians.md', 'utf8');
    const named = [...guide.matchAll(/`([a-z?/,])`/g)].map((m) => m[1]!);
    const keys = new Set(
      [...PLACES.flatMap((p) => [p.key, ...(p.keys ?? [])]), ...SHELL_KEYS].flatMap(
        (k) => k?.key.split(/ \/ | /) ?? [],
      ),
    );
    expect(named.length).toBeGreaterThan(3);
    expect(named.filter((key) => !keys.has(key))).toEqual([]);
  });
  it('a page of all words finds them, and an error by its code', async () => {
    noWorkers();
    pretendStudio([], () => undefined);
    const page = await screen('help', { term: 'error-unreachable' });
    expect(page.root.querySelectorAll('[data-term]')).toHaveLength(TERMS.length);
    expect(page.root.querySelector('[data-error="unreachable"]')?.className).toContain('asked');
  });
});

describe('an error', () => {
  it('leads to what it means, by the code it came with', () => {
    const problem = new ApiProblem('version-conflict', 'Batch B-1 was changed meanwhile.', 409);
    expect(helpOfMessage(problem.message)).toBe('error-version-conflict');
  });
  it('that says all itself leads nowhere', () => {
    const problem = new ApiProblem('odd', 'Something odd.', 400);
    expect(helpOfMessage(problem.message)).toBeNull();
    expect(helpOfMessage('never heard')).toBeNull();
  });
});
