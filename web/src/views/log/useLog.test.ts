// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { used, type Used } from '../../testing/mounted';
import { pretendStudio } from '../../testing/pretendedStudio';
import { useLog } from './useLog';

let page: Used<ReturnType<typeof useLog>> | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
async function open(at = '/batches') {
  const asked = pretendStudio([], ({ path }) =>
    path.startsWith('/batches?') ? { body: { items: [], page: 1, pageSize: 25, total: 0 } } : undefined,
  );
  page = await used(() => useLog(), at);
  await page.settle();
  const last = () =>
    new URLSearchParams(
      asked
        .filter((a) => a.path.startsWith('/batches?'))
        .at(-1)!
        .path.split('?')[1],
    );
  return { log: page.result, router: page.router, last, settle: page.settle };
}

describe('the log', () => {
  it('asks for the newest first, a page at a time', async () => {
    const { last, log } = await open();
    expect(Object.fromEntries(last())).toEqual({ page: '1', pageSize: '25', sort: '-startedAt' });
    expect([log.first.value, log.sort.value]).toEqual([0, '-startedAt']);
  });
  it('keeps every choice in the address, so that it can be shared', async () => {
    const { log, router, last, settle } = await open();
    log.choose('product', 'house-clear-6');
    await settle();
    expect(router.currentRoute.value.query).toEqual({ product: 'house-clear-6' });
    expect(last().get('product')).toBe('house-clear-6');
  });
  it('takes up an address that somebody shared', async () => {
    const { log, last } = await open('/batches?symptom=tacky&page=3&pageSize=50&sort=code');
    expect(log.filters.value.symptom).toBe('tacky');
    expect([last().get('symptom'), last().get('page'), last().get('sort')]).toEqual(['tacky', '3', 'code']);
    expect([log.first.value, log.sort.value]).toEqual([100, 'code']);
  });
  it('lets go of the pattern with its symptom, and of the page with any filter', async () => {
    const { log, router, settle } = await open('/batches?symptom=tacky&pattern=sticky-spots&page=3');
    log.choose('symptom', 'bubbles');
    await settle();
    expect(router.currentRoute.value.query).toEqual({ symptom: 'bubbles' });
  });
  it('turns pages and sorts, each in the address', async () => {
    const { log, router, settle } = await open();
    log.onPage({ page: 2, rows: 50 } as Parameters<typeof log.onPage>[0]);
    await settle();
    expect(router.currentRoute.value.query).toEqual({ page: '3', pageSize: '50' });
    log.onSort('-code');
    await settle();
    expect(router.currentRoute.value.query).toEqual({ pageSize: '50', sort: '-code' });
  });
  it('is cleared at once, and filled with a saved filter', async () => {
    const { log, router, settle } = await open('/batches?symptom=tacky&mould=M-12');
    log.clear();
    await settle();
    expect(router.currentRoute.value.query).toEqual({});
    log.use({ grade: 'scrap' });
    await settle();
    expect(router.currentRoute.value.query).toEqual({ grade: 'scrap' });
  });
  it('remembers this browser\u2019s columns, and shows those of a shared address', async () => {
    const { log, router, settle } = await open();
    const usual = log.columns.value;
    log.showColumns(usual.slice(0, 2));
    await settle();
    expect(router.currentRoute.value.query['columns']).toBe(usual.slice(0, 2).join(','));
    page!.unmount();
    const again = await open();
    expect(again.log.columns.value).toEqual(usual.slice(0, 2));
  });
});
