import { describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { inBrowser } from './inBrowser';

/** The page tells a browser what its view asks for, before the application is there to ask. */
const { application, bench } = await inBrowser({ demo: true });

/** What was asked of the API as the page opened: by the page's own links, and by the application itself. */
async function asksOf(): Promise<{ announced: string[]; asked: string[] }> {
  return bench.driver.executeScript(`
    const of = (entries) => entries.map((e) => e.name.slice(e.name.indexOf('/api/v1'))).sort();
    const api = performance.getEntriesByType('resource').filter((e) => e.name.includes('/api/v1/'));
    return {
      announced: [...document.querySelectorAll('link[rel=preload][as=fetch]')].map((l) => l.getAttribute('href')).sort(),
      asked: of(api.filter((e) => e.initiatorType === 'fetch')),
    };`);
}

describe('what a page announces', () => {
  it.each([
    ['/', ['/work', '/checks/due?days=1', '/calendar']],
    ['/plan', ['/products', '/shelf']],
    ['/batches', ['/batches?page=1&pageSize=25&sort=-startedAt']],
    ['/batches/B-0421', ['/batches/B-0421', '/shelf']],
    ['/batches/B-0421/bench', ['/batches/B-0421', '/shelf']],
    ['/batches/B-0399/diagnosis', ['/batches/B-0399']],
    ['/batches/B-0399/mend', ['/batches/B-0399', '/shelf']],
    ['/patterns', ['/learning?what=patterns', '/learning?what=chart']],
    ['/figures', ['/learning?what=figures']],
    ['/pieces', ['/pieces']],
    ['/trials', ['/trials']],
    ['/moulds/M-08', ['/shelf']],
  ])('at %s is what the application then takes, and asks for no second time', async (path, among) => {
    await bench.driver.get(`${application.address}${path}`);
    await bench.driver.wait(
      () =>
        bench.driver.executeScript<boolean>(
          // The stream of events is begun when all else was asked for.
          `return performance.now() > 2500 && document.querySelector('main h1, main h2') !== null`,
        ),
      PATIENCE_MS,
    );
    const { announced, asked } = await asksOf();
    expect(announced).toEqual(expect.arrayContaining(among.map((ask) => `/api/v1${ask}`)));
    expect(announced).toEqual(expect.arrayContaining(['/api/v1/session', '/api/v1/products', '/api/v1/work']));
    expect(asked.filter((ask) => announced.includes(ask))).toEqual([]);
    expect(await bench.driver.executeScript("return document.getElementById('opening') === null")).toBe(true);
  });
});

describe('what cannot be fetched', () => {
  const block = async (...urls: readonly string[]) => {
    await bench.ask('Network.enable');
    await bench.ask('Network.setBlockedURLs', { urls });
  };
  const MISSED = '[data-test="missed"]';
  it('lies over nothing of the wall board, all of which can still be seen', async () => {
    await bench.go('/board');
    await bench.see('[data-test="board-first"]');
    await block('*PatternsView*');
    await bench.press('?');
    await bench.press('a');
    await bench.see(MISSED);
    const places = await bench.driver.executeScript<Record<string, { top: number; bottom: number }>>(`
      const of = (css) => { const { top, bottom } = document.querySelector(css).getBoundingClientRect(); return { top, bottom }; };
      return { note: of('[data-test="missed"]'), code: of('[data-test="board-first"] header'), time: of('[data-test="board-time"]'),
        step: of('[data-test="board-step"]'), window: { top: 0, bottom: innerHeight } };`);
    expect(places['note']!.bottom).toBeGreaterThan(30);
    expect(places['code']!.top).toBeGreaterThanOrEqual(places['note']!.bottom);
    expect(places['step']!.bottom - places['step']!.top).toBeGreaterThan(40);
    expect(places['time']!.bottom).toBeLessThanOrEqual(places['window']!.bottom);
    await block();
    // The help that a board does not have is not opened behind it.
    await bench.tapWords('Try again', MISSED);
    await bench.at('/patterns');
    await bench.see('main h1');
    expect(await bench.driver.executeScript('return document.querySelectorAll("[role=dialog]").length')).toBe(0);
  });
  it.each([
    ['the page', ['*PatternsView*']],
    ['its style alone', ['*PatternsView*.css*']],
  ])('is said where it is %s, the page before stays, and it comes once it is tried again', async (_what, urls) => {
    await bench.go('/batches');
    await bench.see('main h1');
    await block(...urls);
    for (const words of ['Patterns', 'Try again']) {
      await bench.tapWords(words);
      await expect.poll(() => bench.text(MISSED)).toContain('“Patterns” cannot be fetched now.');
      await bench.at('/batches');
    }
    await block();
    await bench.tapWords('Try again', MISSED);
    await bench.at('/patterns');
    await bench.gone(MISSED);
    await bench.see('main h1');
    // Whole, with its style.
    const sheets = await bench.driver.executeScript<number[]>(
      `return [...document.querySelectorAll('link[rel=stylesheet][href*=PatternsView]')].map((l) => l.sheet.cssRules.length)`,
    );
    expect(sheets).toHaveLength(1);
    expect(sheets[0]).toBeGreaterThan(0);
    await bench.complaints();
  });
  it('is said of the first page too', async () => {
    await block('*PatternsView*');
    await bench.go('/patterns');
    await expect.poll(() => bench.text(MISSED)).toContain('“Patterns” cannot be fetched now.');
    await block();
    await bench.tapWords('Try again', MISSED);
    await bench.see('main h1');
    await bench.gone(MISSED);
    await bench.complaints();
  });
  it.each([
    [{ width: 1280, height: 800 }, 'on a desk'],
    [{ width: 390, height: 844 }, 'on a phone'],
  ])('is said of the application itself, with a way to load it again (%s, %s)', async (size) => {
    await bench.resize(size);
    await block('*.js');
    await bench.driver.get(`${application.address}/batches`);
    await expect.poll(() => bench.text('#opening')).toContain('opening…');
    expect(await bench.text('#opening')).not.toContain('Load');
    // Twelve seconds are not waited for.
    await bench.driver.executeScript('for (const said of document.getAnimations()) said.finish();');
    await expect.poll(() => bench.text('#opening')).toContain('Warm Jar takes long to open.');
    await block();
    await bench.tapWords('Load the page again');
    await bench.see('main h1');
    await bench.gone('#opening');
    await bench.resize({ width: 1280, height: 800 });
    await bench.complaints();
  });
  it("is said of a phone's list of places, which opens once it is tried again", async () => {
    await bench.resize({ width: 390, height: 844 });
    await block('*PhoneDrawers*');
    await bench.go('/batches');
    await bench.see('main h1');
    await bench.tapWords('More', 'nav[aria-label="Studio"]');
    await expect.poll(() => bench.text(MISSED)).toContain('The list cannot be fetched now.');
    await block();
    await bench.tapWords('Try again', MISSED);
    await bench.see('nav[aria-label="More of the studio"]');
    await bench.gone(MISSED);
    await bench.complaints();
  });
});

/** How far what stood on a page was moved while the rest came, in the measure that browsers have for it. */
const SHIFT = `
  const done = arguments[0];
  let moved = 0;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) if (!entry.hadRecentInput) moved += entry.value;
  }).observe({ type: 'layout-shift', buffered: true });
  setTimeout(() => done(moved), 100);`;
/** What may move on any page. */
const MOST_SHIFT = 0.02;

describe('what comes late', () => {
  it.each([
    ['/batches/B-0399/edit', '#s-lots'],
    ['/moulds/M-12', '[aria-label="Cavities drawn"]'],
    ['/inclusions/I-02', '.chart'],
    ['/people', '#people'],
    ['/board', '[data-test="board-others"]', { width: 390, height: 844 }],
  ])('pushes nothing away at %s', async (path, last, size = { width: 1280, height: 800 }) => {
    await bench.resize(size);
    await bench.ask('Network.enable');
    const slow = { offline: false, latency: 250, downloadThroughput: -1, uploadThroughput: -1 };
    await bench.ask('Network.emulateNetworkConditions', slow);
    await bench.go(path);
    await bench.see(last);
    await bench.driver.sleep(600);
    expect(await bench.driver.executeAsyncScript<number>(SHIFT)).toBeLessThan(MOST_SHIFT);
    await bench.offline(false);
  });
});
