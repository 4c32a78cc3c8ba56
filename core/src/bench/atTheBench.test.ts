import { describe, expect, it } from 'vitest';
import { limitReadings } from '../limits/limitReadings';
import { cupHeadroom } from '../planning/cupHeadroom';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { pourWindow, type CupNow } from './benchClock';
import { benchSteps, currentStep } from './benchSteps';
import { applyEntry, entrySchema } from './entry';
import { overpourAdvice } from './overpourAdvice';

const clear = saltmarshCard('house-clear-6');
const noon = saltmarshCard('house-noon');

describe('bringing back an over-pour', () => {
  const fits = (cupML: number | null, headroom?: number) => overpourAdvice(clear, 150, 135, cupML, null, headroom).fits;
  const { fix } = overpourAdvice(clear, 150, 135, null, null);
  const volumeML = fix.totalG / clear.mixedDensityGPerML!;

  it('asks of the cup the head-room that the plan asks', () => {
    for (const headroom of [1, cupHeadroom('none'), cupHeadroom('vacuum')]) {
      expect(fits(volumeML * headroom + 0.01, headroom), `${headroom}`).toBe(true);
      expect(fits(volumeML * headroom - 0.01, headroom), `${headroom}`).toBe(false);
    }
  });
  it('asks more of it where foam rises under vacuum than where it is only stirred', () => {
    expect(cupHeadroom('vacuum')).toBe(cupHeadroom('vacuum-then-pressure'));
    expect(cupHeadroom('vacuum')).toBeGreaterThan(cupHeadroom('pressure'));
    for (const route of ['none', 'pressure', 'warm-and-rest'] as const) expect(cupHeadroom(route)).toBeGreaterThan(1);
  });
  it('says nothing of a cup that is not known', () => {
    expect(fits(null, 3)).toBeNull();
  });
});

describe('a limit that was passed on purpose', () => {
  const field = 'room.temperatureC';
  const passed = (record: Record<string, unknown>) =>
    limitReadings(clear, soundBatch('house-clear-6', record)).find((r) => r.field === field)!;
  const reasons = [
    { field, reason: 'the heater broke' },
    { field: 'mix.stirMin', reason: 'another' },
    { field, reason: 'the customer waits' },
  ];

  it('keeps the reason that was given last with its reading', () => {
    const reading = passed({ room: { temperatureC: 12 }, bench: { reasons } });
    expect(reading).toMatchObject({ state: 'below', passedBecause: 'the customer waits' });
  });
  it('has none where nobody gave one, and where it is not outside', () => {
    expect(passed({ room: { temperatureC: 12 } })).not.toHaveProperty('passedBecause');
    expect(passed({ bench: { reasons } })).not.toHaveProperty('passedBecause');
    expect(passed({ room: { temperatureC: null }, bench: { reasons } })).not.toHaveProperty('passedBecause');
  });
  it('says nothing else than before', () => {
    const told = passed({ room: { temperatureC: 12 }, bench: { reasons } });
    expect({ ...told, passedBecause: undefined }).toEqual(passed({ room: { temperatureC: 12 } }));
  });
});

describe('a resin that light cures', () => {
  const run = (record: Record<string, unknown>) =>
    soundBatch('house-noon', { checks: [], pour: null, cure: null, degas: { method: 'rest', minutes: 3 }, ...record });
  const steps = (record: Record<string, unknown>) => benchSteps(noon, run(record)).map((s) => s.step);

  it('is put under a lamp after the pour, and nothing else is', () => {
    const all = steps({});
    expect(all.indexOf('lamp')).toBe(all.indexOf('pour') + 1);
    expect(benchSteps(clear, soundBatch('house-clear-6')).map((s) => s.step)).not.toContain('lamp');
  });
  it.each([
    ['its dose', { lightMJPerCM2: 1200 }],
    ['its minutes', { lamp: { minutes: 1.1 } }],
  ])('was under it where the record has %s', (_what, cure) => {
    const poured = { pour: { startedMin: 1, finishedMin: 2 } };
    expect(currentStep(noon, run(poured))).toBe('lamp');
    expect(currentStep(noon, run({ ...poured, cure: { demouldedMin: null, ...cure } }))).toBe('watch');
  });
  it('has no second part to weigh', () => {
    expect(steps({})).not.toContain('weigh-b');
  });
});

