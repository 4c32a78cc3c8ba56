import { batchSchema, plan, planRequestSchema, saltmarshCard, type Batch } from '@warm-jar/core';
import { Key } from 'selenium-webdriver';
import { expect } from 'vitest';
import type { Application } from './application';
import type { Bench } from './browser';

const card = saltmarshCard('house-clear-6');
export const SCALE = 'G-01';
export const [THERMOMETER, VESSEL, PUMP] = ['G-03', 'G-04', 'G-06'];
const MINUTE_MS = 60_000;
/** Tries, and how long between two, ms, for what the server stores a moment later. */
const [TRIES, BETWEEN_MS] = [150, 100];
/** How long a change is waited for that need not come, ms. */
const SOON_MS = 2_000;
/** How long a page may take to come to a step, ms. */
const STEP_MS = 20_000;

/** What stands in the record of a run that has come as far as a step. */
export const CAME_TO = {
  'weigh-a': {},
  'weigh-b': { mix: { amountA: 150, unit: 'g', measuredBy: 'weight' } },
  colour: { mix: { amountA: 150, amountB: 123, unit: 'g', measuredBy: 'weight' } },
  stir: { additives: [{ name: 'amber dye', kind: 'dye', massG: 3.9, applied: 'mixed' }] },
  clear: { mix: { amountA: 150, amountB: 123, unit: 'g', measuredBy: 'weight', stirMin: 1.6 } },
  pour: { degas: { method: 'vacuum-then-pressure', minutes: 1, vacuumKPaAbs: 2 } },
  close: { pour: { startedMin: 3, finishedMin: 3.4 } },
  press: { pressure: { vessel: VESSEL, startedMin: 3.8 } },
  hold: { pressure: { vessel: VESSEL, startedMin: 3.8, reachedMin: 4.5, gaugeKPa: 338 } },
  watch: { pressure: { vessel: VESSEL, startedMin: 3.8, reachedMin: 4.5, gaugeKPa: 338, releasedMin: 100 } },
} as const;
type Stage = keyof typeof CAME_TO;
const STAGES = Object.keys(CAME_TO) as Stage[];

const planned = (patch: Record<string, unknown>) =>
  planRequestSchema.parse({
    product: card,
    want: { volumeML: 248, additives: [{ name: 'amber dye', kind: 'dye', pct: 1.45, dropsPerG: 40 / 1.24 }] },
    conditions: { roomC: 21, humidityPct: 55, resinC: 22 },
    route: 'vacuum-then-pressure',
    gear: {
      scaleStepG: 0.1,
      cupVolumeML: 1000,
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

/** The record so far: every stage up to this one laid over the ones before it. */
function recordUpTo(stage: Stage): Record<string, unknown> {
  return STAGES.slice(0, STAGES.indexOf(stage) + 1).reduce<Record<string, unknown>>(
    (record, name) => ({ ...record, ...CAME_TO[name] }),
    {},
  );
}

/** A run at the bench, in one studio: made at any stage, and watched until its record says something. */
export function benchRun(application: Application) {
  const api = (path: string, init?: RequestInit) => fetch(`${application.address}/api/v1${path}`, init);
  const post = (path: string, body: object) =>
    api(path, { method: 'POST', body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } });
  const record = async (code: string): Promise<Batch> =>
    batchSchema.parse(await (await api(`/batches/${code}`)).json());

  /** Waits until the stored record says so. */
  async function stored(code: string, says: (b: Batch) => boolean, what: string): Promise<Batch> {
    for (let i = 0; i < TRIES; i += 1) {
      const b = await record(code);
      if (says(b)) return b;
      await new Promise((done) => {
        setTimeout(done, BETWEEN_MS);
      });
    }
    throw new Error(`the record never has ${what}: ${JSON.stringify(await record(code))}`);
  }

  async function begin(more: Record<string, unknown> = {}, patch: Record<string, unknown> = {}): Promise<string> {
    const request = planned(patch);
    const { product } = request;
    const made = await post('/batches', {
      format: 'warm-jar.batch/1',
      product: { slug: product.slug },
      mould: { code: 'M-08', degassed: true, thinnestMm: 6 },
      plan: { ...plan(request), request: { ...request, product: { slug: product.slug } } },
      ...more,
    });
    expect(made.status, await made.clone().text()).toBe(201);
    return ((await made.json()) as { code: string }).code;
  }
  return {
    api,
    post,
    record,
    stored,
    begin,
    /** A run whose parts met so many minutes ago and that has come to a stage. */
    at: (stage: Stage, minutesAgo: number, more: Record<string, unknown> = {}): Promise<string> => {
      const met = new Date(application.now().getTime() - minutesAgo * MINUTE_MS).toISOString();
      const begun = stage === 'weigh-a' || stage === 'weigh-b' ? {} : { startedAt: met };
      return begin({ ...recordUpTo(stage), ...begun, ...more });
    },
    /** Takes a device from whichever run has it: a test before left its page as it stood. */
    letGo: async (device: string): Promise<void> => {
      const { items } = (await (await api('/devices')).json()) as { items: { code: string; holder: string | null }[] };
      const holder = items.find((d) => d.code === device)?.holder;
      if (holder) await post(`/devices/${device}/leave`, { batch: holder });
    },
    act: async (device: string, body: object): Promise<void> => {
      expect((await post(`/devices/${device}/act`, body)).status).toBe(204);
    },
  };
}
export type BenchRun = ReturnType<typeof benchRun>;

/** A technician at the bench's page. */
export function hands(bench: Bench) {
  const number = async (css: string) => Number.parseFloat(await bench.text(css));
  return {
    open: async (code: string): Promise<void> => {
      await bench.go(`/batches/${code}/bench`);
      await bench.see('[data-test="step"]');
    },
    step: (words: string) =>
      bench.driver.wait(
        async () => (await bench.text('[data-test="step"]').catch(() => '')) === words,
        STEP_MS,
        `never at the step ${words}`,
      ),
    /** Enter, once the hand had time to look. */
    enter: async (): Promise<void> => {
      await bench.see('.do[data-key="Enter"][data-armed="true"]:not(:disabled)');
      await bench.press(Key.ENTER);
    },
    number,
    /** Waits until a figure on the page lies between two. */
    shows: (css: string, from: number, to: number) =>
      bench.driver.wait(
        async () => {
          const is = await number(css).catch(() => NaN);
          return is >= from && is <= to;
        },
        STEP_MS,
        `${css} never comes between ${from} and ${to}`,
      ),
    says: (css: string, words: string | RegExp) =>
      bench.driver.wait(
        async () => {
          const text = await bench.text(css).catch(() => '');
          return typeof words === 'string' ? text.includes(words) : words.test(text);
        },
        STEP_MS,
        `${css} never says ${words.toString()}`,
      ),
    /** Does something and waits until a text of the page is another, or longer than it would be worth. */
    until: async (css: string, act: () => Promise<unknown>): Promise<void> => {
      const before = await bench.text(css);
      await act();
      await bench.driver
        .wait(async () => (await bench.text(css).catch(() => before)) !== before, SOON_MS)
        .catch(() => undefined);
    },
    typed: async (css: string, text: string): Promise<void> => {
      await bench.type(css, text);
      await bench.press(Key.ENTER);
    },
  };
}
