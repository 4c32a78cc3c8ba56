import { partsForTotal, saltmarshCard } from '@warm-jar/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { VESSEL, benchRun, hands } from './benchRun';
import { inBrowser } from './inBrowser';

/** From the closed vessel to the piece out of its mould, on a clock that stands and goes on as a test says. */
const { application, bench } = await inBrowser({ demo: true, speed: 0 });
const { act, at, begin, record, stored, post } = benchRun(application);
const { enter, open, says, step, typed, until } = hands(bench);
const { advance } = application;

describe('pressing', () => {
  it('says so where its step cannot be fetched, and comes by a button once it can', async () => {
    const code = await at('close', 4);
    const block = (urls: readonly string[]) => bench.ask('Network.setBlockedURLs', { urls });
    await bench.ask('Network.enable');
    await block(['*CloseStep*']);
    await open(code);
    await bench.read('the clock runs on');
    await bench.see('[data-test="step"]');
    await bench.tapWords('Try again', '.problem');
    await bench.see('.problem');
    await block([]);
    await bench.tapWords('Try again', '.problem');
    await bench.see('[data-test="close"]');
    await bench.gone('.problem');
    // With its own style: rows that gloves hit.
    const low = await bench.driver.executeScript<number>(
      `return Math.min(...[...document.querySelectorAll('[data-test="close"] label')].map((l) => l.offsetHeight))`,
    );
    expect(low).toBeGreaterThanOrEqual(48);
    await bench.complaints();
  });
  it('closes only in a vessel that was chosen and when all was looked at, by keys too', async () => {
    const code = await at('close', 4);
    await open(code);
    const close = '[data-test="close"] .actions .do';
    await expect.poll(async () => (await bench.see(close)).isEnabled()).toBe(false);
    for (const key of ['d', 'e', 'f', 'g']) {
      await bench.press(key);
      await stored(code, (x) => (x.bench?.checked?.length ?? 0) === 'defg'.indexOf(key) + 1, `check ${key}`);
    }
    await expect.poll(async () => (await bench.see(close)).isEnabled()).toBe(false);
    expect((await record(code)).pressure?.vessel ?? null).toBeNull();
    await bench.press('j');
    await bench.read('rated to 400 kPa');
    await enter();
    await step('Bring to pressure');
    const b = await stored(code, (x) => x.pressure?.startedMin != null, 'the lid');
    expect(b.pressure).toMatchObject({ vessel: VESSEL, startedMin: 4 });
  });

  it('takes full pressure by the gauge, once and without a conflict with itself', async () => {
    const code = await at('press', 4);
    await open(code);
    await act(VESSEL, { do: 'fill', toKPa: 338, minutes: 0.4 });
    await advance(25);
    await step('Hold');
    const b = await stored(code, (x) => x.pressure?.reachedMin != null, 'full pressure');
    expect(b.pressure!.gaugeKPa).toBeGreaterThan(325);
    expect(b.bench!.done!.filter((d) => d.step === 'press')).toHaveLength(1);
    expect(await bench.driver.findElements({ css: '[data-test="conflict"]' })).toEqual([]);
    await act(VESSEL, { do: 'bleed', minutes: 0.1 });
    await advance(30);
  });

  it('asks before less than planned is taken for full pressure', async () => {
    const code = await at('press', 4);
    await open(code);
    await typed('#bench-gauge', '200');
    await says('[data-test="ask"]', '200 kPa of');
    expect((await record(code)).pressure!.reachedMin ?? null).toBeNull();
    await bench.press('y');
    await stored(code, (x) => x.pressure?.gaugeKPa === 200, 'what was said');
  });

  it('hears a leak, and lets nobody open the lid under pressure', async () => {
    const code = await at('hold', 6);
    await act(VESSEL, { do: 'fill', toKPa: 338, minutes: 0.05, leakKPaPerMin: 8 });
    await advance(5);
    await open(code);
    await bench.read(/Gauge\s*33\d kPa/);
    // Two kilopascals at a time, so that each is seen on the gauge.
    for (let i = 0; i < 12; i += 1) await until('[data-test="hold"] .told strong', () => advance(15));
    await bench.see('[data-test="leak"]');
    await enter();
    await bench.type('[data-test="reason"] input', 'it leaks');
    await bench.press(Key.ENTER);
    await bench.read('Bleed slowly to zero');
    await expect.poll(async () => (await bench.see('[data-test="hold"] .do')).isEnabled()).toBe(false);
    await act(VESSEL, { do: 'bleed', minutes: 0.3 });
    await advance(20);
    await bench.driver.wait(async () => (await bench.see('[data-test="hold"] .do')).isEnabled(), PATIENCE_MS);
    await enter();
    await step('Watch');
    const b = await stored(code, (x) => x.pressure?.releasedMin != null, 'the release');
    expect(b.bench!.reasons!.map((r) => r.field)).toContain('pressure.releasedMin');
  });
});

