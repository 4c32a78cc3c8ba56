import { describe, expect, it } from 'vitest';
import { inBrowser } from './inBrowser';
import { misfits } from './pageFindings';

const { bench } = await inBrowser({ demo: true });

/** What A4 leaves between its margins, upright and across, px of 96 to the inch. */
const [UPRIGHT, ACROSS] = [703, 1046];

const PAGES = [
  ['a batch', '/batches/B-0414', '[data-casting="k5"]', UPRIGHT],
  ['a diagnosis', '/batches/B-0399/diagnosis', '.cause', UPRIGHT],
  ['a mend', '/batches/B-0389/mend', '[data-test="chain"]', UPRIGHT],
  ['the log', '/batches', 'tbody tr', ACROSS],
  [
    'the log with every column',
    '/batches?columns=startedAt,productSlug,mould,lotA,lotB,massG,by,stage,outside,seen,grade,note',
    'tbody tr',
    ACROSS,
  ],
  ['a month', '/month', '[data-fault]', UPRIGHT],
  ['a card', '/products/house-clear-6', '.groups', UPRIGHT],
  ['a recall', '/recall/B-52', 'table', UPRIGHT],
] as const;

/** Tables that are wider than the sheet: what would be cut off. */
const CUT = `return [...document.querySelectorAll('main table')].filter((t) => t.offsetWidth > 0 &&
  t.getBoundingClientRect().right > window.innerWidth + 1).map((t) => t.textContent.slice(0, 60))`;
const TO_TAP = `return [...document.querySelectorAll('main button, main .p-button, main .p-select, header, nav')]
  .filter((e) => e.getClientRects().length > 0 && getComputedStyle(e).visibility !== 'hidden' && !e.closest('.paper-keeps'))
  .map((e) => e.textContent.trim() || e.getAttribute('aria-label'))`;

describe('on paper', () => {
  it.each(PAGES)('%s has nothing cut off, and nothing to tap', async (_name, path, ready, width) => {
    await bench.emulate({});
    await bench.resize({ width: 1280, height: 800 });
    await bench.go(path);
    await bench.see(ready);
    await bench.driver.executeScript(`window.dispatchEvent(new Event('beforeprint'))`);
    await bench.emulate({}, 'print');
    await bench.resize({ width, height: 1000 });
    await bench.driver.sleep(300);
    expect(await misfits(bench)).toEqual([]);
    expect(await bench.driver.executeScript<string[]>(CUT)).toEqual([]);
    expect(await bench.driver.executeScript<string[]>(TO_TAP)).toEqual([]);
    await bench.driver.executeScript(`window.dispatchEvent(new Event('afterprint'))`);
    await bench.emulate({});
  });

  it('a diagnosis has its threads drawn from row to cause', async () => {
    await bench.resize({ width: 390, height: 844 });
    await bench.go('/batches/B-0399/diagnosis');
    await bench.see('.cause');
    expect(await bench.driver.executeScript<number>(`return document.querySelectorAll('.lines path').length`)).toBe(0);
    await bench.driver.executeScript(`window.dispatchEvent(new Event('beforeprint'))`);
    await bench.emulate({}, 'print');
    await bench.resize({ width: UPRIGHT, height: 1000 });
    await bench.driver.sleep(300);
    const off = await bench.driver.executeScript<number[]>(
      `return [...document.querySelectorAll('.lines path')].map((p) => {
        const box = document.querySelector('.evidence').getBoundingClientRect();
        const end = p.getPointAtLength(p.getTotalLength());
        const tops = [...document.querySelectorAll('[data-cause]')].map((c) => c.getBoundingClientRect());
        const at = box.top + end.y;
        return Math.min(...tops.map((c) => (at >= c.top && at <= c.bottom ? 0 : Math.min(Math.abs(at - c.top), Math.abs(at - c.bottom)))));
      })`,
    );
    expect(off.length).toBeGreaterThan(1);
    for (const far of off) expect(far).toBe(0);
    await bench.emulate({});
  });

  it('the log says what it is of', async () => {
    await bench.resize({ width: 1280, height: 800 });
    await bench.go('/batches?symptom=haze&sort=-startedAt');
    await bench.see('tbody tr');
    await bench.emulate({}, 'print');
    await expect
      .poll(() => bench.text('[data-test="printed"]'))
      .toMatch(/^Batches 1 to \d+ of \d+; symptom haze; sorted by began, last first; printed \d+ Mar/);
    await bench.emulate({});
  });
});