describe('a field of an entry', () => {
  const entry = (path: string) =>
    entrySchema.safeParse({ key: 'the-entry-1', at: '2026-03-14T09:00:00Z', set: [{ path, was: null, value: 18 }] });
  it.each(['cure.lamp.irradianceMWPerCM2', 'cure.lightMJPerCM2', 'mends[0].coat.areaCM2', 'bench.looked'])(
    '%s may be set, figures in its name or not',
    (path) => {
      expect(entry(path).success).toBe(true);
    },
  );
  it.each(['', '2nd', 'cure.', '.cure', 'cure..lamp', 'cure.2', 'cure[x]', 'constructor', 'cure.prototype', 'a b'])(
    '"%s" is none',
    (path) => {
      expect(entry(path).success).toBe(false);
    },
  );
  it('grows the list of looks', () => {
    const once = applyEntry({}, { set: [], add: [{ path: 'bench.looked', value: { atMin: 95 } }], over: false });
    const twice = applyEntry(once.document, {
      set: [],
      add: [{ path: 'bench.looked', value: { atMin: 170 } }],
      over: false,
    });
    expect(twice.document).toEqual({ bench: { looked: [{ atMin: 95 }, { atMin: 170 }] } });
  });
});

describe('the window of the pour', () => {
  const cup = (more: Partial<CupNow> = {}): CupNow => ({
    massG: 300,
    resinC: 22,
    roomC: 21,
    readings: [],
    nowMin: 0,
    ...more,
  });
  const window = (fromC: number, toC: number, more: Partial<CupNow> = {}) =>
    pourWindow(clear, cup(more), { fromC, toC })!;

  it('opens later the warmer it is to be, without a leap, and not at all beyond what pot life lets it reach', () => {
    let before = 0;
    let never = false;
    for (let fromC = 20; fromC < 120; fromC += 0.25) {
      const { opensMin } = window(fromC, fromC + 400);
      if (opensMin === null) never = true;
      else {
        expect(never, `${fromC} °C opens again`).toBe(false);
        expect(opensMin).toBeGreaterThanOrEqual(before - 1e-9);
        expect(opensMin - before).toBeLessThan(2);
        before = opensMin;
      }
    }
    expect(never).toBe(true);
  });
  it('closes after it opens, later the warmer it may be, and with pot life at the latest', () => {
    const last = window(24, 400).closesMin!;
    let before = 0;
    for (let toC = 25; toC < 120; toC += 0.5) {
      const { opensMin, closesMin } = window(24, toC);
      expect(closesMin!).toBeGreaterThan(opensMin!);
      expect(closesMin!).toBeGreaterThanOrEqual(before - 1e-9);
      expect(closesMin!).toBeLessThanOrEqual(last + 1e-9);
      before = closesMin!;
    }
    expect(before).toBeCloseTo(last, 6);
  });
  it('is open from the minute that it says to the minute that it says', () => {
    const { opensMin, closesMin } = window(24, 32);
    const at = (nowMin: number) => window(24, 32, { nowMin }).open;
    const second = 1 / 60;
    expect([at(opensMin! - second), at(opensMin! + second)]).toEqual([false, true]);
    expect([at(closesMin! - second), at(closesMin! + second)]).toEqual([true, false]);
  });
  it('opens sooner where the mix was read warmer than the model has it', () => {
    const nowMin = 2;
    const read = (temperatureC: number) =>
      window(30, 40, { nowMin, readings: [{ atMin: nowMin, temperatureC }] }).opensMin!;
    expect(read(27)).toBeLessThan(read(25));
    expect(read(31)).toBeCloseTo(nowMin, 6);
  });
});
