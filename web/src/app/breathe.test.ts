import { afterEach, describe, expect, it, vi } from 'vitest';
import { breathe, canBreathe, letOthersFirst, pauses } from './breathe';

afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('a breath between two pieces of work', () => {
  it('is the one that the browser has for it', async () => {
    const given = vi.fn(() => Promise.resolve());
    vi.stubGlobal('scheduler', { yield: given });
    await breathe();
    expect(given).toHaveBeenCalledTimes(1);
    expect(canBreathe()).toBe(true);
  });
  it('is a timer elsewhere, and none on a page that nobody sees, where timers take a second', async () => {
    vi.stubGlobal('scheduler', undefined);
    vi.useFakeTimers();
    expect(canBreathe()).toBe(false);
    for (const [visibilityState, waits] of [
      ['visible', true],
      ['hidden', false],
    ] as const) {
      vi.stubGlobal('document', { visibilityState });
      let gone = false;
      const going = breathe().then(() => {
        gone = true;
      });
      await Promise.resolve();
      await Promise.resolve();
      expect(gone).toBe(!waits);
      await vi.runAllTimersAsync();
      await going;
      expect(gone).toBe(true);
    }
  });
  it('between small pieces is not waited for where it would go to the end of the queue', async () => {
    vi.stubGlobal('scheduler', undefined);
    vi.useFakeTimers();
    let now = 0;
    vi.stubGlobal('performance', { now: () => (now += 9) });
    // No timer runs, and none of them waits for one.
    await letOthersFirst();
    await pauses()();
    expect(vi.getTimerCount()).toBe(0);
  });
  it('is taken among small pieces only when they took long together', async () => {
    let now = 0;
    vi.stubGlobal('performance', { now: () => now });
    const given = vi.fn(() => Promise.resolve());
    vi.stubGlobal('scheduler', { yield: given });
    const pause = pauses();
    const taken: number[] = [];
    for (let piece = 0; piece < 8; piece += 1) {
      now += 1;
      await pause();
      taken.push(given.mock.calls.length);
    }
    expect(taken).toEqual([0, 0, 1, 1, 1, 2, 2, 2]);
  });
});
