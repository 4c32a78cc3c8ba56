// @vitest-environment happy-dom
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { nextTick, ref } from 'vue';
import { used, type Mounted } from '../testing/mounted';
import { WarmJarTheme } from './theme';
import { useIdle } from './useIdle';
import { useOnceTrue } from './useOnceTrue';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('what comes after the page', () => {
  it('comes once somebody asked, and stays', async () => {
    const asked = ref(false);
    const made = await used(() => useOnceTrue(asked));
    page = made;
    expect(made.result.value).toBe(false);
    asked.value = true;
    await nextTick();
    expect(made.result.value).toBe(true);
    asked.value = false;
    await nextTick();
    expect(made.result.value).toBe(true);
  });
  it('comes when the browser has nothing more urgent, and not after the page went', async () => {
    let idle: (() => void) | undefined;
    const cancelled = vi.fn();
    vi.stubGlobal('requestIdleCallback', (act: () => void) => {
      idle = act;
      return 7;
    });
    vi.stubGlobal('cancelIdleCallback', cancelled);
    const made = await used(() => useIdle());
    expect(made.result.value).toBe(false);
    idle?.();
    expect(made.result.value).toBe(true);
    made.unmount();
    expect(cancelled).toHaveBeenCalledWith(7);
  });
  it('comes after a while in a browser that does not tell', async () => {
    vi.stubGlobal('requestIdleCallback', undefined);
    delete (window as { requestIdleCallback?: unknown }).requestIdleCallback;
    const made = await used(() => useIdle());
    page = made;
    expect(made.result.value).toBe(false);
    await vi.waitFor(() => {
      expect(made.result.value).toBe(true);
    }, 3_000);
  });
});

/** Parts of the library that draw nothing of their own, or whose look is another's. */
const WITHOUT_LOOK = new Set(['column', 'config', 'confirmationservice', 'toastservice', 'useconfirm', 'usetoast']);
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
