import { saltmarshCard, type Product } from '@warm-jar/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { effectScope, nextTick, ref } from 'vue';
import { fitEarly } from './fitEarly';

afterEach(() => {
  vi.unstubAllGlobals();
});

describe('a card that is fitted early', () => {
  it('is fitted once it is known, by itself and not in the go in which it came', async () => {
    let letGo: () => void = () => undefined;
    vi.stubGlobal('scheduler', { yield: () => new Promise<void>((go) => (letGo = go)) });
    const card = ref<Product | null>(null);
    const fitted: string[] = [];
    const scope = effectScope();
    scope.run(() => {
      fitEarly(card, ({ slug }) => fitted.push(slug));
    });
    await nextTick();
    card.value = saltmarshCard('house-tide');
    await nextTick();
    expect(fitted).toEqual([]);
    letGo();
    await nextTick();
    expect(fitted).toEqual(['house-tide']);
    scope.stop();
  });
});
