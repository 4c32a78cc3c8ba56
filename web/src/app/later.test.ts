// @vitest-environment happy-dom
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, ref } from 'vue';
import { useConfirm } from 'primevue/useconfirm';
import { useToast } from 'primevue/usetoast';
import { mounted, used, type Mounted } from '../testing/mounted';
import { WarmJarTheme } from './theme';
import Speakers from './Speakers.vue';
import { useHeldWords } from './useHeldWords';
import { useIdle } from '../components/useIdle';
import MissedNote from './MissedNote.vue';
import { missedFor, useOncePart } from './missed';

const List = { render: () => null };

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('what did not come', () => {
  const no = () => undefined;
  const said = (cause: unknown) => missedFor('“Patterns”', cause, no, no).says;
  it.each([
    'Failed to fetch dynamically imported module: http://x/a.js',
    'error loading dynamically imported module: http://x/a.js',
    'Importing a module script failed.',
    'Unable to preload CSS for /assets/a.css',
  ])('could not be fetched where a browser says "%s"', (message) => {
    expect(said(new Error(message))).toBe('“Patterns” cannot be fetched now.');
  });
  it('could not be fetched where its style did not come, which is no error but an event', () => {
    expect(said(new Event('error'))).toBe('“Patterns” cannot be fetched now.');
  });
  it('is said to be wrong in itself where it came and failed, and is loaded anew', () => {
    const [again, anew] = [vi.fn(), vi.fn()];
    const told = missedFor('“Patterns”', new TypeError('x is not a function'), again, anew);
    expect(told.says).toBe('“Patterns” cannot be opened: x is not a function.');
    told.again();
    expect([told.act, again.mock.calls, anew.mock.calls]).toEqual(['Load again', [], [[]]]);
  });
});

describe('what comes after the page', () => {
  it('comes once somebody asked by any of its ways, and stays', async () => {
    const [jars, more] = [ref(false), ref(false)];
    const made = await used(() => useOncePart('The list', () => Promise.resolve({ default: List }), jars, more));
    page = made;
    expect(made.result.value).toBeNull();
    more.value = true;
    await made.settle();
    expect(made.result.value).toBe(List);
    more.value = false;
    await made.settle();
    expect(made.result.value).toBe(List);
  });
  it('says so where it cannot be had, is shut meanwhile, and opens when it is tried again', async () => {
    const [jars, more] = [ref(false), ref(false)];
    let isAway = true;
    const made = await used(() =>
      useOncePart(
        'The list',
        () =>
          isAway
            ? Promise.reject(new TypeError('Failed to fetch dynamically imported module: /a.js'))
            : Promise.resolve({ default: List }),
        jars,
        more,
      ),
    );
    page = made;
    more.value = true;
    await made.settle();
    expect([made.result.value, jars.value, more.value]).toEqual([null, false, false]);
    const note = await mounted(MissedNote);
    expect(note.text()).toContain('The list cannot be fetched now.');
    isAway = false;
    note.root.querySelector('button')!.click();
    await made.settle();
    expect([made.result.value, jars.value, more.value]).toEqual([List, false, true]);
    expect(note.text()).toBe('');
    note.unmount();
  });
  it('comes when the browser has nothing more urgent, and not after the page went', async () => {
    let idle: (() => void) | undefined;
    const cancelled = vi.fn();
    vi.stubGlobal('requestIdleCallback', (act: () => void) => {
      idle = act;
      return 7;
    });
    vi.stubGlobal('cancelIdleCallback', cancelled);
    vi.useFakeTimers({ shouldAdvanceTime: true });
    const made = await used(() => useIdle());
    expect(idle).toBeUndefined();
    vi.advanceTimersByTime(3_000);
    expect(made.result.value).toBe(false);
    idle!();
    expect(made.result.value).toBe(true);
    made.unmount();
    expect(cancelled).toHaveBeenCalledWith(7);
  });
  it('comes after a while in a browser that does not tell', async () => {
    vi.useFakeTimers({ shouldAdvanceTime: true });
    vi.stubGlobal('requestIdleCallback', undefined);
    delete (window as { requestIdleCallback?: unknown }).requestIdleCallback;
    const made = await used(() => useIdle());
    page = made;
    expect(made.result.value).toBe(false);
    vi.advanceTimersByTime(3_000);
    expect(made.result.value).toBe(true);
  });
});

describe('a question of the time before the part that asks is there', () => {
  /** A page that asks and tells at once; what asks and tells comes when it is let. */
  const asks = (let_: { come: boolean }, said: { waiting?: () => boolean }) =>
    defineComponent({
      setup: () => {
        const [confirm, toast, { waiting, speak }] = [useConfirm(), useToast(), useHeldWords()];
        const come = ref(let_.come);
        said.waiting = () => waiting.value;
        return () =>
          h('div', [
            h('button', { onClick: () => void confirm.require({ message: 'Take it off?' }) }, 'Delete'),
            h('button', { onClick: () => void toast.add({ summary: 'Kept', life: 60_000 }) }, 'Keep'),
            h('button', { onClick: () => void (come.value = true) }, 'Come'),
            come.value ? h(Speakers, { onReady: speak }) : null,
          ]);
      },
    });
  it('is held, and asked once when it is', async () => {
    const said: { waiting?: () => boolean } = {};
    const made = await mounted(asks({ come: false }, said));
    page = made;
    expect(said.waiting?.()).toBe(false);
    made.button('Delete').click();
    made.button('Keep').click();
    await made.settle();
    expect(said.waiting?.()).toBe(true);
    expect(document.body.textContent).not.toContain('Take it off?');
    made.button('Come').click();
    await vi.waitFor(
      () => {
        expect(document.querySelectorAll('[role="alertdialog"]')).toHaveLength(1);
      },
      { timeout: 10_000 },
    );
    expect(document.querySelector('[role="alertdialog"]')?.textContent).toContain('Take it off?');
    expect(document.querySelectorAll('.p-toast-message')).toHaveLength(1);
  });
  it('is not held where it is: one question is one dialog, one message stands once', async () => {
    const said: { waiting?: () => boolean } = {};
    const made = await mounted(asks({ come: true }, said));
    page = made;
    await made.settle();
    made.button('Keep').click();
    await vi.waitFor(
      () => {
        expect(document.querySelectorAll('.p-toast-message')).toHaveLength(1);
      },
      { timeout: 10_000 },
    );
    expect(said.waiting?.()).toBe(false);
  });
});

/** Parts of the library that draw nothing of their own, or whose look is another's. */
const WITHOUT_LOOK = new Set(
  'column config confirmationeventbus confirmationservice toasteventbus toastservice useconfirm usetoast'.split(' '),
);
const LOOK_OF: Readonly<Record<string, string>> = { inputgroupaddon: 'inputgroup' };

describe('the look of the parts', () => {
  it('has every part that a page imports: one that is missing would stand without any', () => {
    const root = join(import.meta.dirname, '..');
    const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((f) => /\.(?:vue|ts)$/.test(f));
    const imported = new Set(
      files.flatMap((f) =>
        [...readFileSync(join(root, f), 'utf8').matchAll(/['"]primevue\/([a-z]+)['"]/g)].map(([, name]) => name!),
      ),
    );
    const named = Object.keys((WarmJarTheme as { components: object }).components);
    const missing = [...imported]
      .filter((name) => !WITHOUT_LOOK.has(name))
      .filter((name) => !named.includes(LOOK_OF[name] ?? name));
    expect(missing).toEqual([]);
    expect(imported.size).toBeGreaterThan(20);
  });
});
