import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application';
import { CAME_TO, benchRun } from './benchRun';
import { Bench } from './browser';
import { inBrowser } from './inBrowser';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const { application, bench } = await inBrowser({ demo: true });
const { at } = benchRun(application);

const VIEWS = [
  ['Today', '/', '.bench'],
  ['A plan, empty', '/plan', '#plan-productSlug'],
  ['A plan', '/plan?product=house-clear-6&mould=M-08', '[data-test="mould"]'],
  ['A plan, air', '/plan?product=house-clear-6&mould=M-08&look=air', '[data-route="pressure"]'],
  ['A plan, warm or not', '/plan?product=house-coat-9&mould=M-30&look=warm', '[data-test="warm"]'],
  ['A plan, which product', '/plan?product=house-clear-6&mould=M-08&look=which', '[data-fit]'],
  ['Bench, pouring', '/batches/B-0419/bench', '[data-test="pour"]'],
  ['Bench, mixing', '/batches/B-0420/bench', '[data-test="step"]'],
  ['Bench, under pressure', '/batches/B-0418/bench', '[data-test="hold"]'],
  ['Bench, watching', '/batches/B-0417/bench', '[data-test="watch"]'],
  ['Wall board', '/board', '.board'],
  ['Bench sheet', '/batches/B-0399/sheet', '.sheet'],
  ['Log a batch, empty', '/batches/new', '#product'],
  ['Log', '/batches', 'tbody tr'],
  ['Batch', '/batches/B-0399', '.strip'],
  ['Batch in work', '/batches/B-0419', '.strip'],
  ['Change a batch', '/batches/B-0399/edit', '[data-path="room.temperatureC"] input'],
  ['Check', '/batches/B-0415/check', '.tile'],
  ['Diagnosis', '/batches/B-0399/diagnosis', '.cause'],
  ['Diagnosis with mends before', '/batches/B-0389/diagnosis', '[data-ask]'],
  ['A mend', '/batches/B-0389/mend', '[data-test="chain"]'],
  ['Batch with hardness', '/batches/B-0394', '[data-test="hardness"]'],
  ['Diagnosis of nothing', '/batches/B-0393/diagnosis', '[data-test="summary"]'],
  ['Products', '/products', '.groups'],
  ['A product', '/products/house-noon', '.groups'],
  ['A card to change', '/products/house-clear-6/edit', '.cell'],
  ['A new card', '/products/new', '.cell'],
  ['Revisions', '/products/house-clear-6/compare', 'table'],
  ['Bringing in cards', '/products/import', 'main h1'],
  ['Lots', '/lots', '.panel'],
  ['Moulds', '/moulds/M-12', '.outline'],
  ['Inclusions', '/inclusions/I-02', '.chart'],
  ['Additives', '/additives', '.panel'],
  ['Gear', '/gear/G-04', '.caution'],
  ['A new lot', '/lots/new', '.cell'],
  ['Log with every filter', '/batches?mould=M-12&fact=pressing:late', '[data-along]'],
  ['Bringing in batches', '/batches/import', 'main h1'],
  ['Patterns', '/patterns', '[data-finding]'],
  ['Trials', '/trials', '[data-series]'],
  ['Side by side', '/compare?codes=B-0399,B-0414,B-0418', '[data-test="compare"]'],
  ['Own figures', '/figures', '[data-test="yields"]'],
  ['A month', '/month/2027-02', 'table'],
  ['Pieces', '/pieces', '.list li'],
  ['A piece', '/pieces/P-04', '[data-layer="2"]'],
  ['Backup', '/backup', '#backup-folder'],
  ['Units', '/units', '.line'],
  ['People and devices', '/people', '[data-person]'],
  ['Signing in', '/sign-in', '#secret'],
  ['Pairing', '/pair', '#pairing'],
  ['An address that is nothing', '/nowhere', 'main h1'],
] as const;

/** What a studio that has nothing yet shows of its places. */
const EMPTY_VIEWS = [
  ['Today', '/'],
  ['A plan', '/plan'],
  ['Wall board', '/board'],
  ['Log a batch', '/batches/new'],
  ['Log', '/batches'],
  ['Products', '/products'],
  ['Lots', '/lots'],
  ['Moulds', '/moulds'],
  ['Inclusions', '/inclusions'],
  ['Additives', '/additives'],
  ['Gear', '/gear'],
  ['Patterns', '/patterns'],
  ['Trials', '/trials'],
  ['Own figures', '/figures'],
  ['Pieces', '/pieces'],
  ['Backup', '/backup'],
  ['People and devices', '/people'],
] as const;

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
