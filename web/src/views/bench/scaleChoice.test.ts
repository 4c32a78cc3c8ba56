// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { saltmarshCard, soundBatch, type Batch, type Entry } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { nextTick, ref } from 'vue';
import { provideBench, type BenchContext } from '../../run/useBench';
import { mounted, pretendServer, refusal, tellPages, type Asked, type Mounted } from '../../testing/mounted';
import ScaleChoice from './ScaleChoice.vue';

let page: Mounted | null = null;
let bench: BenchContext;
let asked: readonly Asked[] = [];
let stored: Batch;
let takenBy: string | null = null;
const card = saltmarshCard('house-clear-6');
const info = (code: string, stepG: number) => ({ code, name: `scale ${code}`, kind: 'scale', standIn: true, stepG });

async function open(watchesOnly = false): Promise<void> {
  asked = pretendServer(({ path, body }) => {
    if (path === '/products') return { body: { items: [card] } };
    if (path === '/devices')
      return { body: { items: [info('G-01', 0.1), info('G-13', 0.01)].map((d) => ({ ...d, holder: takenBy })) } };
    if (path.endsWith('/take')) {
      const { batch, over } = body as { batch: string; over: boolean };
      if (takenBy !== null && takenBy !== batch && !over)
        return { status: 409, body: refusal('in-use', `${takenBy} is at scale G-01.`) };
      takenBy = batch;
      return { body: { ...info('G-01', 0.1), holder: takenBy } };
    }
    if (path.endsWith('/leave')) return { status: 204 };
    if (path.endsWith('/entries')) {
      const { set } = body as Entry;
      const scale = set.find((s) => s.path === 'mix.scale')?.value as string;
      stored = { ...stored, mix: { ...stored.mix, scale, scaleStepG: 0.1 } };
      return { body: stored, version: 4 };
    }
    return path === '/batches/B-0007' ? { body: stored, version: 3 } : undefined;
  });
  page = await mounted({
    components: { ScaleChoice },
    setup: () => {
      bench = provideBench(ref('B-0007'), watchesOnly);
      return {};
    },
    template: '<ScaleChoice />',
  });
  await page.settle();
}
const show = (grams: number, holder: string | null) => {
  const values = [{ what: 'scale', value: grams, unit: 'g', settled: true }];
  tellPages('reading', { code: 'G-01', at: '2026-03-14T09:00:00Z', values, says: null, holder });
};
async function until(holds: () => boolean): Promise<void> {
  for (let i = 0; i < 200 && !holds(); i += 1) {
    await page!.settle();
    await nextTick();
  }
}
const sent = (end: string) => asked.filter((a) => a.path.endsWith(end)).map((a) => a.body);

beforeEach(() => {
  window.localStorage.clear();
  takenBy = null;
  stored = soundBatch('house-clear-6', { code: 'B-0007', mix: null, pour: null, pressure: null, cure: null });
});
afterEach(() => {
  page?.unmount();
  page = null;
});

describe('the scale of a run', () => {
  it('is offered, none is taken unasked, and nothing is read without one', async () => {
    await open();
    show(147, null);
    expect(page!.text()).toContain('Weigh on scale G-01, to 0.1 g (simulated)');
    expect(page!.text()).toContain('or on scale G-13, to 0.01 g (simulated)');
    expect([bench.scale.picked.value, bench.scale.netG.value]).toEqual([null, null]);
    expect(sent('/take')).toEqual([]);
  });
  it('is taken by its button, recorded, and read from then on against its tare', async () => {
    await open();
    page!.button('scale G-01').click();
    await until(() => bench.scale.picked.value === 'G-01');
    show(147, 'B-0007');
    await page!.settle();
    expect(bench.scale.netG.value).toBe(147 - (stored.bench?.tareG ?? 0));
    expect(page!.text()).toBe('');
  });
  it('that another run has is taken over only on purpose', async () => {
    takenBy = 'B-0009';
    await open();
    show(80, 'B-0009');
    page!.button('scale G-01').click();
    await until(() => page!.text().includes('is at scale'));
    expect(page!.text()).toContain('B-0009 is at scale G-01.');
    expect(stored.mix?.scale ?? null).toBeNull();
    page!.button('Take it from B-0009').click();
    await until(() => bench.scale.picked.value === 'G-01');
    expect(sent('/take')).toEqual([
      { batch: 'B-0007', over: false },
      { batch: 'B-0007', over: true },
    ]);
  });
  it('that was taken from it is read no more, and that is said', async () => {
    stored = { ...stored, mix: { scale: 'G-01' } };
    takenBy = 'B-0009';
    await open();
    show(80, 'B-0009');
    await page!.settle();
    expect(bench.scale.netG.value).toBeNull();
    expect(page!.text()).toContain('B-0009 took the scale.');
  });
  it('that nobody has after the server was started again is its own still', async () => {
    stored = { ...stored, mix: { scale: 'G-01' } };
    await open();
    show(80, null);
    await until(() => sent('/take').length > 0);
    expect(sent('/take')[0]).toEqual({ batch: 'B-0007', over: false });
  });
  it('is let go once nothing more is weighed', async () => {
    stored = soundBatch('house-clear-6', {
      code: 'B-0007',
      mix: { scale: 'G-01', stirMin: null },
      pour: null,
      pressure: null,
      cure: null,
    });
    takenBy = 'B-0007';
    await open();
    show(300, 'B-0007');
    await until(() => sent('/leave').length > 0);
    expect(bench.step.value).toBe('stir');
    expect(sent('/leave')[0]).toEqual({ batch: 'B-0007' });
  });
  it('is neither taken nor let go by the board on the wall', async () => {
    stored = { ...stored, mix: { scale: 'G-01' } };
    await open(true);
    show(80, null);
    await page!.settle();
    page!.unmount();
    expect([sent('/take'), sent('/leave')]).toEqual([[], []]);
  });
});
