import { soundBatch } from '@warm-jar/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { inBrowser } from './inBrowser';

const { application, bench } = await inBrowser({ demo: true });

const field = (path: string) => `[data-path="${path}"] input`;
const fill = async (values: Record<string, string>) => {
  for (const [path, text] of Object.entries(values)) await bench.type(field(path), text);
};
const answer = (path: string, words: string) => bench.tapWords(words, `[data-path="${path}"]`);
const api = `${application.address}/api/v1`;

/** A new batch on the log page, nothing left of one begun before. */
async function beginLogging(): Promise<void> {
  await bench.go('/');
  await bench.see('.bench');
  await bench.driver.executeScript('localStorage.removeItem("warm-jar.drafts")');
  await bench.driver.navigate().refresh();
  await bench.see('.bench');
  await bench.press('n');
  await bench.pick('#product', 'House Clear 6');
}
const COLD_AND_DAMP = {
  'room.temperatureC': '16',
  'room.humidityPct': '71',
  'resin.temperatureAC': '17',
  'resin.temperatureBC': '17,5',
};
/** Stores a batch of the studio's clear resin. @returns its code */
async function stored(record: Record<string, unknown>): Promise<string> {
  const answered = await fetch(`${api}/batches`, {
    method: 'POST',
    body: JSON.stringify({ ...soundBatch('house-clear-6', record), code: null }),
    headers: { 'Content-Type': 'application/json' },
  });
  return ((await answered.json()) as { code: string }).code;
}

