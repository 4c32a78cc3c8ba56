import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { BUDGET, filesOf, sizeProblems } from './sizes.mjs';

const TODAY = 'src/views/today/TodayView.vue';
let root = '';
beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), 'warm-jar-sizes-'));
  mkdirSync(join(root, 'web/dist/.vite'), { recursive: true });
});
afterEach(() => {
  rmSync(root, { recursive: true, force: true });
});

/** A built application of some sizes, packed, bytes. */
function built({ first = 1_000, other = 1_000, font = 1_000, views = 20 } = {}): void {
  const file = (name: string, bytes: number) => writeFileSync(join(root, 'web/dist', name), 'x'.repeat(bytes));
  file('entry.js.br', first);
  file('entry.js', 10 * first);
  file('view.js', other);
  file('later.js', 999_999);
  file('text.woff2', font);
  const view = { file: 'view.js', imports: ['index.html'], dynamicImports: ['later'] };
  const names = Array.from({ length: views }, (_, i) => [`src/views/v/V${i}View.vue`, view]);
  writeFileSync(
    join(root, 'web/dist/.vite/manifest.json'),
    JSON.stringify({
      'index.html': { file: 'entry.js' },
      later: { file: 'later.js' },
      [TODAY]: { file: 'entry.js', imports: ['index.html'] },
      ...Object.fromEntries(names),
    }),
  );
  writeFileSync(join(root, 'web/dist/index.html'), '<link rel="preload" as="font" href="/text.woff2">');
}
const problems = () => sizeProblems(root, () => undefined);

describe('what a page sends before it shows', () => {
  it('is all that its entries import at once, each file once, and nothing that comes later', () => {
    const manifest = {
      a: { file: 'a.js', imports: ['b'], css: ['a.css'], dynamicImports: ['d'] },
      b: { file: 'b.js', imports: ['a'] },
      d: { file: 'd.js' },
    };
    expect(filesOf(manifest, ['a', 'b', 'nowhere']).sort()).toEqual(['a.css', 'a.js', 'b.js']);
  });
  it('is counted as it is sent: packed where it is', () => {
    built({ first: BUDGET.first });
    expect(problems()).toEqual([]);
  });
  it.each([
    ['first view', { first: BUDGET.first + 1 }, 'first view sends'],
    ['view', { other: BUDGET.view }, 'V0View.vue sends'],
    ['fonts', { font: BUDGET.fonts + 1 }, 'first fonts are'],
    ['views that are not there', { views: 3 }, 'not found'],
  ])('is refused where it is too much: %s', (_what, sizes, says) => {
    built(sizes);
    expect(problems().join('\n')).toContain(says);
  });
});
