import { mkdirSync, writeFileSync } from 'node:fs';
import { batchSchema, limitReadings, plan, planRequestSchema, saltmarshCard, type Batch } from '@warm-jar/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { Bench } from './browser';
import { inBrowser } from './inBrowser';

/** Studio minutes go by in a tenth of the wall's. */
const SPEED = 10;
const { application, bench } = await inBrowser({ demo: true, speed: SPEED });

const card = saltmarshCard('house-clear-6');
const SCALE = 'D-02';
const sleep = (ms: number) =>
  new Promise((done) => {
    setTimeout(done, ms);
  });
const api = (path: string, init?: RequestInit) => fetch(`${application.address}/api/v1${path}`, init);
const post = (path: string, body: object) =>
  api(path, { method: 'POST', body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } });
const act = async (device: string, body: object) => {
  expect((await post(`/devices/${device}/act`, body)).status).toBe(204);
};
const record = async (code: string): Promise<Batch> => batchSchema.parse(await (await api(`/batches/${code}`)).json());
/** Waits until the stored record says so. */
async function stored(code: string, says: (b: Batch) => boolean, what: string): Promise<Batch> {
  for (let i = 0; i < 100; i += 1) {
    const b = await record(code);
    if (says(b)) return b;
    await sleep(100);
  }
  throw new Error(`the record never has ${what}`);
}
const step = (words: string, b = bench) =>
  b.driver.wait(
    async () => (await b.text('[data-test="step"]').catch(() => '')) === words,
    20_000,
    `never at the step ${words}`,
  );
const net = async () => Number.parseFloat(await bench.text('[data-test="net"]'));
const weighs = (from: number, to: number) =>
  bench.driver.wait(
    async () => {
      const g = await net();
      return g >= from && g <= to;
    },
    10_000,
    `the scale never comes between ${from} and ${to}`,
  );
/** Pictures of each stage, for a look; kept where the folder is named. */
async function picture(name: string): Promise<void> {
  const folder = process.env['WARM_JAR_STAGES'];
  if (!folder) return;
  mkdirSync(folder, { recursive: true });
  await sleep(400);
  writeFileSync(`${folder}/${name}.png`, await bench.driver.takeScreenshot(), 'base64');
}
async function begin(patch: Record<string, unknown> = {}): Promise<string> {
  const request = planRequestSchema.parse({
    product: card,
    want: { volumeML: 248, additives: [{ name: 'amber dye', kind: 'dye', pct: 1.45, dropsPerG: 40 / 1.24 }] },
    conditions: { roomC: 21, humidityPct: 55, resinC: 22 },
    route: 'vacuum-then-pressure',
    gear: {
      scaleStepG: 0.1,
      vesselFreeL: 18,
      vesselRatedKPa: 400,
      compressorTankL: 6,
      compressorTankKPa: 800,
      freeAirLPerMin: 38,
      vacuumKPaAbs: 1.5,
    },
    mould: { depthMm: 22, thinnestMm: 6 },
    ...patch,
  });
  const made = await post('/batches', {
    format: 'warm-jar.batch/1',
    product: { slug: card.slug },
    mould: { code: 'M-08', degassed: true, thinnestMm: 6 },
    pressure: { vessel: 'G-04' },
    plan: { ...plan(request), request: { ...request, product: { slug: card.slug } } },
  });
  expect(made.status).toBe(201);
  return ((await made.json()) as { code: string }).code;
}

