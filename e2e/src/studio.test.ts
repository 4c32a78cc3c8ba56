import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
import { saltmarshCard } from '@warm-jar/core';
import { startApplication, type Application } from './application';
import { Bench } from './browser';

let application: Application;
let bench: Bench;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'warm-jar-cards-'));
  application = await startApplication({ demo: false });
  bench = await Bench.open(application.address);
});
afterAll(async () => {
  await bench.close();
  await application.stop();
  rmSync(folder, { recursive: true, force: true });
});

async function bring(name: string, content: string | Buffer): Promise<void> {
  const file = join(folder, name);
  writeFileSync(file, content);
  await bench.driver.findElement(By.css('input[type="file"]')).sendKeys(file);
}

describe('a studio of its own', () => {
  it('starts empty, and says what to do first', async () => {
    await bench.go('/');
    await bench.read('This studio is new');
    await bench.go('/batches/new');
    await bench.read('There is no card yet');
  });

  it('refuses a bad card field by field, and takes a good one', async () => {
    await bench.go('/products');
    await bench.read('A card holds what the data sheet says');
    await bench.go('/products/import');
    await bench.see('main h1');
    await bring('broken.json', '{ "format": ');
    await bench.read('broken.json is not JSON');
    await bring(
      'zero.json',
      JSON.stringify({ ...saltmarshCard('house-tide'), name: '', room: { minC: 30, maxC: 10 } }),
    );
    await bench.read('room.maxC');
    await bench.read('Give the product a name.');
    await expect.poll(() => bench.text('tr[data-action="refused"]')).toContain('room.maxC');
    await bring('tide.json', JSON.stringify(saltmarshCard('house-tide')));
    await bench.tapWords('Import 1');
    await bench.read('1 card is on the shelf');
    await bring('tide.json', JSON.stringify(saltmarshCard('house-tide')));
    await bench.read('There is nothing to import');
    await bring('latin.csv', Buffer.from('slug,name\nhouse-x,Caf\u00e9', 'latin1'));
    await bench.read('latin.csv is not in UTF-8');
    await bench.go('/products/house-tide');
    await bench.read('0.8 % to 2.4 %');
  });

  it('has its data still after Ctrl-C and another start', async () => {
    const logged = await fetch(`${application.address}/api/v1/batches`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        format: 'warm-jar.batch/1',
        product: { slug: 'house-tide' },
        note: 'before the power cut',
      }),
    });
    expect(logged.status).toBe(201);
    application = await application.restart();
    await bench.go('/batches/B-0001');
    await bench.read('before the power cut');
  });

  it('keeps what is typed while the server is away, and saves it when it is back', async () => {
    await bench.go('/batches/new');
    await bench.pick('#product', 'House Tide');
    await bench.type('[data-path="mix.amountA"] input', '200');
    const port = new URL(application.address).port;
    await bench.driver.executeScript(
      'window.__fetch = window.fetch; window.fetch = () => Promise.reject(new TypeError("network"));',
    );
    await bench.tapWords('Save the batch');
    await bench.read('The server cannot be reached');
    await bench.driver.executeScript('window.fetch = window.__fetch');
    await bench.tapWords('Save the batch');
    await bench.read('B-0002 is in the log');
    expect(port).toBe(new URL(application.address).port);
  });
});