describe('a technician logs a cold, damp, under-stirred batch', () => {
  it('sees the limits while typing', async () => {
    await beginLogging();
    await fill(COLD_AND_DAMP);
    await expect
      .poll(async () => (await bench.see('[data-field="room.temperatureC"]')).getAttribute('data-state'))
      .toBe('below');
    await expect
      .poll(async () => (await bench.see('[data-field="room.humidityPct"]')).getAttribute('data-state'))
      .toBe('above');
    await fill({ 'mix.amountA': '151.4' });
    await expect.poll(() => bench.text('[data-test="target-b"]')).toBe('124.1 g');
    await fill({ 'mix.amountB': '124' });
    await expect
      .poll(async () => (await bench.see('[data-field="mix.ratioErrorPct"]')).getAttribute('data-state'))
      .toBe('inside');
    expect(Number.parseFloat(await bench.text('[data-test="pot-life"]'))).toBeGreaterThan(6);
  });

  it('loses nothing by reloading half-way, not even what is no number yet', async () => {
    await beginLogging();
    await fill({ ...COLD_AND_DAMP, 'mix.amountB': '124', 'mix.stirMin': 'one' });
    await bench.read('Write a number, such as 21.5');
    await bench.driver.navigate().refresh();
    await expect.poll(() => bench.valueOf(field('room.temperatureC'))).toBe('16');
    await expect.poll(() => bench.valueOf(field('resin.temperatureBC'))).toBe('17.5');
    await expect.poll(() => bench.valueOf(field('mix.amountB'))).toBe('124');
    await expect.poll(() => bench.valueOf(field('mix.stirMin'))).toBe('one');
  });

  it('takes the moment at which the parts met as it is typed, and says where it cannot be read', async () => {
    await beginLogging();
    await bench.type('#startedAt', '2026-03-14 09:20');
    await bench.driver.navigate().refresh();
    await expect.poll(() => bench.valueOf('#startedAt')).toBe('2026-03-14 09:20');
    await bench.type('#startedAt', 'last night');
    await bench.type('#by', 'KO');
    await bench.read('"last night" was not read');
    await bench.tapWords('Now');
    await expect.poll(() => bench.valueOf('#startedAt')).toMatch(/^\d{4}-\d\d-\d\d \d\d:\d\d$/);
  });

  it('is told which field stops the save, mends it and saves', async () => {
    await beginLogging();
    await fill({ ...COLD_AND_DAMP, 'mix.amountA': '151.4', 'mix.amountB': '124', 'mix.stirMin': 'one' });
    await bench.pressWith(Key.CONTROL, Key.ENTER);
    await bench.read('Not saved yet: one field needs a look');
    await fill({ 'mix.stirMin': '0.8' });
    await answer('mix.scrapedWalls', 'No');
    await answer('mix.tool', 'wood');
    await answer('degas.method', 'none');
    await fill({
      'resin.atPourC': '19',
      'pour.startedMin': '2',
      'pour.finishedMin': '3.5',
      'pour.depthMm': '25',
      'pressure.gaugeKPa': '345',
      'pressure.startedMin': '4',
      'pressure.reachedMin': '6',
      'pressure.releasedMin': '150',
      'cure.temperatureC': '16',
      'cure.demouldedMin': '200',
    });
    await bench.tapWords('Save the batch');
    await bench.read(/B-\d{4} is in the log/);
    await expect.poll(() => bench.text('[data-test="outside"]')).toMatch(/^\d+ outside$/);
    await expect
      .poll(async () => (await bench.see('[data-field="mix.stirMin"]')).getAttribute('data-state'))
      .toBe('below');
  });

  it('records what is seen, and reads why', async () => {
    const code = await stored({
      startedAt: application.now().toISOString(),
      room: { temperatureC: 16, humidityPct: 71 },
      resin: { temperatureAC: 17, temperatureBC: 17.5, atPourC: 19 },
      mix: { amountA: 151.4, amountB: 124, unit: 'g', stirMin: 0.8, scrapedWalls: false, tool: 'wood' },
      degas: { method: 'none' },
      pour: { startedMin: 2, finishedMin: 3.5, depthMm: 25 },
      pressure: { gaugeKPa: 345, startedMin: 4, reachedMin: 6, releasedMin: 150 },
      cure: { temperatureC: 16, demouldedMin: 200 },
    });
    await bench.go(`/batches/${code}`);
    await bench.see('[data-test="outside"]');
    await bench.press('c');
    await bench.tap('[data-symptom="bubbles"]');
    await bench.tap('[data-pattern="micro-throughout"]');
    await bench.tapWords('4 spoils the piece');
    await bench.tap('[data-symptom="tacky"]');
    await bench.tap('[data-pattern="tacky-all-over"]');
    await bench.type('#afterH', '24');
    await bench.type('#shore', '61');
    await bench.tapWords('scrap');
    await bench.tapWords('Save and say why');
    // The batch began a minute ago: a look after a day is asked about before it is stored.
    await bench.read('Is that right?');
    await bench.tapWords('It is right');
    await bench.tapWords('Bubbles, micro throughout'.toLowerCase());
    await bench.read('Damp in the resin');
    await expect.poll(async () => (await bench.see('.cause.first')).getAttribute('data-cause')).toBe('damp-resin');
    await expect.poll(() => bench.text('.cause.first')).toContain('71 %');
    await expect.poll(() => bench.text('.mend')).toContain('dust mask');
    await bench.tapWords('tacky, tacky all over');
    // Too cold and too short stand side by side here: which leads, the studio's own year decides.
    await bench.see('[data-cause="under-mixed"]');
    expect(['under-mixed', 'cold-cure']).toContain(await (await bench.see('.cause.first')).getAttribute('data-cause'));
    await expect.poll(() => bench.text('[data-cause="cold-cure"]')).toContain('16 °C');
    await expect.poll(() => bench.text('.next')).toContain('Stir for at least 1.5 min');
  });

  it('answers a question where it stands, and is not asked again', async () => {
    const batch = soundBatch('house-clear-6', {
      code: 'B-0999',
      room: { humidityPct: null },
      checks: [{ afterH: 24, symptoms: [{ kind: 'bubbles', pattern: 'top-foam' }] }],
    });
    await fetch(`${application.address}/api/v1/batches`, {
      method: 'POST',
      body: JSON.stringify(batch),
      headers: { 'Content-Type': 'application/json' },
    });
    await bench.go('/batches/B-0999/diagnosis');
    await bench.tap('[data-ask="room.humidityPct"] .question');
    await bench.type('[data-ask="room.humidityPct"] input', '88');
    await bench.gone('[data-ask="room.humidityPct"]');
    const stored = await fetch(`${application.address}/api/v1/batches/B-0999`);
    expect(((await stored.json()) as { room: { humidityPct: number } }).room.humidityPct).toBe(88);
    await fetch(`${application.address}/api/v1/batches/B-0999`, {
      method: 'DELETE',
      headers: { 'If-Match': stored.headers.get('etag')! },
    });
    await bench.go('/');
    await bench.see('.bench');
  });

  it('finds the same batch in the log, by words and by symptom', async () => {
    const code = await stored({
      checks: [{ afterH: 24, symptoms: [{ kind: 'bubbles', pattern: 'micro-throughout', severity: 4 }] }],
    });
    await bench.go('/');
    await bench.see('.bench');
    await bench.complaints();
    await bench.press('l');
    await bench.type('input[aria-label="Search the log"]', code.slice(2));
    await bench.read('1 batch found');
    await bench.read('bubbles, micro throughout');
    await expect.poll(() => bench.driver.getCurrentUrl()).toContain(`search=${code.slice(2)}`);
    await bench.tapWords('Clear');
    await bench.read(/2[45][0-9] batches/);
    await bench.pick('[aria-label="Symptom"]', 'tacky');
    await bench.read(/\d+ batches found/);
    const symptoms = () =>
      bench.driver.executeScript<string[]>(
        'return [...document.querySelectorAll("tbody tr")].map((r) => r.textContent)',
      );
    await bench.driver.wait(
      async () => (await symptoms()).every((text) => text.includes('tacky')),
      PATIENCE_MS,
      'batches without the symptom stay',
    );
    expect((await symptoms()).length).toBeGreaterThan(4);
    expect(await bench.complaints()).toEqual([]);
  });
});