describe('a whole run at the bench', () => {
  let code = '';
  it('weighs A against its target, tared by a key', async () => {
    code = await begin();
    await bench.go(`/batches/${code}/bench`);
    await step('Weigh A');
    await bench.driver.wait(async () => /°C/.test(await bench.text('[data-test="resin-now"]')), 10_000);
    await bench.press('r');
    await bench.press('h');
    await act(SCALE, { do: 'put', massG: 38 });
    await weighs(37.5, 38.6);
    await bench.press('z');
    await weighs(-0.4, 0.4);
    const target = Number.parseFloat(await bench.text('[data-test="target"]'));
    await act(SCALE, { do: 'pour', massG: target - 6, gPerS: 40 });
    await weighs(target - 7, target - 5);
    expect(await bench.text('[data-test="cue"]')).toBe('Slow now');
    await picture('1-weigh-a');
    await act(SCALE, { do: 'pour', massG: 6, gPerS: 6 });
    await weighs(target - 0.3, target + 0.5);
    expect(await bench.text('[data-test="cue"]')).toBe('Enough');
    await bench.press(Key.ENTER);
    const b = await stored(code, (x) => x.mix?.amountA != null, 'A');
    expect(Math.abs(b.mix!.amountA! - target)).toBeLessThan(0.6);
    expect(b.room!.temperatureC).toBeGreaterThan(10);
    expect(b.resin!.temperatureAC).toBeGreaterThan(10);
    expect(b.startedAt ?? null).toBeNull();
  });

  it('follows with B what A really was; the clock starts when they meet; an over-pour is brought back', async () => {
    await step('Weigh B');
    const target = Number.parseFloat(await bench.text('[data-test="target"]'));
    expect(Math.abs(target - (await record(code)).mix!.amountA! * 0.82)).toBeLessThan(0.1);
    await act(SCALE, { do: 'pour', massG: target + 12, gPerS: 60 });
    await weighs(target + 11, target + 13);
    expect(await bench.text('[data-test="cue"]')).toBe('Over');
    expect(await bench.text('[data-test="pot-left"]')).toMatch(/^\d:\d\d$/);
    await picture('2-weigh-b');
    await bench.press(Key.ENTER);
    await step('Bring it back');
    const add = Number.parseFloat(await bench.text('[data-test="bring-back"] strong'));
    expect(Math.abs(add - 12 / 0.82)).toBeLessThan(1.5);
    expect(await bench.text('[data-test="bring-back"]')).toContain('The cup holds it');
    await picture('3-bring-back');
    await act(SCALE, { do: 'pour', massG: add, gPerS: 20 });
    await bench.read(/Added 1\d(\.\d)? g/);
    await sleep(1200);
    await bench.press(Key.ENTER);
    await step('Colour');
    const b = await record(code);
    const error = limitReadings(card, b).find((r) => r.field === 'mix.ratioErrorPct')!;
    expect(error.state).toBe('inside');
    expect(b.startedAt).toBeTruthy();
  });

  it("counts drops onto the strip, and takes none past the card's limit without a reason", async () => {
    await bench.press(...'+'.repeat(3));
    await bench.driver.wait(
      async () => (await bench.text('[data-test="colour"] strong')) === '3',
      5_000,
      'a key is not a drop',
    );
    await bench.press(...'+'.repeat(160));
    await bench.see('[data-test="reason"]');
    await picture('4-colour');
    const before = await bench.text('[data-test="colour"] strong');
    await bench.type('[data-test="reason"] input', 'a deep amber was ordered');
    await bench.press(Key.ENTER);
    await bench.gone('[data-test="reason"]');
    // Three, so that the rounding of the scale's hundredths does not decide.
    await bench.press('+', '+', '+');
    await bench.driver.wait(
      async () => Number(await bench.text('[data-test="colour"] strong')) === Number(before) + 3,
      5_000,
    );
    await bench.press(Key.ENTER);
    await step('Stir');
    const b = await stored(code, (x) => (x.additives?.length ?? 0) > 0, 'the dye');
    expect(b.additives![0]).toMatchObject({
      name: 'amber dye',
      kind: 'dye',
      drops: Number(before) + 3,
      applied: 'mixed',
    });
    expect(b.bench!.reasons![0]).toMatchObject({ reason: 'a deep amber was ordered' });
    expect(limitReadings(card, b).find((r) => r.field === 'additives.dye.pct')!.state).toBe('above');
  });

  it("stirs for the card's minutes with a word for wall and bottom; a reading moves the clock; a device drops out and comes back", async () => {
    await bench.press(Key.ENTER);
    await bench.driver.wait(async () => (await bench.text('[data-test="cue"]')) === 'Scrape the wall', 20_000);
    await picture('5-stir');
    await bench.press('r');
    const read = await stored(
      code,
      (x) => (x.readings ?? []).some((r) => r.what === 'resin'),
      'a reading of the resin',
    );
    expect(read.readings!.find((r) => r.what === 'resin')!.atMin).toBeGreaterThan(0);
    await bench.read('from the temperatures read');
    await act('D-03', { do: 'silence', seconds: 40 });
    await bench.driver.wait(async () => (await bench.text('[data-test="resin-now"]')) === 'silent', 8_000);
    await bench.driver.wait(async () => /°C/.test(await bench.text('[data-test="resin-now"]')), 10_000);
    await bench.driver.wait(async () => (await bench.text('[data-test="cue"]')) === 'Stirred long enough', 20_000);
    await bench.press(Key.ENTER);
    const b = await stored(code, (x) => x.mix?.stirMin != null, 'the stir');
    expect(b.mix!.stirMin).toBeGreaterThanOrEqual(1.5);
    expect(b.mix).toMatchObject({ scrapedWalls: true, tool: 'steel' });
  });

  it('takes the last step back', async () => {
    await step('Clear the air');
    await bench.press('u');
    await step('Stir');
    expect(
      (await stored(code, (x) => x.mix?.stirMin == null, 'the stir taken back')).mix!.scrapedWalls ?? null,
    ).toBeNull();
    await bench.press(Key.ENTER);
    await step('Clear the air');
  });

  it('clears under vacuum by the gauge, and pours', async () => {
    await bench.press(Key.ENTER);
    await act('D-05', { do: 'fill', toKPa: 2, minutes: 0.3 });
    await bench.read(/Gauge 2(\.\d)? kPa/);
    await picture('6-clear');
    await sleep(3000);
    await bench.press(Key.ENTER);
    await step('Pour');
    await bench.press(Key.ENTER);
    await bench.read('cup scraped into it');
    await picture('7-pour');
    await bench.press(Key.ENTER);
    const b = await stored(code, (x) => x.pour?.finishedMin != null, 'the pour');
    expect(b.degas).toMatchObject({ method: 'vacuum-then-pressure' });
    expect(b.degas!.vacuumKPaAbs).toBeLessThan(3);
    expect(b.pour!.depthMm).toBe(22);
    expect(b.pour!.startedMin!).toBeLessThanOrEqual(b.pour!.finishedMin!);
  });

  it('closes only when all was looked at, comes to pressure too late, and says so', async () => {
    await step('Close the vessel');
    await bench.read('rated to 400 kPa');
    expect(await (await bench.see('[data-test="close"] .do')).isEnabled()).toBe(false);
    for (const i of [1, 2, 3, 4]) await bench.tap(`.checks li:nth-child(${i}) label span`);
    await bench.driver.wait(async () => (await bench.see('[data-test="close"] .do')).isEnabled(), 5_000);
    await picture('8-close');
    await bench.press(Key.ENTER);
    await step('Bring to pressure');
    await bench.driver.wait(async () => (await bench.text('[data-test="press"]')).includes('it gelled'), 90_000);
    await picture('9-press');
    await act('D-04', { do: 'fill', toKPa: 338, minutes: 0.4 });
    await step('Hold');
    const b = await stored(code, (x) => x.pressure?.reachedMin != null, 'full pressure');
    expect(b.pressure!.gaugeKPa).toBeGreaterThan(325);
    expect(limitReadings(card, b).find((r) => r.field === 'pressure.reachedMin')!.state).toBe('above');
  });

  it('hears a leak, and lets nobody open the lid under pressure', async () => {
    await act('D-04', { do: 'fill', toKPa: 338, minutes: 0.05, leakKPaPerMin: 8 });
    await bench.see('[data-test="leak"]');
    await picture('10-hold');
    await bench.press(Key.ENTER);
    await bench.type('[data-test="reason"] input', 'it leaks');
    await bench.press(Key.ENTER);
    await bench.read('Bleed slowly to zero');
    expect(await (await bench.see('[data-test="hold"] .do')).isEnabled()).toBe(false);
    await act('D-04', { do: 'bleed', minutes: 0.3 });
    await bench.driver.wait(async () => (await bench.see('[data-test="hold"] .do')).isEnabled(), 10_000);
    await bench.press(Key.ENTER);
    await step('Watch');
    expect((await record(code)).bench!.reasons!.map((r) => r.field)).toContain('pressure.releasedMin');
  });

  it('watches: the witness, the surface, out early only with a reason; then tells what the record lacks', async () => {
    await bench.press('w');
    await bench.press('f');
    await stored(
      code,
      (x) => x.witness?.setMin != null && (x.readings ?? []).some((r) => r.what === 'surface'),
      'witness and surface',
    );
    await bench.read('Surface by the model');
    await picture('11-watch');
    await bench.press(Key.ENTER);
    await bench.type('[data-test="reason"] input', 'needed at once');
    await bench.press(Key.ENTER);
    await step('Done');
    await bench.see('[data-test="gaps"]');
    await picture('12-after');
    const b = await record(code);
    expect(b.cure!.demouldedMin).toBeGreaterThan(b.pressure!.releasedMin!);
    expect((b.readings ?? []).map((r) => r.what)).toEqual(
      expect.arrayContaining(['scale', 'resin', 'vacuum', 'gauge', 'surface']),
    );
    expect(b.bench!.done!.map((d) => d.step)).toEqual(
      expect.arrayContaining([
        'weigh-a',
        'weigh-b',
        'bring-back',
        'stir',
        'clear',
        'pour',
        'close',
        'press',
        'hold',
        'watch',
      ]),
    );
  });
});

