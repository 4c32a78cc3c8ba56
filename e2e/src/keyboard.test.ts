import type { Batch } from '@warm-jar/core';
import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { castPhoto } from './castPhoto';
import { inBrowser } from './inBrowser';

/** Nothing here is ever clicked: what cannot be reached by Tab, a key or the arrows is not reached at all. */
const { application, bench } = await inBrowser({ demo: true });
const stored = async (code: string) =>
  (await (await fetch(`${application.address}/api/v1/batches/${code}`)).json()) as Batch;

const isFocused = (css: string) =>
  bench.driver.executeScript<boolean>('return document.activeElement?.matches(arguments[0]) === true', css);
/** More stops than any page has. */
const MOST_STOPS = 160;

/** Goes on by Tab until something has the focus. */
async function tabTo(css: string): Promise<void> {
  await bench.driver.wait(until.elementLocated(By.css(css)), PATIENCE_MS);
  for (let stops = 0; stops < MOST_STOPS; stops += 1) {
    if (await isFocused(css)) return;
    await bench.press(Key.TAB);
  }
  throw new Error(`Tab never comes to ${css}`);
}
const tabAndType = async (css: string, text: string) => {
  await tabTo(css);
  await bench.pressWith(Key.CONTROL, 'a');
  await bench.press(text);
};
/** Opens a list and takes what its letters name. */
async function choose(css: string, words: string): Promise<void> {
  await tabTo(css);
  await bench.press(Key.ARROW_DOWN);
  await bench.see('.p-select-overlay');
  if (await isFocused('.p-select-filter')) await bench.press(words, Key.ARROW_DOWN, Key.ENTER);
  else {
    const at = await bench.driver.executeScript<number>(
      `return [...document.querySelectorAll('.p-select-overlay [role="option"]')]
        .findIndex((e) => e.textContent.includes(arguments[0]))`,
      words,
    );
    await bench.press(Key.HOME, ...Array.from({ length: at }, () => Key.ARROW_DOWN), Key.ENTER);
  }
  await bench.gone('.p-select-overlay');
}
/** Waits until the page's heading has the focus and these words in it; a page that is still drawn is asked again. */
const heading = async (words: string) => {
  await bench.driver.wait(
    () =>
      bench.driver.executeScript<boolean>(
        `const e = document.activeElement; return e?.matches('main h1') === true && e.textContent.includes(arguments[0])`,
        words,
      ),
    PATIENCE_MS,
    `the heading "${words}" never has the focus`,
  );
};

describe('a batch by the keyboard alone', () => {
  it('is planned: every field is reached, and the heading is where reading begins', async () => {
    await bench.go('/');
    await bench.see('.bench');
    await bench.press('m');
    await heading('Plan a batch');
    await choose('#plan-productSlug', 'House Clear 6');
    await choose('#plan-mouldCode', 'M-08');
    for (const [field, text] of [
      ['roomC', '21'],
      ['humidityPct', '55'],
      ['resinC', '22'],
    ] as const)
      await tabAndType(`#plan-${field}`, text);
    await bench.see('[data-test="verdict"]');
    await bench.driver.wait(
      async () =>
        /^(Go|Tight|No go), /.test(
          await bench.driver.executeScript<string>(
            `return document.querySelector('main [data-test="spoken"]').textContent`,
          ),
        ),
      PATIENCE_MS,
      'the verdict is never spoken',
    );
  });

  it('is weighed at the bench: the figure typed, the step taken by Enter, and taken back', async () => {
    await bench.pressWith(Key.CONTROL, Key.ENTER);
    await bench.see('[data-test="weigh-step"]');
    const code = (await bench.driver.getCurrentUrl()).split('/').at(-2)!;
    await heading(code);
    await tabAndType('#bench-typed', '150');
    await bench.press(Key.ENTER);
    await bench.driver.wait(async () => (await stored(code)).mix?.amountA === 150, PATIENCE_MS, 'A is not taken');
    await bench.driver.wait(async () => (await bench.text('[data-test="step"]')).includes('B'), PATIENCE_MS);
    await bench.press('u');
    await bench.driver.wait(async () => (await stored(code)).mix?.amountA == null, PATIENCE_MS, 'A is not taken back');
  });

  it('is found, checked, its fault marked on the outline, and saved', async () => {
    await bench.press('/');
    await bench.driver.wait(() => isFocused('[role="combobox"]'), PATIENCE_MS);
    await bench.press('B-0399');
    await bench.driver.wait(
      () =>
        bench.driver.executeScript<boolean>(
          `return document.querySelector('#found [role="option"]')?.textContent.includes('B-0399') === true`,
        ),
      PATIENCE_MS,
      'B-0399 is not found',
    );
    await bench.press(Key.ENTER);
    await heading('B-0399');
    await bench.press('c');
    await heading('Check');
    await tabTo('[data-touch]');
    await bench.press(Key.SPACE);
    await tabTo('[data-symptom="bubbles"]');
    await bench.press(Key.SPACE);
    await tabTo('svg.outline[tabindex="0"]');
    await bench.press(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_DOWN, Key.ENTER);
    await tabAndType('#spot-0-y', '70');
    // Enter in a field leaves the record unsaved.
    await tabAndType('#afterH', '60');
    await bench.press(Key.ENTER);
    expect((await stored('B-0399')).checks!.at(-1)!.afterH).not.toBe(60);
    await bench.pressWith(Key.CONTROL, Key.ENTER);
    await bench.driver.wait(async () => (await bench.driver.getCurrentUrl()).endsWith('/diagnosis'), 15_000);
    const check = (await stored('B-0399')).checks!.at(-1)!;
    expect(check.afterH).toBe(60);
    expect(check.spots![0]).toMatchObject({ x: 0.54, y: 0.7, kind: 'bubbles' });
  });

  it('is diagnosed and its mend begun, and the steps ticked', async () => {
    await bench.see('.cause');
    await tabTo('details.as-table summary, [data-ask] button, main button');
    await bench.press('r');
    await bench.see('[data-test="chain"]');
    await tabTo('main input[type="checkbox"]');
    await bench.press(Key.SPACE);
    await bench.driver.wait(
      async () => ((await stored('B-0399')).mends ?? []).some((m) => m.steps?.some((s) => s.done)),
      PATIENCE_MS,
      'the step is not ticked',
    );
  });
});

