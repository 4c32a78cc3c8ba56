// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ref } from 'vue';
import { useStoredBatch } from '../../stores/storedBatch';
import { refusal, used, type Answers, type Used } from '../../testing/mounted';
import { pretendStudio, sentTo, storedBatch } from '../../testing/pretendedStudio';
import { useCheck } from './useCheck';

type Check = ReturnType<typeof useCheck>;
let page: Used<Check> | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
const batch = storedBatch('B-0005', {
  startedAt: new Date(Date.now() - 30 * 3_600_000).toISOString().replace('Z', '+00:00'),
});
async function open(more: Answers = () => undefined) {
  const asked = pretendStudio([batch], (a) => {
    const own = more(a);
    if (own) return own;
    if (a.path.startsWith('/batches?')) return { body: { items: [], page: 1, pageSize: 50, total: 0 } };
    return undefined;
  });
  page = await used(() => useCheck(useStoredBatch(ref('B-0005')), 'B-0005'));
  await page.settle();
  return { check: page.result, asked, settle: page.settle, router: page.router };
}
const stored: Answers = ({ path }) => (path.endsWith('/entries') ? { body: batch, version: 4 } : undefined);
const entries = (asked: Parameters<typeof sentTo>[0]) =>
  sentTo(asked, 'POST', '/batches/B-0005/entries') as { add: { path: string; value: Record<string, unknown> }[] }[];

describe('a check', () => {
  it('offers the hours since the parts met, which a person may put right', async () => {
    const { check } = await open();
    expect(check.draft.value.afterH).toBeCloseTo(30, 0);
    check.set('afterH', 24);
    expect(check.draft.value.afterH).toBe(24);
  });
  it('only adds: nothing of the batch is sent again', async () => {
    const { check, asked, settle, router } = await open(stored);
    check.toggle('bubbles');
    check.set('shore', 71);
    await check.save();
    await settle();
    const [entry] = entries(asked);
    expect(entry!.add).toHaveLength(1);
    expect(entry!.add[0]).toMatchObject({ path: 'checks', value: { shore: 71, symptoms: [{ kind: 'bubbles' }] } });
    expect(router.currentRoute.value.name).toBe('diagnosis');
  });
  it('that found nothing leads back to the batch', async () => {
    const { check, settle, router } = await open(stored);
    check.set('grade', 'pass');
    await check.save();
    await settle();
    expect(router.currentRoute.value.name).toBe('batch');
  });
  it('keeps every tap over a refusal', async () => {
    const { check } = await open(({ path }) =>
      path.endsWith('/entries') ? { status: 409, body: refusal('version-conflict', 'Changed meanwhile.') } : undefined,
    );
    check.toggle('tacky');
    check.set('note', 'sticky at the edge');
    await check.save();
    expect(check.problem.value).toBe('Changed meanwhile.');
    expect(check.draft.value).toMatchObject({ note: 'sticky at the edge', symptoms: [{ kind: 'tacky' }] });
    expect(check.saving.value).toBe(false);
  });
  it('is not saved with a figure that is none, and says where to look', async () => {
    const { check, asked } = await open(stored);
    check.set('shore', null, '7o');
    await check.save();
    expect(check.problem.value).toContain('look at the marked figures');
    expect(check.issues.value['shore']).toBeTruthy();
    expect(entries(asked)).toEqual([]);
  });
  it('survives a reload', async () => {
    const { check } = await open();
    check.toggle('yellowing');
    check.set('note', 'by the window');
    await page!.settle();
    page!.unmount();
    const again = (await open()).check;
    expect(again.draft.value).toMatchObject({ note: 'by the window', symptoms: [{ kind: 'yellowing' }] });
  });
  it('takes a symptom back by a second tap, and another area of one beside it', async () => {
    const { check } = await open();
    check.toggle('bubbles');
    check.addArea('bubbles');
    expect(check.draft.value.symptoms).toHaveLength(2);
    check.change(1, { severity: 3 });
    expect(check.draft.value.symptoms.map((s) => s.severity)).toEqual([null, 3]);
    check.toggle('bubbles');
    expect(check.draft.value.symptoms).toEqual([]);
  });
  it('says that there is no hardness tester', async () => {
    const { check } = await open();
    await check.readTester();
    expect(check.testerProblem.value).toBe('No hardness tester is known. Type the figure.');
  });
  it('reads the hardness tester where there is one', async () => {
    const { check } = await open(({ path }) => {
      if (path === '/devices')
        return {
          body: {
            items: [
              { code: 'shore', name: 'Tester', kind: 'hardness-tester', standIn: true, stepG: null, holder: null },
            ],
          },
        };
      if (path.startsWith('/devices/shore/reading'))
        return {
          body: {
            code: 'shore',
            at: '2026-03-14T09:00:00Z',
            values: [{ what: 'shore', value: 68, unit: 'D', settled: true }],
          },
        };
      return undefined;
    });
    await check.readTester();
    expect([check.draft.value.shore, check.testerProblem.value]).toEqual([68, null]);
  });
});
