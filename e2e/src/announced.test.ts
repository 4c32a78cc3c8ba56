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
