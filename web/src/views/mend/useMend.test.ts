// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { useStoredBatch } from '../../stores/storedBatch';
import { refusal, used, type Answers, type Used } from '../../testing/mounted';
import { pretendStudio, sentTo, storedBatch } from '../../testing/pretendedStudio';
import { useMend } from './useMend';

let page: Used<ReturnType<typeof useMend>> | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
const mend = (more: object = {}) => ({
  atH: 26,
  kind: 'tacky',
  pattern: 'sticky-spots',
  steps: [
    { says: 'Scrape it.', done: true },
    { says: 'Coat it.', done: false },
  ],
  recheckAfterH: 24,
  ...more,
});
const look = (afterH: number, area: object | null) => ({
  afterH,
  symptoms: [{ kind: 'tacky', pattern: 'sticky-spots', ...(area ? { area } : {}) }],
});
async function open(record: Record<string, unknown>, more: Answers = () => undefined) {
  const batch = storedBatch('B-0006', record, 'house-coat-9');
  const asked = pretendStudio([batch], (a) => more(a) ?? (a.path.endsWith('/entries') ? { body: batch } : undefined));
  page = await used(() => useMend(useStoredBatch(ref('B-0006')), 'B-0006'));
  await page.settle();
  return { mended: page.result, asked };
}
const sets = (asked: Parameters<typeof sentTo>[0]) =>
  (sentTo(asked, 'POST', '/batches/B-0006/entries') as { set: { path: string; was: unknown; value: unknown }[] }[]).map(
    (e) => e.set[0],
  );

describe('a mend in hand', () => {
  it('is the one that is not done, else the last', async () => {
    const { mended } = await open({ checks: [look(24, null)], mends: [mend({ doneH: 28 }), mend({ atH: 60 })] });
    expect(mended.stories.value).toHaveLength(2);
    expect(mended.current.value?.mend.atH).toBe(60);
  });
  it('has a step ticked from what stood there, so that two tablets do not undo each other', async () => {
    const { mended, asked } = await open({ checks: [look(24, null)], mends: [mend()] });
    await mended.tick(1, true);
    expect(sets(asked)).toEqual([{ path: 'mends[0].steps[1].done', was: false, value: true }]);
  });
  it('takes the area that was told, where every part of it was', async () => {
    const told = await open({ checks: [look(24, { areaCM2: 120 })], mends: [mend()] });
    expect(told.mended.areaCM2.value).toBe(120);
    page!.unmount();
    const half = await open({
      checks: [
        {
          afterH: 24,
          symptoms: [
            { kind: 'tacky', pattern: 'sticky-spots', area: { areaCM2: 120 } },
            { kind: 'tacky', pattern: 'sticky-spots' },
          ],
        },
      ],
      mends: [mend()],
      mould: null,
    });
    expect(half.mended.areaCM2.value).toBeNull();
  });
  it('weighs the coat out, and keeps it', async () => {
    const { mended, asked } = await open({ checks: [look(24, { areaCM2: 100 })], mends: [mend()] });
    mended.thicknessMm.value = 1;
    await page!.settle();
    expect(mended.coat.value!.totalG).toBeGreaterThan(9);
    await mended.keepCoat();
    expect(sets(asked)[0]).toMatchObject({ path: 'mends[0].coat', value: { areaCM2: 100, thicknessMm: 1 } });
  });
  it('weighs no coat where its area is not known', async () => {
    const { mended } = await open({ checks: [look(24, null)], mends: [mend()], mould: null });
    expect(mended.coat.value).toBeNull();
  });
  it('says why a step was not kept', async () => {
    const { mended } = await open({ checks: [look(24, null)], mends: [mend()] }, ({ path }) =>
      path.endsWith('/entries') ? { status: 409, body: refusal('field-conflict', 'Somebody ticked it.') } : undefined,
    );
    await mended.tick(0, false);
    expect(mended.problem.value).toBe('Somebody ticked it.');
  });
  it('is nothing where none was begun', async () => {
    const { mended, asked } = await open({ checks: [look(24, null)] });
    await mended.tick(0, true);
    expect([mended.current.value, sets(asked)]).toEqual([null, []]);
  });
});
