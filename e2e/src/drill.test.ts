import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { inBrowser } from './inBrowser';
import { standsAtEverySize } from './pageFindings';

const { application, bench } = await inBrowser({ demo: true, speed: 0 });
const api = `${application.address}/api/v1`;
const address = async () => new URL(await bench.driver.getCurrentUrl()).pathname;
const logged = async () => ((await (await fetch(`${api}/batches`)).json()) as { total: number }).total;
/** Run seconds of the bench go by: four in one of the studio's. */
const wait = (runS: number) => application.advance(runS / 4);

describe('a drill in diagnosis', () => {
  it('is begun from the help, asked, answered by the keyboard, and argued', async () => {
    const before = await logged();
    await bench.go('/');
    await bench.see('.bench');
    await bench.press('?');
    await bench.tapWords('The drill', '[role="dialog"]');
    await bench.tap('[data-level="2"]');
    await bench.see('.cast');
    const at = await address();
    expect(at).toMatch(/^\/drill\/diagnosis\//);
    await bench.tap('[data-ask]');
    await bench.see('[data-told]');
    expect(await bench.text('[data-test="spent"]')).not.toBe('0 min');
    const handle = await bench.see('[data-sure] .p-slider-handle');
    for (let i = 0; i < 12; i += 1) await handle.sendKeys(Key.ARROW_RIGHT);
    await bench.read('60 %');
    // A reload loses nothing of it.
    await bench.go(at);
    await bench.read('60 %');
    await bench.pressWith(Key.CONTROL, Key.ENTER);
    await bench.see('[data-test="outcome"]');
    await expect.poll(() => bench.text('[data-step="0"]')).toContain('By how it looks alone');
    expect(await logged()).toBe(before);
    await standsAtEverySize(bench, at, '[data-test="outcome"]');
  });
  it('fits every size while it is asked', async () => {
    await bench.go('/drill');
    await bench.tap('[data-level="5"]');
    await bench.see('.cast');
    await standsAtEverySize(bench, await address(), '[data-sure]');
  });
});

describe('a quick drill', () => {
  it('runs against its minute by the studio’s clock', async () => {
    await bench.go('/drill');
    await bench.tap('[data-topic="over-pour"]');
    await bench.see('#quick-figure');
    await expect.poll(() => bench.text('[data-test="left"]')).toBe('60 s');
    await wait(4 * 61);
    await bench.read('over');
    await bench.type('#quick-figure', '0');
    await bench.tap('[data-test="answer"]');
    await bench.see('[data-test="outcome"]');
    await expect.poll(() => bench.text('[data-test="outcome"]')).toMatch(/Not right[\s\S]*You took 61 s/);
    await standsAtEverySize(bench, await address(), '[data-test="outcome"]');
  });
});

describe('a run at the drill’s bench', () => {
  it('is poured, stirred, pressed and demoulded on instruments that are simulated, and shows its cast', async () => {
    await bench.go('/drill');
    await bench.tap('[data-test="begin-bench"]');
    await bench.see('[data-act="read-lots"]');
    const at = await address();
    const act = async (name: string, runS: number) => {
      // Of some runs somebody is at the door for up to two minutes, and hands wait.
      const free = `[data-act="${name}"]:not(:disabled)`;
      await bench.see(`${free}, .door`);
      if ((await bench.driver.findElements(By.css('.door'))).length > 0) await wait(120);
      await bench.see(free);
      await bench.tap(`[data-act="${name}"]`);
      await wait(runS);
    };
    await act('pour-A-false', 30);
    await act('stop', 4);
    await bench.go(at);
    await expect.poll(() => bench.text('[data-test="met"]')).toBe('–');
    await act('pour-B-false', 25);
    await act('stop', 4);
    await expect.poll(() => bench.text('[data-test="met"]')).toMatch(/^0:/);
    await standsAtEverySize(bench, at, '[data-act="cast-false"]:not(:disabled)');
    // A heavy hand has poured twice as much: in a thin stream that takes two minutes.
    await act('cast-false', 240);
    for (const name of ['skip-60', 'skip-60', 'skip-60']) await act(name, 0);
    await act('demould', 0);
    await bench.see('[data-test="outcome"]');
    // Nobody stirred it.
    await bench.see('[data-fault]');
    await expect.poll(() => bench.text('[data-test="outcome"]')).toMatch(/Not mixed through|Parts not in ratio/);
    expect((await bench.driver.findElements(By.css('.cast'))).length).toBe(1);
  });
});
