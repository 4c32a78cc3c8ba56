// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { effectScope, ref } from 'vue';
import { useByNow } from './useByNow';

let scope = effectScope();
beforeEach(() => {
  vi.useFakeTimers();
  scope = effectScope();
});
afterEach(() => {
  scope.stop();
  vi.useRealTimers();
});

describe('what is waited for', () => {
  const waiting = () => {
    const isThere = ref(false);
    return { isThere, byNow: scope.run(() => useByNow(() => isThere.value))! };
  };
  it('is waited for no longer than four seconds', () => {
    const { byNow } = waiting();
    vi.advanceTimersByTime(3_999);
    expect(byNow.value).toBe(false);
    vi.advanceTimersByTime(1);
    expect(byNow.value).toBe(true);
  });
  it('is there at once where it comes before', () => {
    const { byNow, isThere } = waiting();
    isThere.value = true;
    expect(byNow.value).toBe(true);
  });
});
