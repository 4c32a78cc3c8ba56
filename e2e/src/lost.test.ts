import type { Batch } from '@warm-jar/core';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { startApplication } from './application';
import { PUMP, benchRun, hands } from './benchRun';
import { Bench, PATIENCE_MS } from './browser';
import { inBrowser } from './inBrowser';

const { application, bench } = await inBrowser({ demo: true, speed: 0 }, true);
const { act, at, begin, record, stored } = benchRun(application);
const { advance } = application;
const { enter, open, step, typed, says } = hands(bench);
const WAITING = '[data-test="waiting"]';
/** From then on a page that is loaded needs no server: a browser has the shell some seconds after its first page. */
const shellKept = () =>
  bench.driver.wait(
    () =>
      bench.driver.executeAsyncScript<boolean>(
        `const tell = arguments[0];
         navigator.serviceWorker.getRegistration().then((r) => tell(r?.active?.state === 'activated'), () => tell(false));`,
      ),
    PATIENCE_MS,
    'the shell is not kept',
  );

describe('when two tablets work on one batch', () => {
  it('different fields both stand, and the same one is asked about', async () => {
    const code = await begin();
    const second = await bench.another();
    const its = hands(second);
    try {
      await open(code);
      await its.open(code);
      await second.see('[data-test="resin-now"]');
      await its.says('[aria-label="Readings"]', /\d °C, \d+ %/);
      await second.press('h');
      await typed('#bench-typed', '145.8');
      await step('Weigh B');
      await its.step('Weigh B');
      await stored(code, (x) => x.mix?.amountA === 145.8 && x.room?.temperatureC != null, 'both fields');
      await second.offline(true);
      await its.typed('#bench-typed', '119');
      await second.see(WAITING);
      await typed('#bench-typed', '119.6');
      await step('Colour');
      await second.offline(false);
      await its.says('[data-test="conflict"]', 'They wrote 119.6, you 119.');
      // What was refused is set aside: what is done after it goes on.
      await its.step('Colour');
      await second.tapWords('Theirs stands', '[data-test="conflict"]');
      await second.gone('[data-test="conflict"]');
      expect((await record(code)).mix!.amountB).toBe(119.6);
    } finally {
      await second.close();
    }
  });
});

describe('when the network is cut', () => {
  it('the run goes on, and a reload too', async () => {
    const code = await begin();
    await open(code);
    await step('Weigh A');
    await shellKept();
    await bench.offline(true);
    await typed('#bench-typed', '150');
    await step('Weigh B');
    await typed('#bench-typed', '123');
    await step('Colour');
    await says(WAITING, 'wait here for the server');
    expect((await record(code)).mix?.amountA ?? null).toBeNull();
    await bench.driver.navigate().refresh();
    await step('Colour');
    await bench.offline(false);
    const b = await stored(code, (x) => x.mix?.amountB != null, 'what waited');
    expect(b.mix).toMatchObject({ amountA: 150, amountB: 123 });
    await bench.gone(WAITING);
  });
});

/** One thing that goes wrong in a run, at a moment of it. */
type Mishap = (moment: string) => Promise<void>;

/** A whole pressed run, typed throughout, with the same minutes each time. @returns its record as it is stored in the end */
async function wholeRun(mishap: Mishap): Promise<Batch> {
  const code = await begin();
  await open(code);
  await shellKept();
  await typed('#bench-typed', '150');
  await step('Weigh B');
  await mishap('before the parts meet');
  await typed('#bench-typed', '123');
  await step('Colour');
  await mishap('after the parts met');
  await bench.tapWords('Leave it out');
  await step('Stir');
  await mishap('before the stir');
  await enter();
  await bench.see('.do[data-key="Enter"]');
  await bench.press('g');
  await stored(code, (x) => x.mix?.tool != null && x.bench?.stirFromMin != null, 'the stir begun');
  await advance(96);
  await says('[data-test="cue"]', 'Stirred long enough');
  await enter();
  await step('Clear the air');
  await mishap('after the stir');
  await enter();
  await stored(code, (x) => x.bench?.clearFromMin != null, 'the vacuum');
  // Down to where the gauge ends, and so flickers no more: its last digit hangs on the moment.
  await act(PUMP, { do: 'fill', toKPa: 0, minutes: 0.1 });
  await advance(60);
  await bench.read('Gauge 0.1 kPa');
  await enter();
  await step('Pour');
  await enter();
  await bench.see('[data-offered="pour.depthMm"]');
  await bench.press('d');
  await stored(code, (x) => x.pour?.depthMm === 22, 'the depth');
  await advance(20);
  await enter();
  await step('Close the vessel');
  for (const key of ['d', 'e', 'f', 'g']) {
    await bench.press(key);
    await bench.driver.wait(
      async () =>
        (await bench.driver.findElements({ css: '.checks input:checked' })).length === 'defg'.indexOf(key) + 1,
      PATIENCE_MS,
      `check ${key} is not taken`,
    );
  }
  await bench.press('j');
  await bench.read('rated to 400 kPa');
  await enter();
  await step('Bring to pressure');
  await stored(code, (x) => x.pressure?.startedMin != null, 'the lid');
  await mishap('under the lid');
  await typed('#bench-gauge', '338');
  await step('Hold');
  await mishap('at pressure');
  await stored(code, (x) => x.pressure?.reachedMin != null, 'full pressure');
  await advance(6 * 3600);
  await bench.read('Held, longer by');
  await enter();
  await bench.read('Bleed slowly to zero');
  await enter();
  await step('Watch');
  await advance(48 * 3600);
  await bench.read('Ready to come out since');
  await enter();
  await step('Done');
  await stored(code, (x) => x.cure?.demouldedMin != null, 'out of the mould');
  await bench.gone(WAITING);
  return record(code);
}

