// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, nextTick } from 'vue';
import { mounted, type Mounted } from '../testing/mounted';
import { whenNear } from './whenNear';

type Seen = (entries: { isIntersecting: boolean }[]) => void;
let page: Mounted | null = null;
let [see, asked]: [Seen | null, number] = [null, 0];
class PretendedObserver {
  constructor(tell: Seen) {
    see = tell;
  }
  observe(): void {}
  disconnect(): void {}
}
afterEach(() => {
  page?.unmount();
  page = null;
  [see, asked] = [null, 0];
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

async function open() {
  vi.stubGlobal('IntersectionObserver', PretendedObserver);
  const Drawing = defineComponent({
    props: { height: { type: Number, required: true }, title: { type: String, required: true } },
    setup: (props) => () => h('p', `${props.title}, ${props.height} high`),
  });
  const Chart = whenNear(() => {
    asked += 1;
    return Promise.resolve({ __esModule: true, default: Drawing });
  });
  page = await mounted(defineComponent({ setup: () => () => h(Chart, { height: 240, title: 'Warmth' }) }));
  return page;
}

describe('a drawing that is far down the page', () => {
  it('keeps its place, and is not asked for', async () => {
    const { root, settle } = await open();
    see?.([{ isIntersecting: false }]);
    await settle();
    expect(asked).toBe(0);
    expect(root.querySelector<HTMLElement>('div div')?.style.minHeight ?? root.innerHTML).toContain('calc(240px');
  });
  it('comes as it comes near, with what it was told, and stays when it is left', async () => {
    const { root, text, settle } = await open();
    see?.([{ isIntersecting: true }]);
    await settle();
    see?.([{ isIntersecting: false }]);
    await settle();
    await vi.waitFor(
      () => {
        expect(text()).toContain('Warmth, 240 high');
      },
      { timeout: 10_000 },
    );
    expect(asked).toBe(1);
    // The place that was kept for it holds it.
    expect(root.querySelector<HTMLElement>('div div')?.style.minHeight).toContain('calc(240px');
  });
  it('comes before a page is printed', async () => {
    const { text, settle } = await open();
    window.dispatchEvent(new Event('beforeprint'));
    await settle();
    await vi.waitFor(
      () => {
        expect(text()).toContain('Warmth, 240 high');
      },
      { timeout: 10_000 },
    );
  });
  it('comes by itself after a while', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    await open();
    await vi.advanceTimersByTimeAsync(8_000);
    expect(asked).toBe(0);
    await vi.advanceTimersByTimeAsync(2_500);
    await nextTick();
    expect(asked).toBe(1);
  });
});
