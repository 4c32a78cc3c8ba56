import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { batchSchema, soundBatch, type Batch, type Piece } from '@warm-jar/core';
import { By, Key, until } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { inBrowser } from './inBrowser';

const { application, bench } = await inBrowser({ demo: true });
const api = `${application.address}/api/v1`;
const folder = mkdtempSync(join(tmpdir(), 'warm-jar-learning-'));
const get = async <T>(path: string) => (await (await fetch(`${api}${path}`)).json()) as T;
const address = async () => new URL(await bench.driver.getCurrentUrl());
const rows = () =>
  bench.driver.executeScript<string[]>('return [...document.querySelectorAll("tbody tr")].map((r) => r.textContent)');
/** Waits for a file to be handed out whole. */
const handedOut = (fits: RegExp) =>
  bench.driver.wait(
    () => readdirSync(folder).find((f) => fits.test(f)) ?? null,
    15_000,
    `no file like ${fits.source}`,
  ) as Promise<string>;
const hidden = async (label: string, file: string) =>
  (await bench.driver.wait(until.elementLocated(By.css(`input[aria-label="${label}"]`)), PATIENCE_MS)).sendKeys(file);

describe('the log', () => {
  it('has its columns dragged, and moved by keys with the focus on the heading', async () => {
    const headings = async () =>
      bench.driver.executeScript<string[]>(
        'return [...document.querySelectorAll("th[data-column]")].map((h) => h.dataset.column)',
      );
    const heading = (id: string) => bench.see(`th[data-column="${id}"]`);
    await bench.go('/batches?columns=startedAt,mould,grade');
    await bench.driver
      .actions()
      .move({ origin: await heading('grade') })
      .press()
      .move({ origin: await heading('mould'), duration: 300 })
      .move({ origin: await heading('mould'), x: -20, duration: 300 })
      .release()
      .perform();
    await bench.driver.wait(async () => (await headings())[1] === 'grade', PATIENCE_MS, 'the column is not put down');
    await expect.poll(headings).toEqual(['startedAt', 'grade', 'mould']);
    expect(new URL(await bench.driver.getCurrentUrl()).searchParams.get('columns')).toBe('startedAt,grade,mould');
    await (await heading('mould')).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_LEFT));
    await bench.driver.wait(async () => (await headings())[1] === 'mould', PATIENCE_MS, 'the keys do not move it');
    const focused = await bench.driver.switchTo().activeElement();
    expect(await focused.getAttribute('data-column')).toBe('mould');
  });
  it('is narrowed by what stands in the address, kept under a name, and taken up again', async () => {
    await bench.go('/batches?mould=M-12&symptom=bubbles');
    await bench.read(/\d+ batches found/);
    expect((await rows()).every((r) => r.includes('M-12'))).toBe(true);
    await bench.type('[aria-label="Name of this filter"]', 'nicked finials');
    await bench.tapWords('Save this filter');
    await bench.see('.chip.saved');
    await bench.tapWords('Clear');
    await bench.read(/2\d\d batches/);
    await bench.tapWords('nicked finials', '.chip.saved');
    await bench.read(/batches found/);
    await expect.poll(async () => (await address()).searchParams.get('mould')).toBe('M-12');
    await bench.go('/');
    await bench.go('/batches');
    await bench.see('.chip.saved');
    await bench.tap('[aria-label="Delete the filter nicked finials"]');
    await bench.gone('.chip.saved');
  });
  it('shows the columns that are chosen, and remembers them', async () => {
    await bench.go('/batches?columns=startedAt,lotB,note');
    await bench.see('tbody tr');
    const heads = await bench.driver.executeScript<string[]>(
      'return [...document.querySelectorAll("thead th")].map((h) => h.textContent.trim()).filter(Boolean)',
    );
    expect(heads.filter((h) => h !== 'Castings')).toEqual(['Batch', 'Began', 'Lot B', 'Note']);
    await bench.tap('[aria-label="Columns"], .columns');
    await bench.tapWords('Grade', '.p-multiselect-overlay');
    await bench.press('\uE00C');
    await bench.driver.wait(
      async () => (await address()).searchParams.get('columns') === 'startedAt,lotB,grade,note',
      PATIENCE_MS,
      'the columns never reach the address',
    );
    await bench.go('/batches');
    await bench.see('tbody tr');
    await expect.poll(() => bench.text('thead')).toContain('Lot B');
    await bench.go('/batches?columns=startedAt,productSlug,mould,by,stage,outside,seen,grade');
  });
  it('sets several side by side, and hands them out as files', async () => {
    await bench.go('/batches?codes=B-0397,B-0409');
    await bench.read('2 batches found');
    const ticks = await bench.driver.findElements(By.css('tbody input[type="checkbox"]'));
    for (const tick of ticks) await tick.click();
    await bench.saveInto(folder);
    await bench.tapWords('Export of 2');
    await bench.tapWords('CSV of 2', '.p-menu');
    const csv = readFileSync(join(folder, await handedOut(/^batches.*\.csv$/)), 'utf8');
    expect(csv).toContain('mix.stirMin');
    expect(csv.trim().split('\r\n')).toHaveLength(3);
    await bench.tapWords('Compare 2');
    await expect.poll(() => bench.text('[data-test="verdict"]')).toMatch(/It cannot tell\. \d+ things differ/);
    await bench.see('[data-field="mix.stirMin"]');
    await expect.poll(async () => (await address()).searchParams.get('codes')).toBe('B-0409,B-0397');
  });
  it('brings a CSV of its own back in, with the refused row shown and the rest taken', async () => {
    const before = await get<{ total: number }>('/batches?pageSize=1');
    const [header, first] = readFileSync(
      join(
        folder,
        readdirSync(folder).find((f) => f.endsWith('.csv'))!,
      ),
      'utf8',
    )
      .replace(/^\uFEFF/, '')
      .split('\r\n') as [string, string];
    const codeAt = header.split(',').indexOf('code');
    const withCode = (code: string) =>
      first
        .split(',')
        .map((c, i) => (i === codeAt ? code : c))
        .join(',');
    const file = join(folder, 'to-bring-in.csv');
    writeFileSync(
      file,
      [header, first, withCode('X-01'), withCode('X-02').replace('house-coat-9', 'house-none')].join('\r\n'),
    );
    await bench.go('/batches/import');
    await hidden('Batch file', file);
    await expect
      .poll(() => bench.text('[data-test="counts"]'))
      .toMatch(/1 new, 0 in the log and different, 1 already there, 1 refused/);
    await expect.poll(() => bench.text('[data-action="refused"]')).toContain('house-none');
    await bench.tapWords('Import the 1 new');
    await bench.see('[data-test="done"]');
    expect((await get<{ total: number }>('/batches?pageSize=1')).total).toBe(before.total + 1);
    expect(batchSchema.parse(await get('/batches/X-01')).product.slug).toBe('house-coat-9');
  });
});

