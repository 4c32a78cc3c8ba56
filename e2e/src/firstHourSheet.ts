import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MADE_UP_SHEETS } from '@warm-jar/core/made-up-sheets';
import { By } from 'selenium-webdriver';
import sharp from 'sharp';
import { sheetPdf } from '../../web/src/testing/sheetPdf';
import type { Bench } from './browser';

const SPRING = [
  'Date;Who;Resin;Room (°F);Part A;Part B;Notes',
  '14/03/2026;KO;House Clear 6;64;150;123;first of the day',
  '15/03/2026;MT;House Clear 6;warm;150;123;',
].join('\n');
const [WIDTH, HEIGHT, GAP] = [1280, 800, 8];

/** Opening, a card from its data sheet, a spreadsheet and labels, on one picture. @returns PNG */
export async function firstHourSheet(bench: Bench): Promise<Buffer> {
  const folder = mkdtempSync(join(tmpdir(), 'warm-jar-shots-'));
  const bring = async (name: string, content: Buffer | string) => {
    writeFileSync(join(folder, name), content);
    await bench.driver.findElement(By.css('input[type="file"]')).sendKeys(join(folder, name));
  };
  const shot = async (path: string, ready: string, before?: () => Promise<void>, then = ready) => {
    await bench.go(path);
    await bench.see(ready);
    await before?.();
    await bench.see(then);
    return Buffer.from(await bench.driver.takeScreenshot(), 'base64');
  };
  try {
    const sheet = MADE_UP_SHEETS.find((s) => s.layout === 'parts table')!;
    const pdf = Buffer.from(await sheetPdf(sheet));
    const pictures = [
      await shot('/opening/product', '.step'),
      await shot('/products/new/sheet', '#sheet-text', () => bring('sheet.pdf', pdf), '[data-offer]'),
      await shot('/import/table', '#table-text', () => bring('spring.csv', SPRING), '[data-column]'),
      await shot('/labels', '[data-label]'),
    ];
    const [halfWidth, halfHeight] = [WIDTH / 2 - GAP / 2, HEIGHT / 2 - GAP / 2];
    const placed = await Promise.all(
      pictures.map(async (picture, at) => ({
        input: await sharp(picture).resize(halfWidth, halfHeight).png().toBuffer(),
        left: (at % 2) * (halfWidth + GAP),
        top: Math.floor(at / 2) * (halfHeight + GAP),
      })),
    );
    return await sharp({ create: { width: WIDTH, height: HEIGHT, channels: 3, background: '#0d2b26' } })
      .composite(placed)
      .png()
      .toBuffer();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