describe('two screens on one batch', () => {
  it('says in words what the other changed, and puts both together field by field', async () => {
    await bench.go('/batches/B-0414/edit');
    await bench.type('textarea', 'typed on the tablet');
    await bench.type(field('mix.stirMin'), '4.5');
    const stored = await fetch(`${application.address}/api/v1/batches/B-0414`);
    const before = (await stored.json()) as { room: object };
    const put = await fetch(`${application.address}/api/v1/batches/B-0414`, {
      method: 'PUT',
      body: JSON.stringify({ ...before, note: 'typed at the desk', room: { ...before.room, temperatureC: 16.5 } }),
      headers: { 'Content-Type': 'application/json', 'If-Match': stored.headers.get('etag')! },
    });
    expect(put.status).toBe(200);
    await bench.tapWords('Save the change');
    await bench.read('Changed on another screen');
    await expect.poll(() => bench.text('[data-test="merge"]')).toMatch(/Room[^\n]*: \d+(\.\d)? °C → 16\.5 °C/);
    await expect
      .poll(() => bench.text('[data-conflict="note"]'))
      .toMatch(/Theirs:\s*typed at the desk\s*Mine:\s*typed on the tablet/);
    // The safe choice has the focus, and theirs stands until somebody says otherwise.
    await expect.poll(async () => (await bench.driver.switchTo().activeElement()).getText()).toBe('Put both together');
    await bench.press('\uE007');
    await bench.read('Both changes are put together here');
    await expect.poll(() => bench.valueOf('textarea')).toBe('typed at the desk');
    await bench.tapWords('Save the change');
    await bench.read('B-0414 is in the log');
    const now = await (await fetch(`${application.address}/api/v1/batches/B-0414`)).json();
    expect(now).toMatchObject({ note: 'typed at the desk', mix: { stirMin: 4.5 }, room: { temperatureC: 16.5 } });
    await bench.complaints();
  });
  it('keep two drafts of it, one in each tab', async () => {
    await bench.go('/batches/B-0413/edit');
    await bench.type('textarea', 'in the first tab');
    const first = await bench.driver.getWindowHandle();
    await bench.driver.switchTo().newWindow('tab');
    try {
      await bench.go('/batches/B-0413/edit');
      await bench.see('textarea');
      expect(await bench.valueOf('textarea')).not.toBe('in the first tab');
      await bench.type('textarea', 'in the second tab');
    } finally {
      await bench.driver.close();
      await bench.driver.switchTo().window(first);
    }
    await bench.driver.navigate().refresh();
    await bench.see('textarea');
    await expect.poll(() => bench.valueOf('textarea')).toBe('in the first tab');
  });
});

describe('units', () => {
  it('are chosen once and hold on every screen, while the record keeps its own', async () => {
    await bench.go('/settings');
    await bench.tapWords('°F', '[data-quantity="temperature"]');
    await bench.tapWords('psi', '[data-quantity="pressure"]');
    await bench.tapWords('in', '[data-quantity="length"]');
    await bench.go('/batches/B-0399');
    await expect.poll(() => bench.text('[data-field="room.temperatureC"]')).toContain('63.3 °F');
    await bench.go('/products/house-clear-6');
    await bench.read('39.9 psi to 60.2 psi');
    await bench.go('/batches/B-0403/diagnosis');
    await bench.read('190.4 °F');
    await bench.go('/batches/B-0399/edit');
    await expect.poll(() => bench.valueOf(field('room.temperatureC'))).toBe('63.32');
    await bench.type(field('room.temperatureC'), '68');
    await bench.tapWords('Save the change');
    await bench.read('B-0399 is in the log');
    const stored = (await (await fetch(`${application.address}/api/v1/batches/B-0399`)).json()) as {
      room: { temperatureC: number };
    };
    expect(stored.room.temperatureC).toBeCloseTo(20, 9);
  });
});

describe('the keys', () => {
  it('open a list with ?, go to jars and views, and stay out of the way while typing', async () => {
    await bench.go('/');
    await bench.see('.bench');
    await bench.press('?');
    await bench.read('A jar on the shelf');
    await bench.press(Key.ESCAPE);
    await bench.gone('[role="dialog"]');
    await bench.press('l');
    await bench.see('tbody tr');
    await bench.tap('input[aria-label="Search the log"]');
    await bench.press('tp');
    await expect.poll(() => bench.valueOf('input[aria-label="Search the log"]')).toBe('tp');
    await bench.press(Key.ESCAPE, Key.TAB);
    await bench.go('/products');
    await bench.see('.groups');
    await bench.see('.shelf .code');
    await bench.press('1');
    await bench.see('[data-test="step"]');
    await expect.poll(() => bench.driver.getCurrentUrl()).toMatch(/\/batches\/B-\d+\/bench$/);
  });
});
