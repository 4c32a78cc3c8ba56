import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startApplication, type Application } from './application';
import { Bench } from './browser';
import { VIEWS_OF_BATCHES, VIEWS_OF_STUDIO } from './everyView';
import { misfits, wrongAt } from './pageFindings';

/** The main views, where people's own settings are tried. */
const MAIN = ['/', '/plan?product=house-clear-6&mould=M-08', '/batches/B-0419/bench', '/batches/B-0399/diagnosis'];

let application: Application;
beforeAll(async () => {
  application = await startApplication({ demo: true });
});
afterAll(() => application.stop());

describe('text at twice its size', () => {
  let page: Bench;
  beforeAll(async () => {
    page = await Bench.open(application.address, { width: 1280, height: 800 }, [], {
      'webkit.webprefs.default_font_size': 32,
    });
  });
  afterAll(() => page.close());
  it('is taken from the browser', async () => {
    await page.go('/');
    await page.see('main h1');
    expect(await page.driver.executeScript<string>('return getComputedStyle(document.body).fontSize')).toBe('32px');
  });
  it.each([...VIEWS_OF_BATCHES, ...VIEWS_OF_STUDIO])('%s cuts nothing off', async (_name, path, ready) => {
    await page.resize({ width: 1280, height: 800 });
    await page.goOn(path);
    await page.see(ready);
    const narrow = await misfits(page);
    await page.resize({ width: 1920, height: 1080 });
    expect([...narrow, ...(await misfits(page))]).toEqual([]);
  });
});

describe('a page enlarged', () => {
  let page: Bench;
  beforeAll(async () => {
    page = await Bench.open(application.address);
  });
  afterAll(() => page.close());
  it.each([
    ['200 %', 640, 400],
    ['400 %', 320, 200],
  ] as const)('to %s leaves more than half of it to the content', async (_much, width, height) => {
    await page.resize({ width, height });
    for (const path of MAIN) {
      await page.go(path);
      await page.see('main h1');
      expect(await misfits(page)).toEqual([]);
      const covered = await page.driver.executeScript<number>(
        `return [...document.querySelectorAll('body *')].filter((e) => {
          const s = getComputedStyle(e);
          return (s.position === 'fixed' || s.position === 'sticky') && e.offsetHeight > 0 && !s.clipPath.includes('inset');
        }).reduce((sum, e) => sum + e.offsetHeight, 0)`,
      );
      expect(covered, path).toBeLessThan(height / 2);
    }
  });
});

describe('what does not fit', () => {
  it('is seen by the measure that every view is held to', async () => {
    const page = await Bench.open(application.address);
    try {
      await page.go('/');
      await page.see('main h1');
      expect(await misfits(page)).toEqual([]);
      await page.driver.executeScript(
        `const e = document.createElement('p'); e.textContent = 'too wide'; e.style.width = '2000px';
         document.querySelector('main').append(e);`,
      );
      expect((await misfits(page)).join()).toContain('past the edge: p “too wide”');
      // Somebody's button without a name, on the widest screens alone.
      await page.driver.executeScript(
        `document.querySelector('main p:last-of-type').remove();
         const b = document.createElement('button'); b.className = 'nameless'; b.style.width = '20px';
         const shown = () => { b.hidden = window.innerWidth < 1500; };
         window.addEventListener('resize', shown); shown(); document.querySelector('main').append(b);`,
      );
      const wrong = await wrongAt(page, [390, 1280, 1920]);
      expect(wrong.filter((line) => line.includes('button-name')).map((line) => line.slice(0, 5))).toEqual(['1920:']);
    } finally {
      await page.close();
    }
  });
});

describe('less motion', () => {
  it('is kept to: nothing moves or fades', async () => {
    const page = await Bench.open(application.address);
    const moving = () =>
      page.driver.executeScript<string[]>(
        `return [...document.querySelectorAll('*')].filter((e) => {
          const s = getComputedStyle(e);
          return s.animationName !== 'none' || (s.transitionProperty !== 'none' && parseFloat(s.transitionDuration) > 0);
        }).map((e) => e.outerHTML.slice(0, 90))`,
      );
    try {
      for (const path of MAIN) {
        await page.emulate({ 'prefers-reduced-motion': 'reduce' });
        await page.go(path);
        await page.see('main h1');
        expect(await moving(), path).toEqual([]);
        // Where nobody asked for less, something does.
        await page.emulate({ 'prefers-reduced-motion': 'no-preference' });
        expect(await moving(), path).not.toEqual([]);
      }
    } finally {
      await page.close();
    }
  });
});

describe('forced colours', () => {
  let page: Bench;
  beforeAll(async () => {
    page = await Bench.open(application.address);
    await page.emulate({ 'forced-colors': 'active', 'prefers-color-scheme': 'dark' });
  });
  afterAll(() => page.close());
  /** How something is set off from its ground: all that forced colours leave of its look. */
  const edges = (css: string) =>
    page.driver.executeScript<string>(
      `const s = getComputedStyle(document.querySelector(arguments[0]));
       return [s.outlineStyle, s.outlineWidth, s.borderTopColor, s.backgroundColor].join(' ')`,
      css,
    );
  it('show which answers were chosen', async () => {
    await page.go('/batches/B-0414/check');
    await page.tap('[data-symptom="bubbles"]');
    await page.tap('[data-touch]');
    for (const kind of ['.tile[data-symptom]', '.tile[data-touch]'])
      expect(await edges(`${kind}[aria-pressed="true"]`)).not.toBe(await edges(`${kind}[aria-pressed="false"]`));
  });
  it('show which of a few words stands, and which place one is at', async () => {
    await page.go('/plan?product=house-clear-6&mould=M-08');
    await page.see('[data-test="mould"]');
    expect(await edges('.p-togglebutton-checked')).not.toBe(
      await edges('.p-togglebutton:not(.p-togglebutton-checked)'),
    );
    expect(await edges('nav[aria-label="Studio"] [aria-current]')).not.toBe(
      await edges('nav[aria-label="Studio"] a:not([aria-current])'),
    );
  });
  it('leave drawings their own colours on their own ground', async () => {
    await page.go('/batches/B-0399/diagnosis');
    await page.see('.cause');
    const grounds = await page.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('main svg:not(.p-icon):not(.over-page)')].map((e) => getComputedStyle(e).backgroundColor)`,
    );
    expect(grounds.length).toBeGreaterThan(3);
    expect(new Set(grounds)).toEqual(new Set(['rgb(255, 255, 255)']));
  });
  it('draw the threads over the page in a colour that is seen', async () => {
    const [stroke, ground] = await page.driver.executeScript<[string, string]>(
      `return [getComputedStyle(document.querySelector('.lines .for')).stroke,
        getComputedStyle(document.body).backgroundColor]`,
    );
    expect(ground).toBe('rgb(0, 0, 0)');
    expect(stroke).toBe('rgb(255, 255, 255)');
  });
});
