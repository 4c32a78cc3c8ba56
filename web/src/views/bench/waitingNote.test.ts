// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { saltmarshCard, soundBatch, type Entry } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { nextTick, ref } from 'vue';
import { readingOf } from '../../run/readingOf';
import { provideBench, type BenchContext } from '../../run/useBench';
import { mounted, pretendServer, refusal, type Answers, type Mounted } from '../../testing/mounted';
import WaitingNote from './WaitingNote.vue';

let page: Mounted | null = null;
let bench: BenchContext;
const card = saltmarshCard('house-clear-6');
const batch = soundBatch('house-clear-6', { code: 'B-0007', mix: { amountA: 147, amountB: null, stirMin: null } });

const usual: Answers = ({ path }) => {
  if (path === '/products') return { body: { items: [card] } };
  if (path === '/batches/B-0007') return { body: batch, version: 3 };
  if (path === '/devices') return { body: { items: [] } };
  return undefined;
};
async function open(entries: Answers) {
  const asked = pretendServer((a) => (a.path.endsWith('/entries') ? entries(a) : usual(a)));
  page = await mounted({
    components: { WaitingNote },
    setup: () => {
      bench = provideBench(ref('B-0007'));
      return {};
    },
    template: '<WaitingNote />',
  });
  await page.settle();
  return asked;
}
/** Waits until the page says so; the outbox takes its own time in the browser's database. */
async function until(holds: () => boolean) {
  for (let i = 0; i < 200 && !holds(); i += 1) {
    await page!.settle();
    await nextTick();
  }
}

beforeEach(() => {
  window.localStorage.clear();
});
afterEach(async () => {
  for (const waiting of bench.outbox.queue) await bench.outbox.settle(waiting.seq, 'drop');
  page?.unmount();
  page = null;
});

describe('what waits for the server', () => {
  it('is told while the server is away, and shown in the record at once', async () => {
    await open(() => ({ status: 503, body: refusal('away', 'Away.') }));
    await bench.write({ words: 'stirred', set: { 'mix.stirMin': 2.5 } });
    await until(() => page!.text().includes('away'));
    expect(page!.text()).toContain('1 entry waits here for the server, which is away. Go on; nothing is lost.');
    expect(bench.batch.value?.mix?.stirMin).toBe(2.5);
  });
  it('goes when the server has it, under one key', async () => {
    const asked = await open(({ body }) => ({ body: { ...batch, note: (body as Entry).key }, version: 4 }));
    await bench.write({ words: 'stirred', set: { 'mix.stirMin': 2.5 } });
    await until(() => bench.outbox.queue.length === 0);
    expect(page!.text()).toBe('');
    const sent = asked.filter((a) => a.path.endsWith('/entries')).map((a) => a.body as Entry);
    expect(sent).toHaveLength(1);
    expect(sent[0]!.set).toEqual([{ path: 'mix.stirMin', was: null, value: 2.5 }]);
    expect(sent[0]!.key.length).toBeGreaterThan(7);
  });
  it('that another tablet wrote otherwise is asked about, with both figures under the field\u2019s own name', async () => {
    const conflict = refusal('field-conflict', 'Somebody else wrote Stir meanwhile. Say which stands.');
    const asked = await open(({ body }) =>
      (body as Entry).over ? { body: batch, version: 5 } : { status: 409, body: conflict },
    );
    await bench.write({ words: 'stirred', set: { 'mix.stirMin': 2.5 } });
    await until(() => page!.text().includes('Another tablet'));
    expect(page!.text()).toContain('Stir: yours 2.5');
    page!.button('Mine stands').click();
    await until(() => bench.outbox.queue.length === 0);
    const over = asked.filter((a) => a.path.endsWith('/entries')).map((a) => (a.body as Entry).over);
    expect(over).toEqual([false, true]);
  });
  it('that the server cannot take is let go only by a person', async () => {
    const asked = await open(() => ({ status: 400, body: refusal('invalid-input', 'The entry does not fit.') }));
    await bench.write({ words: 'stirred', set: { 'mix.stirMin': -4 } });
    await until(() => page!.text().includes('cannot take'));
    expect(page!.text()).toContain('The server cannot take this. The entry does not fit.');
    page!.button('Discard it').click();
    await until(() => bench.outbox.queue.length === 0);
    expect(asked.filter((a) => a.path.endsWith('/entries'))).toHaveLength(1);
  });
});