describe('what comes after the run', () => {
  it('stands on Today, and the hardness is taken from the tester by a key', async () => {
    await bench.go('/');
    expect(await bench.text('[data-test="agenda"]')).toContain('Trim sprue');
    await bench.go('/batches/B-0415/check');
    await bench.see('#shore');
    await bench.press('y');
    await bench.driver.wait(async () => /^\d+$/.test(await bench.valueOf('#shore')), 8_000);
    expect(Number(await bench.valueOf('#shore'))).toBeGreaterThan(5);
  });
});

describe('nothing is lost', () => {
  const typed = async (b: Bench, g: string) => {
    await b.type('#bench-typed', g);
    await b.driver.executeScript('document.activeElement.blur()');
    await b.press(Key.ENTER);
  };

  it('when two tablets work on one batch: different fields both stand, the same is asked about', async () => {
    const code = await begin();
    const second = await Bench.open(application.address);
    try {
      for (const b of [bench, second]) {
        await b.go(`/batches/${code}/bench`);
        await step('Weigh A', b);
      }
      await second.driver.wait(
        async () => /\d °C, \d+ %|\d °C/.test(await second.text('[aria-label="Readings"]')),
        10_000,
      );
      await second.press('h');
      await typed(bench, '145.8');
      await step('Weigh B', bench);
      await step('Weigh B', second);
      const both = await stored(code, (x) => x.mix?.amountA === 145.8 && x.room?.temperatureC != null, 'both fields');
      expect(both.mix!.amountA).toBe(145.8);
      await second.offline(true);
      await typed(second, '119');
      await second.see('[data-test="waiting"]');
      await typed(bench, '119.6');
      await step('Colour', bench);
      await second.offline(false);
      await second.see('[data-test="conflict"]');
      expect(await second.text('[data-test="conflict"]')).toContain('They wrote 119.6, you 119.');
      await second.tapWords('Theirs stands', '[data-test="conflict"]');
      await second.gone('[data-test="conflict"]');
      expect((await record(code)).mix!.amountB).toBe(119.6);
    } finally {
      await second.close();
    }
  });

  it('when the network is cut and the page reloaded before it is back in step', async () => {
    const code = await begin();
    await bench.go(`/batches/${code}/bench`);
    await step('Weigh A');
    await bench.offline(true);
    await typed(bench, '150');
    await step('Weigh B');
    await typed(bench, '123');
    await step('Colour');
    expect(await bench.text('[data-test="waiting"]')).toContain('wait here for the server');
    expect((await record(code)).mix?.amountA ?? null).toBeNull();
    await bench.offline(false);
    await bench.driver.navigate().refresh();
    await step('Colour');
    const b = await stored(code, (x) => x.mix?.amountB != null, 'what waited');
    expect(b.mix).toMatchObject({ amountA: 150, amountB: 123 });
    await bench.gone('[data-test="waiting"]');
  });

  it('when the server is killed in the middle of weighing', async () => {
    const code = await begin();
    await bench.go(`/batches/${code}/bench`);
    await step('Weigh A');
    await typed(bench, '150');
    await stored(code, (x) => x.mix?.amountA === 150, 'A');
    await application.kill();
    await step('Weigh B');
    await typed(bench, '123');
    await bench.read('which is away. Go on; nothing is lost');
    await step('Colour');
    await application.resume();
    const b = await stored(code, (x) => x.mix?.amountB === 123, 'what waited for the server');
    expect(b.mix!.amountA).toBe(150);
    await bench.gone('[data-test="waiting"]');
  });
});

describe('the wall board', () => {
  it('follows the bench on another screen', async () => {
    const code = await begin();
    const wall = await Bench.open(application.address);
    try {
      await wall.go(`/board?batch=${code}`);
      await wall.read('Weigh A');
      const target = Number.parseFloat(await wall.text('[data-test="board-number"]'));
      expect(target).toBeGreaterThan(100);
      const height = await wall.driver.executeScript<number>(
        'return document.querySelector("[data-test=board-number]").getBoundingClientRect().height',
      );
      expect(height).toBeGreaterThan(180);
      await post(`/batches/${code}/entries`, {
        key: `board-${code}`,
        at: application.now().toISOString(),
        set: [{ path: 'mix.amountA', was: null, value: 150 }],
      });
      await wall.driver.wait(async () => (await wall.text('[data-test="board-step"]')) === 'Weigh B', 10_000);
      expect(await wall.text('[data-test="board-number"]')).toBe('123 g');
      if (process.env['WARM_JAR_STAGES'])
        writeFileSync(`${process.env['WARM_JAR_STAGES']}/board.png`, await wall.driver.takeScreenshot(), 'base64');
    } finally {
      await wall.close();
    }
  });
});
