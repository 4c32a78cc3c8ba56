import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MADE_UP_SHEETS } from '@warm-jar/core/made-up-sheets';
import { create } from 'qrcode';
import { By, Key } from 'selenium-webdriver';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sheetPdf } from '../../web/src/testing/sheetPdf';
import { startApplication, type Application } from './application';
import { Bench } from './browser';

/** A slow person: so long for a click with its aiming, for a key, and to read each new screen, s. */
const [CLICK_S, KEY_S, READ_S] = [2.5, 0.5, 12];
/** From an empty studio to a planned batch, s. */
const MOST_S = 300;

let application: Application;
let bench: Bench;
let folder: string;
/** What a person did so far. */
const did = { clicks: 0, keys: 0, screens: 0 };
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-hour-'));
  application = await startApplication({ demo: false });
  bench = await Bench.open(application.address);
});
afterAll(async () => {
  expect(await bench.complaints()).toEqual([]);
  await bench.close();
  await application.stop();
  rmSync(folder, { recursive: true, force: true });
});

const tap = async (css: string) => {
  did.clicks += 1;
  await bench.tap(css);
};
const tapWords = async (words: string) => {
  did.clicks += 1;
  await bench.tapWords(words);
};
const type = async (css: string, text: string) => {
  did.clicks += 1;
  did.keys += text.length;
  const field = await bench.see(css);
  await field.clear();
  await field.sendKeys(text);
};
const screen = async (words: string) => {
  did.screens += 1;
  await bench.read(words);
};
const choose = async (name: string, content: Buffer | string) => {
  const file = join(folder, name);
  writeFileSync(file, content);
  // A click on the button, and two in the system's own window.
  did.clicks += 3;
  await bench.driver.findElement(By.css('input[type="file"]')).sendKeys(file);
};
const sheet = MADE_UP_SHEETS.find((s) => s.layout === 'parts table')!;

describe('the first hour of a studio', () => {
  it('begins with steps, not with a page that cannot be used', async () => {
    await bench.go('/');
    await screen('This studio is new');
    await tapWords('Open the studio');
    await screen('Units and currency');
    await type('#currency', '€');
    await bench.read('€12.50');
    await tap('[data-test="onward"]');
    await screen('Initials beside each batch');
    await type('#new-code', 'KO');
    await tapWords('Add');
    await bench.see('[data-test="people"]');
    await tap('[data-test="onward"]');
    await screen('The first product');
  });

  it('takes a card from the PDF of its data sheet, each figure beside its line', async () => {
    await tapWords('From its data sheet: a PDF or its words');
    await screen('Choose a PDF');
    await choose('sheet.pdf', Buffer.from(await sheetPdf(sheet)));
    await bench.see('[data-offer="potLife.minutes"]');
    did.screens += 1;
    await expect.poll(() => bench.text('[data-offer="ratio.byWeight.a"]')).toMatch(/100 : 84[\s\S]*line \d+/);
    await expect.poll(() => bench.text('[data-offer="potLife.minutes"]')).toMatch(/25 min in 200 g at 23 °C/);
    await tap('[data-test="take"]');
    await screen('Card by hand');
    expect(await bench.see('[data-path="name"] input').then((f) => f.getAttribute('value'))).toBe(sheet.name);
    did.keys += 1;
    await bench.driver.actions().keyDown(Key.CONTROL).sendKeys(Key.ENTER).keyUp(Key.CONTROL).perform();
    await bench.read('is on the shelf');
  });

  it('goes on where it was: the strip knows what is done and what comes next', async () => {
    await bench.driver.navigate().refresh();
    await bench.read('Next: scale and vessel');
    await tapWords('Go on');
    await screen('Scale and vessel');
    await tap('[data-test="onward"]');
    await screen('A mould');
    await tap('[data-test="onward"]');
    await screen('The first batch');
    await tapWords('Plan a batch');
  });

  it('plans its first batch, within five minutes of a slow person', async () => {
    await screen('Choose the product');
    await tap('[aria-labelledby="plan-productSlug"], #plan-productSlug');
    await tapWords(sheet.name);
    await tapWords('Mass');
    await type('#plan-massG', '200');
    await bench.see('[data-test="verdict"]');
    const seconds = did.clicks * CLICK_S + did.keys * KEY_S + did.screens * READ_S;
    console.log(`first hour: ${did.clicks} clicks, ${did.keys} keys, ${did.screens} screens, ${seconds.toFixed(0)} s`);
    expect(seconds).toBeLessThan(MOST_S);
  });
});