/** What two runs must have alike: all but the code, and the day. */
const alike = (batch: Batch) => ({ ...batch, code: null, startedAt: null });

describe('when the server dies', () => {
  it('and comes back, twice, and the page is loaded anew three times, the record is as without', async () => {
    const untouched = await wholeRun(() => Promise.resolve());
    const mishaps: Readonly<Record<string, () => Promise<void>>> = {
      'before the parts meet': () => application.kill(),
      'after the parts met': async () => {
        await bench.driver.navigate().refresh();
        await step('Colour');
      },
      'before the stir': () => application.resume(),
      'after the stir': async () => {
        await bench.driver.navigate().refresh();
        await step('Clear the air');
      },
      'under the lid': () => application.kill(),
      'at pressure': async () => {
        await bench.driver.navigate().refresh();
        await step('Hold');
        await application.resume();
      },
    };
    const met: string[] = [];
    const disturbed = await wholeRun(async (moment) => {
      met.push(moment);
      await mishaps[moment]!();
    });
    expect(met).toEqual(Object.keys(mishaps));
    expect(alike(disturbed)).toEqual(alike(untouched));
    expect(disturbed.bench!.done!.length).toBeGreaterThan(8);
  });
});

describe('when another studio is served at the same address', () => {
  const data = mkdtempSync(join(tmpdir(), 'warm-jar-other-'));
  afterAll(() => {
    rmSync(data, { recursive: true, force: true });
  });
  it('nothing that waits for the one is ever sent to the other, and each finds its own again', async () => {
    const first = await startApplication({ demo: true, speed: 0 });
    const run = benchRun(first);
    const code = await run.at('weigh-b', 0);
    const tablet = await Bench.open(first.address);
    const its = hands(tablet);
    const port = Number(new URL(first.address).port);
    try {
      await its.open(code);
      await first.kill();
      await its.typed('#bench-typed', '123');
      await its.says(WAITING, 'waits here for the server');
      const other = await startApplication({ demo: false, data, port, speed: 0 });
      try {
        // The same code in the other studio: only the studio tells them apart.
        await tablet.read('Another studio is served at this address now');
        const batches = (await (await fetch(`${other.address}/api/v1/batches`)).json()) as { total: number };
        expect(batches.total).toBe(0);
        await tablet.tapWords('Reload');
        await tablet.read('was not found');
        expect(await tablet.driver.findElements({ css: WAITING })).toEqual([]);
      } finally {
        await other.halt();
      }
      await first.resume();
      await its.open(code);
      const b = await run.stored(code, (x) => x.mix?.amountB === 123, 'what waited for its own studio');
      expect(b.mix!.amountA).toBe(150);
    } finally {
      await tablet.close();
      await first.stop();
    }
  });
});

describe('without the server', () => {
  it('the installed application opens, and says what it cannot do', async () => {
    const code = await at('stir', 1);
    await open(code);
    await step('Stir');
    await shellKept();
    await application.kill();
    const first = await bench.driver.getWindowHandle();
    try {
      await bench.go(`/batches/${code}/bench`);
      await step('Stir');
      await bench.press('g');
      await says(WAITING, '1 entry waits');
      // Another page of the same browser has what waits too, and adds to it.
      await bench.driver.switchTo().newWindow('tab');
      await bench.go(`/batches/${code}/bench`);
      await says(WAITING, '1 entry waits');
      await bench.press('j');
      await says(WAITING, '2 entries wait');
      await bench.driver.close();
      await bench.driver.switchTo().window(first);
      await says(WAITING, '2 entries wait');
      await bench.go('/batches');
      await bench.read('The server cannot be reached');
    } finally {
      await application.resume();
    }
    await bench.go(`/batches/${code}/bench`);
    const b = await stored(code, (x) => x.mix?.tool != null && x.mix.vigour != null, 'what both pages did');
    expect(b.mix).toMatchObject({ tool: 'steel', vigour: 'gentle' });
  });
});
