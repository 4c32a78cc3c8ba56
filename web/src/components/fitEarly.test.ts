import { calibrate, saltmarshCard } from '@warm-jar/core';
import { describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref } from 'vue';
import { fitEarly } from './fitEarly';

vi.mock('@warm-jar/core', async (original) => {
  const core = await original<Record<string, unknown>>();
  return { ...core, calibrate: vi.fn() };
});

describe('a card that is fitted early', () => {
  it('is fitted once it is known, by itself and not in the go in which it came', async () => {
    const card = ref<ReturnType<typeof saltmarshCard> | null>(null);
    const scope = effectScope();
    scope.run(() => {
      fitEarly(card);
    });
    await nextTick();
    expect(calibrate).not.toHaveBeenCalled();
    card.value = saltmarshCard('house-tide');
    await nextTick();
    expect(calibrate).not.toHaveBeenCalled();
    await vi.waitFor(
      () => {
        expect(calibrate).toHaveBeenCalledTimes(1);
      },
      { timeout: 10_000 },
    );
    expect(vi.mocked(calibrate).mock.calls[0]![0].slug).toBe('house-tide');
    scope.stop();
  });
});
