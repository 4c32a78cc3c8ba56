// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { used, type Used } from '../testing/mounted';
import { pretendStudio, storedBatch } from '../testing/pretendedStudio';
import { countdown } from './countdown';
import { deadlines, weighTarget } from './benchNumber';
import { useRunClock } from './useRunClock';
import { useRunRecord } from './useRunRecord';

let page: Used<unknown> | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
const MINUTE_MS = 60_000;
const minutesAgo = (minutes: number) => new Date(Date.now() - minutes * MINUTE_MS).toISOString().replace('Z', '+00:00');

async function run(record: Record<string, unknown>, slug = 'house-coat-9') {
  pretendStudio([storedBatch('B-0003', record, slug)]);
  const made = await used(() => {
    const read = useRunRecord(ref('B-0003'));
    return { ...read, ...useRunClock(read) };
  });
  page = made;
  await made.settle();
  return made.result;
}

describe('the clock of a run', () => {
  it('counts from when the parts met, to the second', async () => {
    const { nowMin, minutesNow, clock } = await run({ startedAt: minutesAgo(12) });
    expect(nowMin.value).toBeGreaterThanOrEqual(11.9);
    expect(nowMin.value! * 60).toBeCloseTo(Math.round(nowMin.value! * 60), 9);
    expect(minutesNow()!).toBeCloseTo(12, 0);
    expect(clock.value!.spent).toBeGreaterThan(0);
  });
  it('has not begun before they met, and then says nothing of pot life', async () => {
    const { nowMin, clock, minutesNow } = await run({ startedAt: null });
    expect([nowMin.value, clock.value, minutesNow()]).toEqual([null, null, null]);
  });
  it('runs faster in a warm cup', async () => {
    const cold = (await run({ startedAt: minutesAgo(8), resin: { temperatureAC: 18, temperatureBC: 18 } })).clock;
    const slow = cold.value!.spent;
    page!.unmount();
    const warm = (await run({ startedAt: minutesAgo(8), resin: { temperatureAC: 28, temperatureBC: 28 } })).clock;
    expect(warm.value!.spent).toBeGreaterThan(slow);
  });
  it('takes the conditions as recorded, and the mass as weighed', async () => {
    const { conditions, massG } = await run({ startedAt: minutesAgo(1), room: { temperatureC: 19.5 } });
    expect(conditions.value.roomC).toBe(19.5);
    expect(massG.value).toBeCloseTo(200, 0);
  });
  it('knows the step from the record alone', async () => {
    const stirring = await run({ startedAt: minutesAgo(1), mix: { stirMin: null }, pour: null, cure: null });
    expect(stirring.step.value).toBe('stir');
    page!.unmount();
    const done = await run({ startedAt: minutesAgo(3000), checks: [{ afterH: 24, symptoms: [] }] });
    expect(done.steps.value.at(-1)).toEqual({ step: 'after', done: true });
  });
  it('asks for pressure only of what is pressed', async () => {
    expect((await run({ startedAt: minutesAgo(1) }, 'house-deep-40')).pressed.value).toBe(false);
    page!.unmount();
    expect((await run({ startedAt: minutesAgo(1) }, 'house-clear-6')).pressed.value).toBe(true);
  });
});

describe('a run that cannot be read', () => {
  it('says so, and shows nothing', async () => {
    pretendStudio([]);
    const made = await used(() => useRunRecord(ref('B-0404')));
    page = made;
    await made.settle();
    expect([made.result.batch.value, made.result.problem.value]).toEqual([null, 'Not there.']);
  });
});

describe('a countdown', () => {
  it.each([
    [0, '0:00'],
    [0.5, '0:30'],
    [4.1234, '4:07'],
    [59.999, '59:59'],
    [60, '1:00:00'],
    [62.5, '1:02:30'],
    [-3, '0:00'],
  ])('of %d min is %s', (minutes, text) => {
    expect(countdown(minutes)).toBe(text);
  });
});

describe('deadlines', () => {
  it('leave room for what follows the pour, and never lie past pot life', () => {
    expect(deadlines(null, 10, 14, false)).toEqual({ pourByMin: 10, pressureByMin: null });
    expect(deadlines(null, null, null, true)).toEqual({ pourByMin: null, pressureByMin: null });
    expect(deadlines(null, 10, 9, true)).toEqual({ pourByMin: 9, pressureByMin: 9 });
  });
  it('target B to what A really was', () => {
    const batch = storedBatch('B-1', { mix: { amountA: 100, amountB: null } });
    const card = { ratio: { byWeight: { a: 100, b: 44 } } } as Parameters<typeof weighTarget>[0];
    expect(weighTarget(card, batch, 'B')).toEqual({ name: 'B', targetG: 44 });
    const empty = storedBatch('B-1', { mix: { amountA: null, amountB: null } });
    expect(weighTarget(card, empty, 'B').targetG).toBeNull();
  });
});
