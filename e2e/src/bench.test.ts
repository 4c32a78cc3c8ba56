import { limitReadings, saltmarshCard } from '@warm-jar/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { PATIENCE_MS } from './browser';
import { PUMP, SCALE, THERMOMETER, benchRun, hands } from './benchRun';
import { inBrowser } from './inBrowser';

/** The studio's clock stands, and goes on as a test says: what is timed is held to the second. */
const { application, bench } = await inBrowser({ demo: true, speed: 0 });
const { act, at, begin, letGo, record, stored } = benchRun(application);
const { enter, number, open, says, shows, step, typed } = hands(bench);
const { advance } = application;
const card = saltmarshCard('house-clear-6');
const NET = '[data-test="net"]';

/** Opens a run at weighing, with its scale taken and an empty cup tared on it. */
async function atTheScale(code: string): Promise<void> {
  await act(SCALE, { do: 'clear' });
  await advance(5);
  await open(code);
  // Only now, for the page of the run before would take it again.
  await letGo(SCALE);
  await bench.see('[data-test="scale-choice"]');
  await bench.press('s');
  await bench.see(NET);
  await act(SCALE, { do: 'put', massG: 38 });
  await advance(5);
  await shows(NET, 37.5, 38.6);
  await bench.press('z');
  await shows(NET, -0.4, 0.4);
}
/** Pours onto the scale and lets it come to rest. */
async function pour(massG: number, seconds = 6): Promise<void> {
  await act(SCALE, { do: 'pour', massG, gPerS: massG / seconds });
  await advance(seconds + 5);
}

describe('what comes after the run', () => {
  it('stands on Today, and the hardness is taken from the tester by a key', async () => {
    await bench.go('/');
    await expect.poll(() => bench.text('[data-test="agenda"]')).toMatch(/Trim sprue|Sand wet|Polish at full cure/);
    await bench.go('/batches/B-0415/check');
    await bench.see('#shore');
    await bench.press('y');
    await bench.driver.wait(async () => /^\d+$/.test(await bench.valueOf('#shore')), PATIENCE_MS);
    expect(Number(await bench.valueOf('#shore'))).toBeGreaterThan(5);
  });
});