describe('watching', () => {
  it('takes the witness and the surface, lets it out early only with a reason, then tells what is missing', async () => {
    const code = await at('watch', 120);
    await open(code);
    await bench.press('w');
    await typed('#bench-surface', '27');
    await stored(code, (x) => x.witness?.setMin === 120 && x.readings?.at(-1)?.what === 'surface', 'both');
    await enter();
    await bench.type('[data-test="reason"] input', 'needed at once');
    await bench.press(Key.ENTER);
    await step('Done');
    await bench.see('[data-test="gaps"]');
    const b = await stored(code, (x) => x.cure?.demouldedMin === 120, 'out of the mould');
    expect(b.cure!.temperatureC ?? null).toBeNull();
  });

  it('calls for a look when it is due and not before, and is answered by a tick', async () => {
    const slow = saltmarshCard('house-deep-40');
    const { massAG, massBG } = partsForTotal(slow, 900);
    const code = await begin(
      {
        startedAt: application.now().toISOString(),
        mix: { amountA: massAG, amountB: massBG, unit: 'g', stirMin: 5 },
        degas: { method: 'rest', minutes: 10 },
        pour: { startedMin: 20, finishedMin: 20 },
        mould: null,
      },
      { product: slow, want: { mixedMassG: 900 }, route: 'warm-and-rest', mould: null },
    );
    await open(code);
    await step('Watch');
    await advance(95 * 60 - 2);
    await says('[data-test="next-look"]', 'Look again in');
    await advance(2);
    await says('[data-test="next-look"]', 'Look now');
    await says('.signal', 'Look at the cast');
    await bench.press('k');
    await stored(code, (x) => x.bench?.looked?.length === 1, 'the look');
    await says('[data-test="next-look"]', 'Look again in');
  });
});

describe('light-cured', () => {
  it('has a lamp with its minutes to dose instead of parts that meet and a pot life', async () => {
    const noon = saltmarshCard('house-noon');
    const code = await begin({ mould: null }, { product: noon, want: { mixedMassG: 40 }, route: 'none', mould: null });
    await open(code);
    await typed('#bench-typed', '40');
    await stored(code, (x) => x.mix?.amountA === 40, 'the resin');
    expect(await bench.text('main .step')).not.toContain('parts met');
    for (let i = 0; i < 4; i += 1) {
      const title = await bench.text('[data-test="step"]');
      if (title === 'Under the lamp') break;
      await advance(60);
      await until('main .step', enter);
    }
    await step('Under the lamp');
    expect(await bench.driver.findElements({ css: '[data-test="clock"]' })).toEqual([]);
    await bench.press('j');
    await stored(code, (x) => x.cure?.lamp?.gear === 'G-08', 'the lamp');
    await bench.read('by the shelf');
    await bench.press('d');
    await stored(code, (x) => x.cure?.lamp?.irradianceMWPerCM2 === 18, 'lamp and strength');
    await enter();
    const lit = (noon.light!.doseMJPerCM2! / 18 / 60) * 60;
    await stored(code, (x) => x.bench?.lampFromMin != null, 'the lamp on');
    await advance(Math.ceil(lit));
    await says('.signal', 'Light enough on this side');
    await enter();
    const b = await stored(code, (x) => x.cure?.lightMJPerCM2 != null, 'the dose');
    expect(b.cure!.lightMJPerCM2! / noon.light!.doseMJPerCM2!).toBeCloseTo(1, 1);
    expect(b.cure!.lamp).toMatchObject({ gear: 'G-08', sides: 1 });
  });
});

describe('the wall board', () => {
  it('follows the bench on another screen', async () => {
    const code = await begin();
    const wall = await bench.another();
    try {
      await wall.go(`/board?batch=${code}`);
      await wall.read('Weigh A');
      expect(Number.parseFloat(await wall.text('[data-test="board-number"]'))).toBeGreaterThan(100);
      await post(`/batches/${code}/entries`, {
        key: `board-${code}`,
        at: application.now().toISOString(),
        set: [{ path: 'mix.amountA', was: null, value: 150 }],
      });
      await wall.driver.wait(async () => (await wall.text('[data-test="board-step"]')) === 'Weigh B', PATIENCE_MS);
      await expect.poll(() => wall.text('[data-test="board-number"]')).toBe('123 g');
    } finally {
      await wall.close();
    }
  });
});
