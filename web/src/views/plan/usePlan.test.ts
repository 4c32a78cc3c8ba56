// @vitest-environment happy-dom
import type { Batch, Plan } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { mounted, used, refusal, type Answers, type Mounted } from '../../testing/mounted';
import { pretendStudio, sentTo, shelfAnswer } from '../../testing/pretendedStudio';
import PlanInputs from './PlanInputs.vue';
import { useBeginBatch } from './useBeginBatch';
import { providePlan, type PlanContext } from './usePlan';

/** A worker that says at once that there is no slab to look at. */
class QuickWorker {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  postMessage({ id }: { id: number }): void {
    queueMicrotask(() => this.onmessage?.({ data: { id, result: null } }));
  }
  terminate(): void {
    // Nothing runs.
  }
}
let page: Mounted | null = null;
beforeEach(() => {
  window.localStorage.clear();
  vi.stubGlobal('Worker', QuickWorker);
});
afterEach(() => {
  page?.unmount();
  page = null;
});
const list: Answers = ({ path }) =>
  path.startsWith('/batches?') ? { body: { items: [], page: 1, pageSize: 50, total: 0 } } : undefined;

async function open(more: Answers = () => undefined) {
  const asked = pretendStudio([], (a) => more(a) ?? list(a));
  const made = await used(() => {
    void useProducts().load();
    const plan: PlanContext = providePlan();
    return { plan, begin: useBeginBatch(plan), shelf: useShelf() };
  });
  page = made;
  await made.settle();
  return { ...made.result, asked, settle: made.settle, router: made.router };
}
/** A plan that nothing speaks against. */
const SOUND = { productSlug: 'house-coat-9', fill: 'mass', massG: 150, depthMm: 3, roomC: 22, resinC: 22 } as const;

describe('the plan', () => {
  it('is worked out as it is typed, and tells what it took for granted', async () => {
    const { plan } = await open();
    expect(plan.plan.value).toBeNull();
    plan.store.set(SOUND);
    expect(plan.plan.value!.partA.massG + plan.plan.value!.partB.massG!).toBeCloseTo(150, 0);
    expect(plan.plan.value!.assumed.map((a) => a.field)).not.toContain('conditions.roomC');
    expect(plan.plan.value!.assumed.map((a) => a.field)).toContain('handling.stirMin');
  });
  it('waits where a figure cannot be read, and says at which', async () => {
    const { plan } = await open();
    plan.store.set(SOUND);
    plan.store.set({ roomC: null }, '2z');
    expect(plan.request.value).toBeNull();
    expect(Object.values(plan.issues.value).join(' ')).toContain('Write a number');
  });
  it('knows a price only where every part of it has one', async () => {
    const { plan } = await open();
    expect(plan.prices.value.get('house-coat-9')).toBeGreaterThan(0);
    page!.unmount();
    const { plan: without } = await open(({ path }) =>
      path === '/shelf' ? { body: { ...shelfAnswer(), lots: [] } } : undefined,
    );
    expect(without.prices.value.size).toBe(0);
  });
});

describe('beginning a batch', () => {
  const created: Answers = ({ method, path, body }) =>
    method === 'POST' && path === '/batches'
      ? { status: 201, body: { ...(body as Batch), code: 'B-0042' }, version: 1 }
      : undefined;
  it('writes down what was chosen and nothing that is still to be done, and leads to the bench', async () => {
    const { plan, begin, asked, settle, router } = await open(created);
    plan.store.set({ ...SOUND, fill: 'mould', mouldCode: 'M-15' });
    await settle();
    await begin.begin('a trial');
    await settle();
    const [batch] = sentTo(asked, 'POST', '/batches') as Batch[];
    expect(batch).toMatchObject({ product: { slug: 'house-coat-9' }, mould: { code: 'M-15' }, startedAt: null });
    expect((batch!.plan as Plan).partA.massG).toBeGreaterThan(0);
    for (const section of ['mix', 'pour', 'cure', 'room', 'resin'] as const) expect(batch![section]).toBeUndefined();
    expect(router.currentRoute.value.name).toBe('bench');
  });
  it('asks for a reason first where something speaks plainly against it, and keeps it', async () => {
    const { plan, begin, asked, settle } = await open(created);
    plan.store.set({ ...SOUND, productSlug: 'house-clear-6', massG: 2000, resinC: 30, roomC: 30 });
    await settle();
    expect(begin.needed.value.length + begin.forbidden.value.length).toBeGreaterThan(0);
    await begin.begin();
    expect(sentTo(asked, 'POST', '/batches')).toEqual([]);
    if (begin.forbidden.value.length === 0) {
      expect(begin.asking.value).toBe(true);
      await begin.begin('only a test piece');
      const [batch] = sentTo(asked, 'POST', '/batches') as Batch[];
      expect(batch!.bench!.reasons!.every((r) => r.reason === 'only a test piece')).toBe(true);
    }
  });
  it('that the server refuses keeps the plan, and says why', async () => {
    const { plan, begin, settle } = await open(({ method, path }) =>
      method === 'POST' && path === '/batches'
        ? { status: 409, body: refusal('code-taken', 'That code is taken.') }
        : undefined,
    );
    plan.store.set(SOUND);
    await settle();
    await begin.begin('so be it');
    expect(begin.beginProblem.value).toBe('That code is taken.');
    expect(plan.store.form.productSlug).toBe('house-coat-9');
    expect(begin.beginning.value).toBe(false);
  });
});

describe('the inputs of the plan', () => {
  async function inputs(form: object) {
    pretendStudio([], list);
    let context: PlanContext | null = null;
    page = await mounted({
      components: { PlanInputs },
      setup: () => {
        void useProducts().load();
        context = providePlan();
        context.store.set(form);
        return {};
      },
      template: '<PlanInputs />',
    });
    await page.settle();
    await page.settle();
    return { text: page.text(), plan: context! as PlanContext };
  }
  it('offer every product, and say where the card or a habit stands in', async () => {
    const { text } = await inputs(SOUND);
    expect(text).toContain('Read the sensor');
    expect(page!.root.querySelectorAll('input').length).toBeGreaterThan(8);
  });
  it('ask for a dose only where a catalyst is dosed, and for a base only below a light-cured coat', async () => {
    const coat = (await inputs(SOUND)).text;
    expect(coat).not.toContain('Catalyst');
    expect(coat).not.toContain('Base below');
    page!.unmount();
    expect((await inputs({ ...SOUND, productSlug: 'house-tide' })).text).toContain('Catalyst');
    page!.unmount();
    expect((await inputs({ ...SOUND, productSlug: 'house-noon' })).text).toContain('Base below');
  });
  it('say that the sensor is silent, and leave what was typed', async () => {
    const { plan } = await inputs(SOUND);
    page!.button('Read the sensor').click();
    await page!.settle();
    expect(page!.text()).toMatch(/sensor/i);
    expect(plan.store.form.roomC).toBe(22);
  });
  it('begin anew', async () => {
    const { plan } = await inputs(SOUND);
    page!.button('Start a new plan').click();
    await page!.settle();
    expect(plan.store.form.productSlug).toBeNull();
  });
});
