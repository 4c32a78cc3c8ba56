// @vitest-environment happy-dom
import { batchSummarySchema, type BatchSummary } from '@warm-jar/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, ref } from 'vue';
import { mounted, type Mounted } from '../../testing/mounted';
import type { ColumnId } from './logQuery';
import LogTable from './LogTable.vue';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
});

const summary = (code: string, more: Partial<BatchSummary> = {}): BatchSummary =>
  batchSummarySchema.parse({
    code,
    version: 1,
    productRevision: 1,
    updatedAt: '2027-03-05T10:00:00.000Z',
    startedAt: '2027-03-05T09:00:00.000Z',
    dayOnly: false,
    productSlug: 'house-clear-6',
    productName: 'House Clear 6',
    mould: 'M-12',
    lotA: 'A-1',
    lotB: null,
    massG: 120,
    by: 'MT',
    stage: 'done',
    outside: 0,
    symptoms: [],
    grade: null,
    note: null,
    castings: [],
    ...more,
  });

/** The table on a page that keeps what it is told. */
async function open(items: BatchSummary[], columns: ColumnId[] = ['startedAt', 'mould', 'seen', 'grade']) {
  const said = { sort: [] as (string | undefined)[], columns: [] as (readonly ColumnId[])[] };
  const picked = ref<readonly BatchSummary[]>([]);
  const View = defineComponent({
    setup: () => () =>
      h(LogTable, {
        items,
        columns,
        sort: '-startedAt',
        busy: false,
        empty: 'Nothing is logged yet.',
        picked: picked.value,
        'onUpdate:picked': (now: readonly BatchSummary[]) => {
          picked.value = now;
        },
        onSort: (by) => said.sort.push(by),
        onColumns: (ids) => said.columns.push(ids),
      }),
  });
  page = await mounted(View, {}, '/batches');
  const cells = (css: string) => [...page!.root.querySelectorAll<HTMLElement>(css)];
  return { page, said, picked, cells };
}
const TWO = [
  summary('B-0002', { symptoms: [{ kind: 'bubbles', pattern: 'micro-throughout' }] }),
  summary('B-0001', {
    mould: null,
    castings: [
      { casting: 'B-0001-1', mould: 'M-12', cavity: null, grade: 'pass', reason: null, price: null },
      { casting: 'B-0001-2', mould: 'M-17', cavity: null, grade: 'scrap', reason: null, price: null },
    ] as unknown as BatchSummary['castings'],
  }),
];

describe('the rows of the log, made one handful after another', () => {
  const turns: (() => void)[] = [];
  afterEach(() => {
    vi.unstubAllGlobals();
    turns.length = 0;
  });
  const rows = (count: number) => Array.from({ length: count }, (_, i) => summary(`B-1${String(i).padStart(3, '0')}`));
  /** Lets as many parts be made as are waiting now, one after another. */
  async function turn(times: number): Promise<void> {
    for (let i = 0; i < times; i += 1) {
      await vi.waitFor(
        () => {
          expect(turns.length).toBeGreaterThan(0);
        },
        { timeout: 10_000 },
      );
      turns.shift()!();
      await page!.settle();
    }
  }
  const seen = () => page!.root.querySelector('table')!.classList.contains('coming') === false;
  const count = () => page!.root.querySelectorAll('tr.batch').length;

  async function openInTurns(first: BatchSummary[]) {
    vi.stubGlobal('scheduler', { yield: () => new Promise<void>((go) => turns.push(go)) });
    const items = ref(first);
    const View = defineComponent({
      setup: () => () =>
        h(LogTable, { items: items.value, columns: ['mould'], sort: '', busy: false, empty: 'Nothing.', picked: [] }),
    });
    page = await mounted(View, {}, '/batches');
    return items;
  }
  it('are seen when all of them are made: columns would move as more come', async () => {
    await openInTurns(rows(12));
    await turn(2);
    expect([count(), seen()]).toEqual([10, false]);
    await turn(1);
    expect([count(), seen()]).toEqual([12, true]);
  });
  it('are seen where fewer come meanwhile, and stay so where more come', async () => {
    const items = await openInTurns(rows(12));
    await turn(1);
    expect(seen()).toBe(false);
    items.value = rows(4);
    await page!.settle();
    expect([count(), seen()]).toEqual([4, true]);
    items.value = rows(9);
    await page!.settle();
    expect(seen()).toBe(true);
  });
  it('need not be made where there are none', async () => {
    await openInTurns([]);
    expect([page!.text(), seen()]).toEqual([expect.stringContaining('Nothing.'), true]);
  });
});

describe('the rows of the log', () => {
  it('say how they are sorted, and ask for another order by tap and by key', async () => {
    const { said, cells, page: here } = await open(TWO);
    const [began] = cells('th[data-column="startedAt"]');
    const [mould] = cells('th[data-column="mould"]');
    const [seen] = cells('th[data-column="seen"]');
    expect([began, mould, seen].map((c) => c!.getAttribute('aria-sort'))).toEqual(['descending', 'none', null]);
    mould!.click();
    mould!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    seen!.click();
    began!.click();
    await here.settle();
    expect(said.sort).toEqual(['mould', 'mould', 'startedAt']);
  });
  it('have their columns moved by keys', async () => {
    const { said, cells } = await open(TWO);
    cells('th[data-column="seen"]')[0]!.dispatchEvent(
      new KeyboardEvent('keydown', { key: 'ArrowLeft', shiftKey: true, bubbles: true }),
    );
    expect(said.columns).toEqual([['startedAt', 'seen', 'mould', 'grade']]);
    expect(said.sort).toEqual([]);
  });
  it('are picked one by one, and all of this page at once without losing those of another', async () => {
    const { picked, cells, page: here } = await open(TWO);
    const other = summary('B-0099');
    picked.value = [other];
    await here.settle();
    const box = (label: string) => cells(`input[aria-label="${label}"]`)[0] as HTMLInputElement;
    const tick = async (label: string) => {
      box(label).dispatchEvent(new Event('change', { bubbles: true }));
      await here.settle();
      return picked.value.map(({ code }) => code);
    };
    expect(await tick('Pick B-0001')).toEqual(['B-0099', 'B-0001']);
    expect(await tick('Pick all on this page')).toEqual(['B-0099', 'B-0002', 'B-0001']);
    expect(await tick('Pick all on this page')).toEqual(['B-0099']);
  });
  it('open the castings of a mix, and close them', async () => {
    const { cells, page: here } = await open(TWO);
    expect(cells('table[aria-busy] > tbody > tr')).toHaveLength(2);
    expect(cells('tbody tr')[1]!.textContent).toContain('1 pass, 1 scrap');
    const toggle = () => cells('[aria-label="Castings of B-0001"]')[0]!;
    expect(cells('[aria-label="Castings of B-0002"]')).toHaveLength(0);
    toggle().click();
    await here.settle();
    expect(cells('table[aria-busy] > tbody > tr')).toHaveLength(3);
    expect(toggle().getAttribute('aria-expanded')).toBe('true');
    toggle().click();
    await here.settle();
    expect(cells('table[aria-busy] > tbody > tr')).toHaveLength(2);
  });
  it('open their batch by a tap beside the links', async () => {
    const { cells, page: here } = await open(TWO);
    cells('tbody td.mould')[0]!.click();
    await here.settle();
    expect(here.router.currentRoute.value.path).toBe('/batches/B-0002');
  });
  it('say so where there are none', async () => {
    const { cells } = await open([]);
    expect(cells('tbody')[0]!.textContent).toContain('Nothing is logged yet.');
  });
});
