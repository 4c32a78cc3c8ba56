import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application';
import { CAME_TO, benchRun } from './benchRun';
import { Bench } from './browser';
import { EMPTY_VIEWS, VIEWS } from './everyView';
import { inBrowser } from './inBrowser';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const { application, bench } = await inBrowser({ demo: true });
const { at } = benchRun(application);

interface Finding {
  readonly id: string;
  readonly impact: string;
  readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary: string }[];
}

/** Buttons and labels of choices that a gloved finger would miss. */
const SMALL = `return [...document.querySelectorAll(
  'main button, main .do, main .tile, main summary, main .checks label, nav[aria-label=Studio] a',
)].filter((e) => e.getBoundingClientRect().height > 0 && e.getBoundingClientRect().height < 47.5)
  .map((e) => e.outerHTML.slice(0, 120))`;

/** A view without a word in the console, within its width, and without what axe calls serious. */
async function stands(page: Bench, path: string, ready: string): Promise<void> {
  await page.complaints();
  await page.go(path);
  await page.see(ready);
  expect(await page.complaints()).toEqual([]);
  const overflow = await page.driver.executeScript<number>(
    'return document.documentElement.scrollWidth - window.innerWidth',
  );
  expect(overflow).toBeLessThanOrEqual(0);
  await page.driver.executeScript(axe);
  const findings = await page.driver.executeAsyncScript<Finding[]>(
    'const done = arguments[0]; axe.run(document, { resultTypes: ["violations"] }).then((r) => done(r.violations), (e) => done([{ id: String(e), impact: "serious", nodes: [] }]));',
  );
  const serious = findings.filter((f) => f.impact === 'serious' || f.impact === 'critical');
  expect(
    serious.map((f) => `${f.id}: ${f.nodes.map((n) => `${n.target.join(' ')} ${n.failureSummary}`).join(' | ')}`),
  ).toEqual([]);
}

describe.each([
  ['1280×800', 1280, 800],
  ['tablet', 820, 1180],
] as const)('every view at %s', (_size, width, height) => {
  beforeAll(() => bench.resize({ width, height }));

  it.each(VIEWS)('%s stands in a clean console, fits its width, and passes axe', async (_name, path, ready) => {
    await stands(bench, path, ready);
  });
});

describe('every place of a studio that has nothing yet', () => {
  let empty: Application;
  let page: Bench;
  beforeAll(async () => {
    empty = await startApplication({ demo: false });
    page = await Bench.open(empty.address);
  });
  afterAll(async () => {
    await page.close();
    await empty.stop();
  });
  it.each(EMPTY_VIEWS)('%s says so, in a clean console, and passes axe', async (_name, path) => {
    await stands(page, path, path === '/board' ? '.board' : 'main h1, main h2, main form');
  });
});

describe('every step of the bench', () => {
  it.each(Object.keys(CAME_TO) as (keyof typeof CAME_TO)[])(
    '%s fits its width, passes axe, and has nothing below 48 px to be tapped',
    async (stage) => {
      await bench.resize({ width: 1280, height: 800 });
      const code = await at(stage, 2);
      await stands(bench, `/batches/${code}/bench`, '[data-test="step"]');
      expect(await bench.driver.executeScript<string[]>(SMALL)).toEqual([]);
    },
  );
});

describe('what is there to be tapped', () => {
  it('is at least 48 px high on the views used with gloves', async () => {
    await bench.resize({ width: 1280, height: 800 });
    for (const path of ['/', '/batches/B-0415/check', '/batches/B-0419/bench']) {
      await bench.go(path);
      await bench.see('main button, main .do');
      expect(await bench.driver.executeScript<string[]>(SMALL)).toEqual([]);
    }
  });
});