describe('a photo by the keyboard alone', () => {
  it('has its faults marked and its colour picked, and puts the focus on after a removal', async () => {
    await bench.go('/batches/B-0415/check');
    const input = await bench.driver.wait(until.elementLocated(By.css('[data-test="photo-files"]')), PATIENCE_MS);
    await input.sendKeys(castPhoto({ card: [230, 228, 222], cast: [222, 214, 176], sample: [222, 218, 204] }));
    await bench.see('[data-test="photo"] img');
    await tabTo('[data-test="photo"]');
    await bench.press(Key.ENTER);
    await bench.press(Key.ARROW_LEFT, Key.ENTER);
    await expect
      .poll(() => bench.driver.executeScript<number>(`return document.querySelectorAll('.mark').length`))
      .toBe(2);
    await tabTo('[aria-label="Remove mark 1"]');
    await bench.press(Key.ENTER);
    await bench.driver.wait(() => isFocused('[aria-label="Remove mark 1"]'), PATIENCE_MS, 'the focus is lost');
    await bench.press(Key.ENTER);
    await bench.gone('.mark');
    expect(await isFocused('body')).toBe(false);
  });
});

describe('what is removed while it has the focus', () => {
  it('leaves it to what stood beside it', async () => {
    await bench.go('/batches/B-0399/edit');
    await bench.see('[data-list="additives"]');
    const add = '[data-list="additives"] .row:last-child button';
    await tabTo(add);
    await bench.press(Key.ENTER, Key.ENTER);
    await bench.driver.wait(
      () =>
        bench.driver.executeScript<boolean>(
          `return document.querySelectorAll('[data-list="additives"] [data-remove]').length >= 2`,
        ),
      PATIENCE_MS,
    );
    await tabTo('[data-list="additives"] [data-remove]');
    await bench.press(Key.ENTER);
    await bench.driver.wait(() => isFocused('[data-list="additives"] [data-remove]'), PATIENCE_MS, 'the focus is lost');
    await bench.go('/batches?mould=M-12');
    await tabTo('[aria-label="Name of this filter"]');
    await bench.press('finials', Key.ENTER);
    await tabTo('[aria-label="Delete the filter finials"]');
    await bench.press(Key.ENTER);
    await bench.gone('[aria-label="Delete the filter finials"]');
    await bench.driver.wait(async () => !(await isFocused('body')), PATIENCE_MS, 'the focus is lost');
  });
});

describe('keys of one letter', () => {
  const place = () => bench.driver.executeScript<string>('return location.pathname');
  const press = (key: string, held?: string) => (held ? bench.pressWith(held, key) : bench.press(key));
  it.each([
    ['off', 'Off', undefined],
    ['with Alt', 'Alt and the letter', Key.ALT],
  ] as const)('%s do nothing by themselves, and are drawn only where they work', async (_mode, words, held) => {
    await bench.go('/settings');
    await bench.see('[data-test="key-mode"]');
    await bench.driver.executeScript(
      `[...document.querySelectorAll('[data-test="key-mode"] button')].find((b) => b.textContent.includes(arguments[0])).focus()`,
      words,
    );
    await bench.press(Key.SPACE);
    await bench.press('l');
    await expect.poll(place).toBe('/settings');
    const caps = await bench.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('header kbd')].map((k) => k.textContent.trim())`,
    );
    if (held) {
      expect(caps).toContain('Alt l');
      await press('l', held);
      await bench.driver.wait(
        async () => (await place()) === '/batches',
        PATIENCE_MS,
        'Alt with the letter does nothing',
      );
    } else expect(caps).toEqual([]);
  });
  it('work again once they are allowed', async () => {
    await bench.driver.executeScript(`localStorage.setItem('warm-jar.keys', 'plain')`);
    await bench.go('/settings');
    await bench.see('[data-test="key-mode"]');
    await bench.press('l');
    await bench.driver.wait(async () => (await place()) === '/batches', PATIENCE_MS);
  });
});
