import { Key } from 'selenium-webdriver';
import { beforeEach, describe, expect, it } from 'vitest';
import { SCALE, benchRun, hands } from './benchRun';
import { inBrowser } from './inBrowser';

const { application, bench } = await inBrowser({ demo: true, speed: 0 });
const run = benchRun(application);
const at = hands(bench);
beforeEach(() => run.letGo(SCALE));

describe('one mix made more, split, and poured into several cavities', () => {
  it('sets new targets from what is in, and takes both parts again', async () => {
    const code = await run.at('weigh-b', 0);
    await at.open(code);
    await at.step('Weigh B');
    await at.typed('#bench-typed', '123');
    await run.stored(code, (b) => b.mix?.amountB === 123, 'B');
    await at.step('Colour');
    await bench.tapWords('Make it more');
    await bench.see('#bench-more');
    await bench.type('#bench-more', '100');
    await at.says('[data-test="more-pot"]', 'it was');
    await at.says('[data-test="more-cup"]', 'The cup holds 1000 mL');
    await bench.tapWords('Make it so');
    await at.step('Weigh A');
    const made = await run.stored(code, (b) => (b.bench?.more ?? []).length === 1, 'more of it');
    expect(made.bench!.more![0]).toMatchObject({ fromAG: 150, fromBG: 123 });
    const met = made.startedAt;
    const addA = Number.parseFloat(await bench.text('[data-test="target"]'));
    expect(addA).toBeCloseTo(made.bench!.more![0]!.massAG - 150, 1);
    await at.typed('#bench-typed', String(addA));
    await at.step('Weigh B');
    const addB = Number.parseFloat(await bench.text('[data-test="target"]'));
    await at.typed('#bench-typed', String(addB));
    await at.step('Colour');
    const whole = await run.stored(code, (b) => (b.mix?.amountB ?? 0) > 140, 'both parts');
    expect(whole.mix!.amountB! / whole.mix!.amountA!).toBeCloseTo(0.82, 2);
    // The parts met when they met.
    expect(whole.startedAt).toBe(met);
  });
  it('splits a stirred mix, colours one cup by drops, and pours cavity after cavity', async () => {
    const additives = [{ name: 'amber dye', kind: 'dye', massG: 1, applied: 'mixed' }];
    const code = await run.at('pour', 2, { additives });
    await at.open(code);
    await at.step('Pour');
    await bench.tapWords('Split into cups');
    await bench.type('#bench-cup-1', '180');
    await bench.type('#bench-cup-2', '90');
    await at.says('[data-test="left-over"]', '4 g not in a cup yet');
    await bench.tapWords('They are in their cups');
    await at.step('Split into cups');
    const split = await run.stored(code, (b) => b.cups?.length === 2, 'two cups');
    expect(split.cups![1]).toMatchObject({ id: 'c2', massG: 90 });
    await bench.tap('[data-cup="c2"]');
    await bench.pick('[data-test="cup-colour"]', 'bottle green dye');
    await bench.see('[data-test="cup-drops"]');
    for (const drops of ['1 drops', '2 drops', '3 drops']) {
      await bench.press('+');
      await at.says('[data-test="cup-drops"]', drops);
    }
    await at.enter();
    await at.step('Pour');
    await at.enter();
    await bench.see('[data-test="pouredMin"]');
    await bench.tapWords('Take cup 2');
    await bench.tap('[data-cavity="M-08/1"]');
    await bench.see('[data-cavity="M-08/1"][aria-pressed="true"]');
    await application.advance(30);
    await at.says('[data-cavity="M-08/1"] [data-test="since-pour"]', '0:3');
    await bench.tapWords('Take cup 1');
    await bench.tap('[data-cavity="M-08/3"]');
    const poured = await run.stored(code, (b) => b.castings?.length === 2, 'two castings');
    expect(poured.castings).toMatchObject([
      { id: 'k1', cup: 'c2', mould: { code: 'M-08', cavity: 1 } },
      { id: 'k2', cup: 'c1', mould: { code: 'M-08', cavity: 3 } },
    ]);
    expect(poured.cups![1]!.additives).toMatchObject([{ name: 'amber dye' }, { name: 'bottle green dye', drops: 3 }]);
    expect(poured.cups![0]!.additives ?? null).toBeNull();
  });
  it('ticks castings out of their moulds, and asks once why one comes out early', async () => {
    const castings = [1, 2].map((n) => ({ id: `k${n}`, mould: { code: 'M-08', cavity: n }, pouredMin: 3 }));
    const code = await run.at('watch', 110, { castings });
    await at.open(code);
    await at.step('Watch');
    await bench.tap('[data-test="demouldedMin"] [data-cavity="M-08/1"]');
    await at.typed('.reason input, .reason textarea, [data-test="reason"] input', 'a trial of the cavity');
    await run.stored(code, (b) => b.castings?.[0]?.demouldedMin != null, 'the first out');
    await bench.tap('[data-test="demouldedMin"] [data-cavity="M-08/2"]');
    const out = await run.stored(code, (b) => b.castings?.[1]?.demouldedMin != null, 'the second out');
    expect(out.bench!.reasons).toMatchObject([{ field: 'cure.demouldedMin', reason: 'a trial of the cavity' }]);
    await at.step('Done');
  });
});

