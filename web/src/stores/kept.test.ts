// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { used, type Used } from '../testing/mounted';
import { useKept } from './kept';

interface Draft {
  readonly note: string;
  readonly shore: number | null;
}
const EMPTY: Draft = { note: '', shore: null };
let page: Used<unknown> | null = null;
const stored = () => JSON.parse(window.localStorage.getItem('warm-jar.test@unknown') ?? 'null') as Draft | null;
async function open<T = Draft>(empty: T = EMPTY as T) {
  const made = await used(() => useKept<T>('warm-jar.test', empty));
  page = made;
  return made;
}
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});

describe('what the browser keeps', () => {
  it('is written at each change, two in the same moment among them', async () => {
    const { result, settle } = await open();
    result.value = { ...result.value, note: 'sticky' };
    result.value = { ...result.value, shore: 71 };
    await settle();
    expect(stored()).toEqual({ note: 'sticky', shore: 71 });
  });
  it('is there again after a reload, with what it did not have empty', async () => {
    window.localStorage.setItem('warm-jar.test@unknown', JSON.stringify({ note: 'from before' }));
    const { result } = await open();
    expect(result.value).toEqual({ note: 'from before', shore: null });
  });
  it('is the same for two that look at it', async () => {
    const made = await used(() => [useKept('warm-jar.test', EMPTY), useKept('warm-jar.test', EMPTY)] as const);
    page = made;
    made.result[0].value = { note: 'one', shore: 1 };
    await made.settle();
    expect(made.result[1].value).toEqual({ note: 'one', shore: 1 });
  });
  it('may be nothing', async () => {
    const { result, settle } = await open<Draft | null>(null);
    result.value = { note: 'x', shore: 2 };
    await settle();
    expect(stored()?.note).toBe('x');
    result.value = null;
    await settle();
    expect(result.value).toBeNull();
    expect(stored()).toBeNull();
  });
});