describe('a thing that is done', () => {
  it('is written once, however often its key is pressed meanwhile', async () => {
    const asked = await open(() => ({ body: batch, version: 4 }));
    const twice = await Promise.all([
      bench.write({ words: 'stirred', set: { 'mix.stirMin': 2.5 } }),
      bench.write({ words: 'stirred', set: { 'mix.stirMin': 2.6 } }),
    ]);
    expect(twice).toEqual([true, false]);
    await until(() => bench.outbox.queue.length === 0);
    expect(asked.filter((a) => a.path.endsWith('/entries'))).toHaveLength(1);
  });
  it('is no step but the one to be done now', async () => {
    await open(() => ({ body: batch, version: 4 }));
    const other = bench.step.value === 'stir' ? 'pour' : 'stir';
    expect(await bench.write({ words: 'not now', step: other, set: { note: 'x' } })).toBe(false);
    expect(bench.undo.value).toBeNull();
  });
});

describe('undo', () => {
  it('takes the last thing back, and only once', async () => {
    const asked = await open(({ body }) => ({ body: { ...batch, note: (body as Entry).key }, version: 4 }));
    await bench.write({ words: 'stirred', set: { 'mix.stirMin': 2.5 } });
    expect(bench.undo.value?.words).toBe('stirred');
    await bench.takeBack();
    await bench.takeBack();
    await until(() => bench.outbox.queue.length === 0);
    const sent = asked.filter((a) => a.path.endsWith('/entries')).map((a) => a.body as Entry);
    expect(sent).toHaveLength(2);
    expect(sent[1]!.set).toEqual([{ path: 'mix.stirMin', was: 2.5, value: null }]);
  });
  it('goes back step by step to the beginning of the run, takes out what was added, and never moves time zero', async () => {
    await open(() => ({ status: 503, body: refusal('away', 'Away.') }));
    const before = JSON.parse(JSON.stringify(bench.batch.value)) as object;
    await bench.write({
      words: 'B in',
      set: { 'mix.amountB': 119.6, startedAt: '2026-03-14T09:20:00+00:00' },
      add: [readingOf(null, 'scale', 119.6, 'g', null)],
    });
    await bench.write({ words: 'dye', add: [{ path: 'additives', value: { name: 'amber dye', massG: 2 } }] });
    await bench.write({ words: 'dye', add: [{ path: 'additives', value: { name: 'amber dye', massG: 2 } }] });
    await bench.write({ words: 'passed', add: [bench.reasonFor('additives.dye.pct', 'ordered so')] });
    await until(() => bench.batch.value?.bench?.reasons?.length === 1);
    for (const words of ['passed', 'dye', 'dye', 'B in']) {
      expect(bench.undo.value?.words).toBe(words);
      await bench.takeBack();
      await page!.settle();
    }
    expect(bench.undo.value).toBeNull();
    const after = bench.batch.value!;
    expect(after.startedAt).toBe('2026-03-14T09:20:00+00:00');
    const nothing = { startedAt: null, additives: null, readings: null, bench: null, mix: null };
    expect({ ...after, ...nothing }).toEqual({ ...before, ...nothing });
    expect([after.additives ?? null, after.readings ?? null, after.mix?.amountB ?? null]).toEqual([null, null, null]);
    expect(after.bench?.reasons ?? null).toBeNull();
  });
  it('survives a reload', async () => {
    await open(() => ({ body: batch, version: 4 }));
    await bench.write({ words: 'stirred', set: { 'mix.stirMin': 2.5 } });
    page!.unmount();
    await open(() => ({ body: batch, version: 4 }));
    expect(bench.undo.value?.words).toBe('stirred');
  });
  it('is not offered for what no person did', async () => {
    await open(() => ({ body: batch, version: 4 }));
    await bench.write({ words: null, set: { startedAt: '2026-03-14T09:20:00+00:00' } });
    expect(bench.undo.value).toBeNull();
  });
});