describe('looking at castings', () => {
  const castings = [1, 2, 3].map((n) => ({ id: `k${n}`, mould: { code: 'M-12', cavity: n }, pouredMin: 3 }));
  const made = (more: Record<string, unknown> = {}) =>
    run.at('watch', 60 * 30, { castings, cure: { demouldedMin: 200 }, ...more });
  it('takes some at once with area, reason and price, then the ones that are left', async () => {
    const code = await made();
    await bench.go(`/batches/${code}/check`);
    await bench.tap('[data-casting="k1"]');
    await bench.tap('[data-casting="k3"]');
    await bench.tap('[data-symptom="tacky"]');
    await bench.tap('[data-pattern="sticky-spots"]');
    await bench.tap('[data-test="draw-0"]');
    await bench.see('svg.area');
    await bench.driver.executeScript('document.querySelector("svg.area").focus()');
    for (let i = 0; i < 7; i += 1) await bench.press(Key.ARROW_DOWN);
    for (let i = 0; i < 6; i += 1) await bench.press(Key.ARROW_RIGHT);
    await bench.press(' ');
    await at.says('.draw', '% of the face');
    await bench.tapWords('second', '[aria-label="Grade"]');
    await bench.type('[data-test="reason"]', 'sticky at the neck');
    await bench.type('#price', '11');
    await bench.pressWith(Key.CONTROL, Key.ENTER);
    await bench.see('[data-casting="k2"][aria-pressed="true"]');
    const two = await run.stored(code, (b) => b.checks?.length === 2, 'two looks');
    expect(two.checks).toMatchObject([
      {
        casting: 'k1',
        grade: 'second',
        symptoms: [{ kind: 'tacky', area: { shareOfFace: expect.any(Number) as number } }],
      },
      { casting: 'k3' },
    ]);
    expect(two.castings).toMatchObject([
      { reason: 'sticky at the neck', price: 11 },
      { id: 'k2' },
      { reason: 'sticky at the neck', price: 11 },
    ]);
    await bench.tapWords('pass', '[aria-label="Grade"]');
    await bench.pressWith(Key.CONTROL, Key.ENTER);
    await bench.see('[data-test="summary"]');
    await at.says('[role="tablist"]', /k1: tacky.*k3: tacky|k3: tacky.*k1: tacky/s);
    // One coat for both.
    await bench.tap('[data-test="mend-together"]');
    await at.says('h2#steps', 'k1, k3');
    const mended = await run.record(code);
    expect(mended.mends).toMatchObject([{ castings: ['k1', 'k3'], kind: 'tacky' }]);
  });
  it('takes all the same with one tap', async () => {
    const code = await made();
    await bench.go(`/batches/${code}/check`);
    await bench.see('[data-casting="all"][aria-pressed="true"]');
    await bench.tapWords('pass', '[aria-label="Grade"]');
    await bench.pressWith(Key.CONTROL, Key.ENTER);
    const all = await run.stored(code, (b) => b.checks?.length === 1, 'one look');
    expect(all.checks![0]).not.toHaveProperty('casting');
    await bench.see('[data-test="money"]');
    await at.says('[data-test="money"]', '3 pass');
  });
});