describe('patterns', () => {
  it('name the nicked mould and the late pressure in sentences, each with its batches', async () => {
    await bench.go('/');
    await bench.see('.bench');
    await bench.press('a');
    await bench.see('[data-finding="mould:M-12"]');
    await expect
      .poll(() => bench.text('[data-finding="pressing:late"]'))
      .toMatch(/\d+ of \d+ \(\d+ %, \d+–\d+\) castings pressed after they gelled/);
    const late = await bench.text('[data-finding="pressing:late"]');
    const told = Number(/Its (\d+) castings/.exec(late)![1]);
    await bench.tapWords('Its', '[data-finding="pressing:late"]');
    // The log holds batches; a finding counts the castings that came of them.
    await bench.read(/\d+ batch(es)? found/);
    const found = Number(/(\d+) batch(?:es)? found/.exec(await bench.text('main'))![1]);
    expect(found).toBeGreaterThan(0);
    expect(found).toBeLessThanOrEqual(told);
    await expect.poll(() => bench.text('[data-along="fact"]')).toContain('pressed after they gelled');
    await bench.tap('[data-along="fact"] button');
    await bench.gone('[data-along="fact"]');
  });
  it('draw faults over time for the one that is chosen, within the days that are', async () => {
    await bench.go('/patterns?kind=haze&from=2020-01-01&to=2020-12-31');
    await bench.read('Nothing was looked at in these days');
    await bench.see('[data-test="nothing"]');
    await bench.go('/patterns?kind=bubbles');
    await bench.see('[aria-label="Share of castings with bubbles"] svg path');
    expect((await bench.text('[data-test="changes"]')).length).toBeGreaterThan(10);
  });
});

