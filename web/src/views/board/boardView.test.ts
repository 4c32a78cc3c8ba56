// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { mounted, pretendServer, refusal, type Answered, type Mounted } from '../../testing/mounted';
import BoardView from './BoardView.vue';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
});

/** The board's own words where it shows no batch, with batches in work answered as told. */
async function saidWith(work: Answered, at = '/board'): Promise<string> {
  pretendServer(({ path }) => {
    if (path === '/work') return work;
    return path === '/batches/B-9999'
      ? { status: 404, body: refusal('not-found', 'Batch B-9999 was not found.') }
      : { body: { items: [] } };
  });
  page = await mounted(BoardView, {}, at);
  await page.settle();
  return page.root.querySelector('[data-test="board-instead"]')!.textContent;
}
const NONE = { body: { items: [], total: 0, fits: {} } };

describe('a wall board that shows no batch', () => {
  it('says that nothing is at the bench where that is known', async () => {
    expect(await saidWith(NONE)).toBe('Nothing is at the bench.');
  });
  it('says nothing before that is known', async () => {
    vi.stubGlobal('fetch', () => new Promise(() => undefined));
    page = await mounted(BoardView, {}, '/board');
    expect(page.root.querySelector('[data-test="board-instead"]')!.textContent).toBe('');
  });
  it('says what is wrong where the batches in work cannot be read', async () => {
    expect(await saidWith({ status: 500, body: refusal('failed', 'The log cannot be read.') })).toBe(
      'The log cannot be read.',
    );
  });
  it('says that the batch it was asked for is not there, and not that none is at the bench', async () => {
    expect(await saidWith(NONE, '/board?batch=B-9999')).toBe('Batch B-9999 was not found.');
  });
});