describe('what a studio has written down', () => {
  const spring = [
    'Date;Who;Resin;Room (°F);Part A;Part B;Notes',
    `14/03/2026;KO;${sheet.name};64;100;84;first`,
    `15/03/2026;MT;${sheet.name};warm;100;84;`,
    `16/03/2026;KO;${sheet.name};71,5;120;100,8;sticky`,
  ].join('\n');

  it('comes in from its spreadsheet, with the row that does not fit and why', async () => {
    await bench.go('/import/table');
    await bench.see('#table-text');
    await choose('spring.csv', spring);
    await bench.read('2 of 3 rows can come in');
    await expect.poll(() => bench.text('[data-column="Room (°F)"]')).toContain('°F');
    await expect.poll(() => bench.text('[data-row="2"]')).toMatch(/Room \(°F\): "warm" is no number/);
    await bench.read('They come in as done');
    await bench.tap('[data-test="import"]');
    await bench.read('2 batches came in');
  });
  it('is in the log, and nothing of it is in work', async () => {
    await bench.go('/batches');
    await bench.read('14 Mar 2026');
    expect(await bench.text('main')).not.toContain('00:00');
    await bench.go('/');
    await bench.read('Batches at the bench stand here');
    expect(await bench.text('main')).not.toMatch(/pot life ends|ago/);
  });
  it('is taken back whole, and its columns are known the next time', async () => {
    await bench.go('/import/table');
    await bench.tapWords('Undo');
    await bench.tapWords('Undo it');
    await bench.read('taken back');
    await choose('spring.csv', spring);
    await bench.read('as the last time');
    await bench.go('/batches');
    await bench.read('Nothing is logged yet');
  });
});

describe('looking round', () => {
  it('happens in a studio beside this one, which is thrown away', async () => {
    await bench.go('/opening');
    await bench.tap('[data-test="look"]');
    await bench.read('You are looking round a made-up studio');
    await bench.at(/^\/look-round\//);
    await bench.read('B-0419');
    await bench.tapWords('Log a batch');
    await bench.read('Parts met at');
    await bench.at('/look-round/batches/new');
    await bench.tapWords('Back to my own studio');
    await bench.at('/');
    await bench.go('/products');
    await bench.read(sheet.name);
    expect(await bench.text('main')).not.toContain('House Clear 6');
  });
});

describe('help and labels', () => {
  it('explains the words of the page one stands on, with their pictures', async () => {
    await bench.go('/plan');
    await bench.see('h1');
    await bench.press('?');
    await bench.read('Words here');
    await bench.see('[data-term="pot-life"] svg');
    await bench.read('Begin the batch');
    await bench.tapWords('All words');
    await bench.see('[data-error="unreachable"]');
  });
  it('a label’s code opens what it names', async () => {
    const { size, data } = create(`${application.address}/products/cedarcoat-4`, {}).modules;
    const [scale, quiet] = [8, 4];
    const side = (size + 2 * quiet) * scale;
    const pixels = Buffer.alloc(side * side, 255);
    for (let y = 0; y < side; y += 1)
      for (let x = 0; x < side; x += 1) {
        const [cx, cy] = [Math.floor(x / scale) - quiet, Math.floor(y / scale) - quiet];
        if (cx >= 0 && cy >= 0 && cx < size && cy < size && data[cy * size + cx]) pixels[y * side + x] = 0;
      }
    const png = await sharp(pixels, { raw: { width: side, height: side, channels: 1 } })
      .png()
      .toBuffer();
    await bench.go('/scan');
    await bench.see('h1');
    await choose('label.png', png);
    await bench.at('/products/cedarcoat-4');
    await bench.read(sheet.name);
  });
});