describe('trials and figures', () => {
  it('show each series with what was changed, and hold it side by side', async () => {
    await bench.go('/trials');
    await expect
      .poll(() => bench.text('[data-series="B-0399"]'))
      .toMatch(/B-0399[\s\S]*spoiled[\s\S]*B-0414[\s\S]*none[\s\S]*A fresh lot of both parts/);
    await bench.tapWords('Compare', '[data-series="B-0399"]');
    await bench.see('[data-test="compare"]');
    await expect.poll(async () => (await address()).searchParams.get('codes')).toBe('B-0399,B-0414,B-0418');
  });
  it("set the studio's gel beside the card's, yields that add up, and the worn mould", async () => {
    await bench.go('/figures');
    await expect.poll(() => bench.text('[data-gel="house-clear-6"]')).toMatch(/card\s*9\.0\s*min/);
    const gel = await bench.text('[data-gel="house-clear-6"]');
    expect(gel).toMatch(/here\s*8\.\d\s*min/);
    await expect.poll(() => bench.text('[data-mould="M-01"]')).toContain('Worn: from pull');
    await bench.go('/products/house-clear-6');
    await expect
      .poll(() => bench.text('[data-test="own-gel"]'))
      .toMatch(/Gels in 8\.\d min .* faster than the card \(9\.0 min\)/);
    await bench.go('/figures');
    const castings = async () => {
      const each = await bench.driver.executeScript<number[]>(
        'return [...document.querySelectorAll("[data-yield] td:nth-child(2)")].map((c) => Number(c.textContent))',
      );
      return each.reduce((a, b) => a + b, 0);
    };
    await bench.see('[data-yield]');
    const byProduct = await castings();
    await bench.tapWords('Month');
    await bench.see('[data-yield^="20"]');
    expect(await castings()).toBe(byProduct);
    // A mix that is told apart counts as many times as it has castings.
    expect(byProduct).toBeGreaterThan((await get<{ total: number }>('/batches?pageSize=1')).total);
  });
});