describe('weighing', () => {
  it('records nothing that nobody did: no scale, no lot, no temperature, no tool', async () => {
    const code = await begin();
    await open(code);
    await step('Weigh A');
    await bench.see('[data-test="scale-choice"]');
    await bench.see('[data-lots="A"]');
    const b = await record(code);
    for (const part of ['lotA', 'lotB', 'mix', 'room', 'resin', 'degas', 'pour', 'pressure'] as const)
      expect(b[part] ?? null, part).toBeNull();
  });

  it('takes scale and lots by a key each, the oldest good lot first', async () => {
    const code = await begin();
    await open(code);
    await says('[data-lots="A"]', 'open since');
    await bench.press('j');
    await bench.press('s');
    const b = await stored(code, (x) => x.lotA?.code != null && x.mix?.scale != null, 'lot and scale');
    expect(b.mix).toMatchObject({ scale: SCALE, scaleStepG: 0.1 });
    expect(b.lotB ?? null).toBeNull();
    const lots = limitReadings(card, b).filter((r) => r.field.startsWith('lotA'));
    expect(lots.filter((r) => r.state === 'above')).toEqual([]);
  });

  it('guides the hand to the target, and takes what the scale shows with the scale in the record', async () => {
    const code = await begin();
    await atTheScale(code);
    const target = await number('[data-test="target"]');
    await pour(target - 6);
    await says('[data-test="cue"]', 'Slow now');
    await pour(6);
    await says('[data-test="cue"]', 'Enough');
    await enter();
    const b = await stored(code, (x) => x.mix?.amountA != null, 'A');
    expect(Math.abs(b.mix!.amountA! - target)).toBeLessThan(0.6);
    expect(b.startedAt ?? null).toBeNull();
    expect(b.readings!.at(-1)).toMatchObject({ what: 'scale', unit: 'g', device: SCALE, simulated: true });
  });

  it('writes a second Enter nowhere, and takes no part that was not poured', async () => {
    const code = await begin();
    await atTheScale(code);
    await pour(await number('[data-test="target"]'));
    await enter();
    await bench.press(Key.ENTER, Key.ENTER);
    await step('Weigh B');
    await bench.press(Key.ENTER);
    await enter().catch(() => undefined);
    const b = await stored(code, (x) => x.mix?.amountA != null, 'A');
    expect(b.mix!.amountB ?? null).toBeNull();
    expect(b.startedAt ?? null).toBeNull();
    expect(b.bench!.done).toHaveLength(1);
  });

  it('asks about a weight that is far from its target', async () => {
    const code = await begin();
    await atTheScale(code);
    await pour(12.3, 2);
    await enter();
    await says('[data-test="ask"]', /12\.\d g of 1\d\d(\.\d)? g: is that all of A\?/);
    await bench.press(Key.ENTER);
    expect((await record(code)).mix?.amountA ?? null).toBeNull();
    await bench.press('y');
    await stored(code, (x) => Math.abs((x.mix?.amountA ?? 0) - 12.3) < 0.5, 'what was said');
  });

  it('takes a typed figure by Enter in its field, and says that no scale read it', async () => {
    const code = await begin();
    await open(code);
    await typed('#bench-typed', '150');
    const b = await stored(code, (x) => x.mix?.amountA === 150, 'what was typed');
    expect(b.readings ?? []).toEqual([]);
    expect(b.mix!.scaleStepG ?? null).toBeNull();
  });

  it('starts the clock when B touches A, and brings back only what the scale saw', async () => {
    const code = await at('weigh-b', 0);
    await atTheScale(code);
    const target = await number('[data-test="target"]');
    expect(target).toBeCloseTo(123, 1);
    await pour(target + 12);
    await says('[data-test="cue"]', 'Over');
    await stored(code, (x) => x.startedAt != null, 'time zero');
    const met = (await record(code)).startedAt!;
    await enter();
    await step('Bring it back');
    const add = await number('[data-test="bring-back"] strong');
    expect(Math.abs(add - 12 / 0.82)).toBeLessThan(1.5);
    await bench.press(Key.ENTER);
    expect((await record(code)).mix!.amountA).toBe(150);
    await pour(add);
    await bench.read(/Added 1\d(\.\d)? g/);
    await enter();
    await step('Colour');
    const b = await stored(code, (x) => x.mix!.amountA! > 150, 'what was added');
    expect(limitReadings(card, b).find((r) => r.field === 'mix.ratioErrorPct')!.state).toBe('inside');
    expect(b.startedAt).toBe(met);
  });

  it("stops at the card's band of a catalyst, and keeps the reason with the reading", async () => {
    const tide = saltmarshCard('house-tide');
    const code = await begin(
      { mix: { amountA: 300, unit: 'g', measuredBy: 'catalyst' }, mould: null },
      { product: tide, want: { mixedMassG: 300 }, route: 'none', mould: null },
    );
    await open(code);
    await step('Weigh the catalyst');
    await typed('#bench-typed', '12');
    await says('[data-test="reason"]', /4\.00 % catalyst; the card's limit is/);
    await bench.type('[data-test="reason"] input', 'cold room, thin sheet');
    await bench.press(Key.ENTER);
    const b = await stored(code, (x) => x.mix?.amountB === 12, 'the dose');
    expect(b.bench!.reasons![0]).toMatchObject({ field: 'mix.catalystPct', reason: 'cold room, thin sheet' });
    await bench.go(`/batches/${code}`);
    await says('[data-field="mix.catalystPct"]', 'passed on purpose: cold room, thin sheet');
  });
});

describe('two runs', () => {
  it('never share a scale: one is told who has it, and takes it over only on purpose', async () => {
    const [first, second] = [await at('weigh-b', 0), await at('weigh-b', 0)];
    await atTheScale(first);
    const other = await bench.another();
    const its = hands(other);
    try {
      await its.open(second);
      await other.see('[data-test="scale-choice"]');
      await other.press('s');
      await other.read(`${first} is at bench scale`);
      await pour(60);
      await stored(first, (x) => x.startedAt != null, 'the moment its parts met');
      expect((await record(second)).startedAt ?? null).toBeNull();
      await other.tapWords(`Take it from ${first}`);
      await other.see(NET);
      await says('[data-test="scale-choice"]', `${second} took the scale`);
    } finally {
      await other.close();
    }
  });
});

describe('colour', () => {
  it("is counted by drops onto the strip, none past the card's limit without a reason", async () => {
    const code = await at('colour', 1);
    const count = '[data-test="colour"] strong';
    await open(code);
    await bench.press(...'+'.repeat(3));
    await shows(count, 3, 3);
    await bench.press(...'+'.repeat(160));
    await bench.see('[data-test="reason"]');
    const before = await number(count);
    await bench.type('[data-test="reason"] input', 'a deep amber was ordered');
    await bench.press(Key.ENTER);
    await bench.gone('[data-test="reason"]');
    // Three, so that the rounding of the scale's hundredths does not decide.
    await bench.press('+', '+', '+');
    await shows(count, before + 3, before + 3);
    await enter();
    await step('Stir');
    const b = await stored(code, (x) => (x.additives?.length ?? 0) > 0, 'the dye');
    expect(b.additives![0]).toMatchObject({ name: 'amber dye', kind: 'dye', drops: before + 3, applied: 'mixed' });
    expect(b.bench!.reasons![0]).toMatchObject({ reason: 'a deep amber was ordered' });
  });
});

describe('stirring', () => {
  it("counts the card's minutes to the second, with a word for wall and bottom; what nobody said is not recorded", async () => {
    const code = await at('stir', 1);
    await open(code);
    await enter();
    await stored(code, (x) => x.bench?.stirFromMin != null, 'the beginning');
    const minutes = card.mix!.minMin!;
    await advance(minutes * 60 * 0.35);
    await says('[data-test="cue"]', 'Scrape the wall');
    await advance(minutes * 60 * 0.65 - 1);
    await says('[data-test="cue"]', 'Scrape the bottom');
    await advance(1);
    await says('[data-test="cue"]', 'Stirred long enough');
    await enter();
    const b = await stored(code, (x) => x.mix?.stirMin != null, 'the stir');
    expect(b.mix!.stirMin).toBeCloseTo(minutes, 2);
    expect(b.mix!.scrapedWalls).toBe(true);
    expect([b.mix!.tool ?? null, b.mix!.vigour ?? null]).toEqual([null, null]);
  });

  it('records tool and vigour by a key each, and a touched button leaves Enter to the step', async () => {
    const code = await at('stir', 1);
    await open(code);
    await enter();
    await bench.press('g');
    await bench.tapWords('gentle', '[data-said="mix.vigour"]');
    await stored(code, (x) => x.mix?.tool === 'steel' && x.mix.vigour === 'gentle', 'tool and vigour');
    await enter();
    await stored(code, (x) => x.mix?.stirMin != null, 'the stir');
  });

  it('reads the mix by a key; a device that drops out is named, and comes back', async () => {
    const code = await at('stir', 2);
    await open(code);
    const resin = '[data-test="resin-now"]';
    await says(resin, '°C');
    await bench.press('r');
    const b = await stored(code, (x) => (x.readings ?? []).some((r) => r.what === 'resin'), 'a reading');
    expect(b.readings![0]).toMatchObject({ atMin: 2, device: THERMOMETER, simulated: true });
    await bench.read('from the temperatures read');
    await act(THERMOMETER, { do: 'silence', seconds: 40 });
    await says(resin, 'silent');
    await bench.read('infrared thermometer does not answer');
    await advance(39);
    await says(resin, 'silent');
    await advance(1);
    await says(resin, '°C');
  });

  it('says at once what was read below the card', async () => {
    const code = await at('stir', 1);
    await open(code);
    await bench.tapWords('typed', '[aria-label="Readings"]').catch(async () => {
      await bench.tap('[aria-label="Readings"] summary');
    });
    await typed('#bench-room', '12');
    await says('[data-outside="room.temperatureC"]', '12 °C is below');
  });
});

describe('undo', () => {
  it('goes back to the beginning of the run, over a reload, and leaves time zero where it was', async () => {
    const code = await begin();
    await open(code);
    await typed('#bench-typed', '150');
    await step('Weigh B');
    await typed('#bench-typed', '123');
    await step('Colour');
    await advance(30);
    await bench.tapWords('Leave it out');
    await step('Stir');
    const met = (await stored(code, (x) => x.startedAt != null, 'time zero')).startedAt;
    await bench.driver.navigate().refresh();
    await step('Stir');
    for (const words of ['Colour', 'Weigh B', 'Weigh A']) {
      // By its button, which stands once there is something to undo; its key is pressed in the keyboard's own test.
      await bench.tapWords('Undo: ');
      await step(words);
    }
    const b = await stored(code, (x) => x.mix?.amountA == null, 'nothing weighed');
    expect(b.startedAt).toBe(met);
    expect(b.bench?.done ?? []).toEqual([]);
  });
});

describe('clearing and pouring', () => {
  it('ends early only as that, and takes the gauge with it', async () => {
    const code = await at('clear', 3);
    await open(code);
    await enter();
    await stored(code, (x) => x.bench?.clearFromMin != null, 'the vacuum');
    await act(PUMP, { do: 'fill', toKPa: 2, minutes: 0.3 });
    await advance(30);
    await bench.read(/Gauge\s*2(\.\d)? kPa/);
    await bench.read(/early: air in, done/);
    await enter();
    const b = await stored(code, (x) => x.degas?.method != null, 'the clearing');
    expect(b.degas).toMatchObject({ method: 'vacuum-then-pressure', minutes: 0.5 });
    expect(b.degas!.vacuumKPaAbs).toBeLessThan(3);
  });

  it('waits for a temperature that was said while stirring, over a reload, and rings to the second', async () => {
    const code = await at('stir', 1);
    await open(code);
    await bench.type('#bench-from', '26');
    await bench.type('#bench-to', '32');
    await bench.press(Key.ENTER);
    await says('[data-test="window"]', /Opens in/);
    const b = await stored(code, (x) => x.bench?.pourWindow != null, 'the window');
    expect(b.bench!.pourWindow).toEqual({ fromC: 26, toC: 32 });
    await bench.driver.navigate().refresh();
    await says('[data-test="window"]', /Opens in (\d+)/);
    // Second by second from just before it opens: it rings when the words say so, and not before.
    let rung = false;
    for (let i = 0; i < 40 && !rung; i += 1) {
      const words = await bench.text('[data-test="window"]');
      rung = (await bench.driver.findElements({ css: '.signal' })).length > 0;
      expect(rung).toBe(words.startsWith('Open now'));
      if (!rung) await advance(/Opens in (\d+) min/.test(words) ? 55 : 1);
      await bench.driver
        .wait(async () => (await bench.text('[data-test="window"]')) !== words, 900)
        .catch(() => undefined);
    }
    expect(rung).toBe(true);
  });

  it('offers the depth that was planned, and records it only when it is confirmed', async () => {
    const code = await at('pour', 3);
    await open(code);
    await enter();
    await stored(code, (x) => x.pour?.startedMin === 3, 'the pour begun');
    await bench.see('[data-offered="pour.depthMm"]');
    expect((await record(code)).pour!.depthMm ?? null).toBeNull();
    await bench.press('d');
    await stored(code, (x) => x.pour?.depthMm === 22, 'the depth');
    await bench.press('c');
    await advance(20);
    await enter();
    const b = await stored(code, (x) => x.pour?.finishedMin != null, 'the pour');
    expect(b.pour).toMatchObject({ startedMin: 3, finishedMin: 3.33, scrapedCup: true });
    expect(b.resin?.atPourC ?? null).toBeNull();
  });
});