describe('the batch’s page, the log and the figures', () => {
  it('show each casting with its end, and keep what is said of it', async () => {
    await bench.go('/batches/B-0414');
    await at.says('[data-casting="k5"]', 'scrap');
    await at.says('[data-test="money"]', /3 pass\s*48\.00.*1 second\s*12\.00.*1 scrap/s);
    await bench.tap('[data-casting="k4"] button');
    await bench.see('[data-test="casting-panel"]');
    await bench.tap('[data-test="finish"] li:first-child label');
    await run.stored('B-0414', (b) => b.castings![3]!.finish?.[0]?.step === 'trim', 'the trim');
    await bench.type('[data-test="reason"]', 'scratched');
    await bench.press(Key.ENTER);
    await run.stored('B-0414', (b) => b.castings![3]!.reason === 'scratched', 'the reason');
  });
  it('tell a mix apart that was recorded as one', async () => {
    const code = await run.at('watch', 60 * 30, { cure: { demouldedMin: 200 } });
    await bench.go(`/batches/${code}`);
    await bench.tap('[data-test="tell-apart"]');
    await bench.tap('[data-test="tell-apart-now"]');
    await bench.see('[data-casting="k4"]');
    const told = await run.record(code);
    expect(told.castings).toHaveLength(4);
    expect(told.castings![3]).toEqual({ id: 'k4', mould: { code: 'M-08', cavity: 4 } });
  });
  it('opens the castings of a row of the log, finds them by their reason, and compares them', async () => {
    await bench.go('/batches?reason=void&mould=M-08');
    await at.says('table', 'B-0414');
    await bench.tap('[aria-label="Castings of B-0414"]');
    await at.says('[data-castings-of="B-0414"]', 'void at the tip');
    await bench.tapWords('Compare its castings');
    await bench.see('[data-test="compare"]');
    await at.says('[data-test="compare"]', 'B-0414/k2');
    await at.says('[data-test="verdict"]', /differ/);
  });
  it('count yield by cavity, with the reasons', async () => {
    await bench.go('/figures');
    await bench.see('[data-test="yields"]');
    await bench.tapWords('Cavity', '[aria-label="By"]');
    await bench.see('[data-yield="M-12/3"]');
    await at.says('[data-test="reasons"]', 'dust in the face');
  });
});

describe('a plan for several moulds', () => {
  it('answers each, and names the one that fails', async () => {
    await bench.go('/plan?product=house-clear-6&mould=M-08');
    await bench.see('[data-test="weigh"]');
    await bench.tap('[aria-label="Further moulds from the same cup"], #plan-moreMoulds, .p-multiselect');
    await bench.tapWords('M-17', '.p-multiselect-overlay');
    await bench.press(Key.ESCAPE);
    await at.says('[data-test="each-mould"] [data-mould="M-17"]', /not degassed/);
    await at.says('[data-test="each-mould"] [data-mould="M-08"]', /nothing/);
    await at.says('[data-test="band-of-b"]', /g to .* g/);
  });
});

describe('from a lot to its castings', () => {
  it('one page says where each is and how it came out', async () => {
    const { lotB } = await run.record('B-0414');
    await bench.go(`/recall/${lotB!.code}?product=house-clear-6&part=B`);
    await at.says('[data-test="recall"]', 'B-0414/k2');
    await at.says('[data-test="whereabouts"]', /in stock/);
    await bench.tapWords('scrapped', '[data-test="whereabouts"]');
    await at.says('[data-test="recall"]', /B-0414\/k5[^]*void at the tip/);
    expect(await bench.text('[data-test="recall"]')).not.toContain('B-0414/k1');
  });
});

describe('castings joined into a piece', () => {
  it('are held and loaded by their resin’s card, from when they were joined', async () => {
    await bench.go('/pieces/P-04');
    await bench.see('[data-test="joins"]');
    await bench.tap('[data-test="join"]');
    await at.says('[data-test="joins"]', 'Name two castings or more');
    await bench.type('[data-test="join-parts"]', 'B-0414/k1, B-0414/k4');
    await bench.pick('[data-test="join-resin"]', 'House Clear 6');
    await at.says('[data-test="join-told"]', /hold for .*, bears after/);
    await bench.tap('[data-test="join"]');
    await at.says('[data-join="0"]', 'quick adhesive');
    await bench.tap('[data-test="joined"]');
    await at.says('[data-test="join-times"]', /Hold until .*; bears from/);
  });
});

describe('labels', () => {
  it('are printed one for each casting, and lead to it', async () => {
    await bench.go('/batches/B-0414/sheet');
    await bench.see('[data-label="B-0414/k5"]');
    await at.says('[data-test="sheet-castings"]', 'void at the tip');
    await bench.go('/at/B-0414?casting=k5');
    await bench.see('[data-test="casting-panel"]');
    await at.says('[data-test="casting-panel"]', 'B-0414/k5');
  });
});