describe('a piece in layers', () => {
  const piece = () => get<Piece>('/pieces/P-05');
  it('is begun, given layers, and says what speaks against them', async () => {
    await bench.go('/pieces');
    await bench.see('.list li');
    await bench.type('[aria-label="Name of the piece"]', 'tide table');
    await bench.tapWords('Begin it');
    await bench.see('#piece-height');
    await bench.pick('[aria-label="Product of the next layer"]', 'House Coat 9');
    await bench.tapWords('Add a layer');
    await bench.see('[data-layer="1"]');
    await bench.pick('[aria-label="Product of the next layer"]', 'House Chalk');
    await bench.tapWords('Add a layer');
    await expect.poll(() => bench.text('[data-layer="2"]')).toContain('off the edge');
    await expect.poll(() => bench.text('[data-test="better"]')).toContain('House Chalk, then House Coat 9');
    await bench.tapWords('Take this order');
    await bench.gone('[data-test="better"]');
    await bench.driver.wait(
      async () => (await piece()).layers[0]?.productSlug === 'house-chalk',
      PATIENCE_MS,
      'the order is not stored',
    );
    await bench.tap('[data-layer="1"] .open');
    await bench.type('#depth-0', '4');
    await bench.driver.wait(
      async () => (await piece()).layers[0]?.depthMm === 4,
      PATIENCE_MS,
      'the depth is not stored',
    );
  });
  it('gets its batch from the plan of the pour', async () => {
    await bench.tapWords('Plan this pour', '[data-layer="1"]');
    await expect.poll(() => bench.text('[data-test="for-layer"]')).toContain('For layer 1 of P-05');
    await bench.type('#plan-roomC', '22');
    await bench.type('#plan-humidityPct', '50');
    await bench.tapWords('Mass', '.fills');
    await bench.type('#plan-massG', '310');
    // Another tab brings nothing back over what was typed.
    await bench.tapWords('Air', '.tabs');
    await expect.poll(() => bench.valueOf('#plan-massG')).toBe('310');
    expect((await address()).searchParams.has('piece')).toBe(false);
    await bench.tapWords('Begin this batch');
    await bench.see('[data-test="step"]');
    const code = /batches\/([^/]+)\/bench/.exec((await address()).pathname)![1]!;
    expect((await piece()).layers[0]!.batch).toBe(code);
    await bench.go(`/batches/${code}`);
    await expect.poll(() => bench.text('[data-test="in-piece"]')).toContain('Layer 1 of P-05 tide table');
  });
  it('has layers put in between and moved by hand, and leaves the poured one where it lies', async () => {
    const order = async () => (await piece()).layers.map((l) => l.productSlug);
    await bench.go('/pieces/P-05');
    await bench.see('[data-layer="2"]');
    await bench.tap('[data-layer="2"] .open');
    await bench.tapWords('Put a layer below it', '[data-layer="2"]');
    await bench.see('[data-layer="3"]');
    await bench.driver.wait(async () => (await order()).length === 3, PATIENCE_MS, 'the layer is not stored');
    const before = await order();
    await bench.pick('[data-layer="2"] [aria-label="Product of the layer"]', 'House Deep 40');
    await bench.driver.wait(
      async () => (await order())[1] === 'house-deep-40',
      PATIENCE_MS,
      'the product is not stored',
    );
    await bench.tapWords('Move up', '[data-layer="2"]');
    await bench.driver.wait(async () => (await order())[2] === 'house-deep-40', PATIENCE_MS, 'the layer does not move');
    expect((await order())[0]).toBe(before[0]);
  });
  it('has a layer dragged to its place by its grip, and none from under the poured one', async () => {
    const order = async () => (await piece()).layers.map((l) => l.productSlug);
    await bench.go('/pieces/P-05');
    await bench.see('[data-layer="3"] .grip');
    expect(await bench.driver.findElements(By.css('.poured .grip'))).toHaveLength(0);
    const before = await order();
    const grip = async (layer: number) => bench.driver.findElement(By.css(`[data-layer="${layer}"] .grip`));
    await bench.driver
      .actions()
      .move({ origin: await grip(3) })
      .press()
      .move({ origin: await grip(2), y: 20, duration: 300 })
      .move({ origin: await grip(2), y: -10, duration: 300 })
      .release()
      .perform();
    await bench.driver.wait(async () => (await order())[1] === before[2], PATIENCE_MS, 'the layer is not put down');
    await expect.poll(order).toEqual([before[0], before[2], before[1]]);
  });
  it('asks before it is taken off the list', async () => {
    await bench.tapWords('Delete this piece');
    await bench.read('the order of its layers and its weighings are gone');
    await bench.tapWords('Keep it');
    expect((await piece()).layers).toHaveLength(3);
    await bench.go('/pieces/P-05');
    await bench.tapWords('Delete this piece');
    await bench.tapWords('Delete', '[role="alertdialog"]');
    await bench.see('[aria-label="Name of the piece"]');
    expect((await fetch(`${api}/pieces/P-05`)).status).toBe(404);
  });
  it('does not pour on a damp layer without a reason', async () => {
    await bench.go('/pieces/P-04');
    await bench.tapWords('Plan this pour', '[data-layer="2"]');
    await expect.poll(() => bench.text('[data-test="reason"]')).toContain('still loses');
    await bench.tapWords('Back', '[data-test="reason"]');
    await bench.gone('[data-test="reason"]');
    await bench.at('/pieces/P-04');
  });
  it('moves on when a drying layer is weighed dry', async () => {
    await bench.go('/pieces/P-04');
    await expect.poll(() => bench.text('[data-layer="2"]')).toContain('still loses');
    // Weighings some hours apart, as they would be by tomorrow.
    const stored = await fetch(`${api}/pieces/P-04`);
    const held = (await stored.json()) as Piece;
    const at = (h: number) => new Date(application.now().getTime() - h * 3_600_000).toISOString();
    await fetch(`${api}/pieces/P-04`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': stored.headers.get('etag')! },
      body: JSON.stringify({
        ...held,
        layers: held.layers.map((l, i) => (i === 0 ? { ...l, weighings: [{ at: at(8), massG: 553.1 }] } : l)),
      }),
    });
    await bench.go('/pieces/P-04');
    await bench.type('#weigh-0', '552.6');
    await bench.tapWords('Weighed now', '[data-layer="1"]');
    await bench.driver.wait(
      async () => (await bench.text('[data-layer="2"]')).includes('dry by weighing'),
      PATIENCE_MS,
      'the layer is never told dry',
    );
  });
  it('lists its weighings, each corrected or taken out where it stands', async () => {
    const masses = async () => (await get<Piece>('/pieces/P-04')).layers[0]!.weighings!.map((w) => w.massG);
    await bench.go('/pieces/P-04');
    await bench.type('#weighing-0-1', '553.5');
    await bench.driver.wait(async () => (await masses())[1] === 553.5, PATIENCE_MS, 'the weighing is not corrected');
    await bench.tap('[aria-label="Take weighing 2 out"]');
    await bench.driver.wait(async () => (await masses()).length === 1, PATIENCE_MS, 'the weighing is still there');
  });
  it('puts the layer below in view of a fault seen days later', async () => {
    await bench.go('/batches/B-0421/diagnosis');
    await expect.poll(() => bench.text('[data-test="in-piece"]')).toMatch(/Layer 2 of P-02[\s\S]*Below lies B-0406/);
    await expect.poll(() => bench.text('[data-test="summary"]')).toMatch(/damp|water-based/i);
  });
});

