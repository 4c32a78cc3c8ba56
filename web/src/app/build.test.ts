import { describe, expect, it } from 'vitest';
import { firstPage, inOrder, smallOnes } from '../../build';

/** A page, two views, and a core whose list they take names from: who imports what, and what each exports. */
const MODULES: Readonly<Record<string, { imports?: string[]; exports?: string[]; code?: string }>> = {
  '/w/src/main.ts': {
    imports: ['/w/core/src/index.ts', '/w/src/App.vue'],
    code: "import { sum as add } from '@warm-jar/core';",
  },
  '/w/src/App.vue': {},
  '/v/PlanView.vue': { imports: ['/w/core/src/index.ts'], code: "import { mass, heat, many } from '@warm-jar/core';" },
  '/v/BenchView.vue': { imports: ['/w/core/src/index.ts'], code: 'import { mass, heat, many } from "@warm-jar/core";' },
  '/v/LogView.vue': { imports: ['/w/core/src/index.ts'], code: "import { mass } from '@warm-jar/core';" },
  '/w/core/src/index.ts': {
    imports: ['sum', 'mass', 'heat', 'many', 'unused'].map((name) => `/w/core/src/${name}.ts`),
  },
  '/w/core/src/sum.ts': { exports: ['sum'], imports: ['/w/core/src/round.ts'] },
  '/w/core/src/round.ts': { exports: ['round'] },
  '/w/core/src/mass.ts': { exports: ['mass'], code: 'x' },
  '/w/core/src/heat.ts': { exports: ['heat'], code: 'x' },
  '/w/core/src/many.ts': { exports: ['many'], imports: ['/w/core/src/large.ts'], code: 'x' },
  '/w/core/src/large.ts': { exports: ['large'], code: 'x'.repeat(1_000) },
  '/w/core/src/unused.ts': { exports: ['unused'], code: 'x' },
};
const modules = {
  getModuleInfo: (id: string) => {
    const { imports = [], exports = [], code = '' } = MODULES[id] ?? {};
    return { importedIds: imports, exports, code };
  },
};
const sorted = (sort: (id: string, from: typeof modules) => string | null) =>
  Object.keys(MODULES).filter((id) => sort(id, modules) !== null);

describe('what the first page needs', () => {
  it('is found through the list of the core to the sums that it names, and no others', () => {
    expect(sorted(firstPage('first', ['/w/src/main.ts']))).toEqual([
      '/w/src/main.ts',
      '/w/src/App.vue',
      '/w/core/src/sum.ts',
      '/w/core/src/round.ts',
    ]);
  });
});

describe('small things that several views need', () => {
  const VIEWS = ['/v/PlanView.vue', '/v/BenchView.vue', '/v/LogView.vue'];
  const small = (most: number, test = /core[\\/]src/) =>
    sorted(smallOnes('small', VIEWS, { test, most, notOf: /Log/ }));

  it('come together, but what a view of another kind needs too, what one view needs, and what brings much along', () => {
    expect(small(500)).toEqual(['/w/core/src/heat.ts']);
    expect(small(5_000)).toEqual(['/w/core/src/heat.ts', '/w/core/src/many.ts', '/w/core/src/large.ts']);
  });
  it('are nothing that stands on something of another kind', () => {
    expect(small(5_000, /core[\\/]src[\\/](?!large)/)).toEqual(['/w/core/src/heat.ts']);
  });
});

describe('the page that is built', () => {
  const PAGE = `<head>
    <meta charset="UTF-8" />
    <title>Warm Jar</title>
    <script type="module" crossorigin src="/assets/index.js"></script>
    <link rel="modulepreload" crossorigin href="/assets/vue.js">
    <link rel="stylesheet" crossorigin href="/assets/first.css">
  </head>`;
  const { transformIndexHtml } = inOrder();
  const { handler } = transformIndexHtml as unknown as {
    handler: (html: string) => { html: string; tags: { attrs: Record<string, unknown> }[] };
  };
  it('asks for its styles first, once, and begins each file that it stands on by itself', () => {
    const { html, tags } = handler(PAGE);
    expect(html.indexOf('first.css')).toBeLessThan(html.indexOf('<title>'));
    expect(html.match(/first\.css/g)).toHaveLength(1);
    expect(html).toContain('src="/assets/index.js"');
    expect(tags.map((t) => [t.attrs['src'], t.attrs['async']])).toEqual([['/assets/vue.js', true]]);
  });
});
