import { beforeAll, describe, expect, it } from 'vitest';
import { CAME_TO, benchRun } from './benchRun';
import { inBrowser } from './inBrowser';
import { axeFindings, standsAtEverySize } from './pageFindings';

const { application, bench } = await inBrowser({ demo: true });
const { at } = benchRun(application);
const STAGES = Object.keys(CAME_TO) as (keyof typeof CAME_TO)[];
const codes = new Map<string, string>();

/** Buttons and labels of choices that a gloved finger would miss. */
const SMALL = `return [...document.querySelectorAll(
  'main button, main .do, main .tile, main summary, main .checks label, nav[aria-label=Studio] a',
)].filter((e) => e.getBoundingClientRect().height > 0 && e.getBoundingClientRect().height < 47.5)
  .map((e) => e.outerHTML.slice(0, 120))`;

describe('every step of the bench', () => {
  it.each(STAGES)('%s fits every size, passes axe, and has nothing below 48 px to be tapped', async (stage) => {
    const code = await at(stage, 2);
    codes.set(stage, code);
    await standsAtEverySize(bench, `/batches/${code}/bench`, '[data-test="step"]');
    await bench.resize({ width: 1280, height: 800 });
    expect(await bench.driver.executeScript<string[]>(SMALL)).toEqual([]);
    await bench.resize({ width: 390, height: 844 });
    expect(await bench.driver.executeScript<string[]>(SMALL)).toEqual([]);
  });
  it.each(STAGES)('%s shows its number and its button on a phone without scrolling', async (stage) => {
    await bench.resize({ width: 390, height: 844 });
    await bench.go(`/batches/${codes.get(stage)!}/bench`);
    await bench.see('[data-test="step"]');
    const bottoms = await bench.driver.executeScript<number[]>(
      `return [...document.querySelectorAll('main .big strong, main .step .do')].slice(0, 2)
        .map((e) => e.getBoundingClientRect().bottom)`,
    );
    expect(bottoms.length).toBeGreaterThan(0);
    for (const bottom of bottoms) expect(bottom).toBeLessThan(844 - 60);
  });
});

describe('a dark bench for a dim room', () => {
  beforeAll(async () => {
    await bench.resize({ width: 1280, height: 800 });
    await bench.go(`/batches/${codes.get('weigh-b')!}/bench`);
    await bench.tap('[data-test="dim"]');
  });
  it.each(STAGES)('%s has contrast enough', async (stage) => {
    await bench.go(`/batches/${codes.get(stage)!}/bench`);
    await bench.see('[data-test="step"]');
    const ground = await bench.driver.executeScript<string>('return getComputedStyle(document.body).backgroundColor');
    expect(Math.max(...ground.match(/\d+/g)!.slice(0, 3).map(Number))).toBeLessThan(40);
    expect(await axeFindings(bench)).toEqual([]);
  });
  it('is light again elsewhere', async () => {
    await bench.go('/batches');
    await bench.see('main h1');
    const ground = await bench.driver.executeScript<string>('return getComputedStyle(document.body).backgroundColor');
    expect(Math.min(...ground.match(/\d+/g)!.slice(0, 3).map(Number))).toBeGreaterThan(230);
  });
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