describe('a backup', () => {
  it('goes out whole, and back in after a look, with the present data kept aside', async () => {
    await bench.saveInto(folder);
    await bench.go('/backup');
    await bench.tap('[data-test="download"]');
    const file = await handedOut(/^warm-jar-.*\.zip$/);
    const { total } = await get<{ total: number }>('/batches?pageSize=1');
    const later = (await (
      await fetch(`${api}/batches`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ...soundBatch('house-tide'), code: null }),
      })
    ).json()) as Batch;
    await hidden('Backup file', join(folder, file));
    await expect.poll(() => bench.text('[data-test="found"]')).toContain(`${total} batches`);
    await bench.tapWords('Put this in place of what is here');
    await bench.read('It is in place');
    expect((await fetch(`${api}/batches/${later.code!}`)).status).toBe(404);
    expect((await get<{ total: number }>('/batches?pageSize=1')).total).toBe(total);
    await bench.tapWords('Go on with it');
    await bench.see('.bench');
  });
  it('makes copies by itself into a folder, once one is named', async () => {
    const into = join(folder, 'copies');
    await bench.go('/backup');
    await bench.type('#backup-folder', 'not/from/the/root');
    await bench.tap('.p-toggleswitch');
    await bench.tapWords('Save', 'form');
    await bench.read('from the root');
    await bench.type('#backup-folder', into);
    await bench.tapWords('Save', 'form');
    await bench.read('Saved.');
    expect(readdirSync(into).filter((f) => /^warm-jar-.*\.zip$/.test(f))).toHaveLength(1);
  });
});
