import { calibrate, type Product } from '@warm-jar/core';
import { watch, type Ref } from 'vue';
import { breathe } from '../app/breathe';

/**
 * Fits a card as soon as it is known, by itself: the first answer that goes by it need not do that too.
 * @param fit what is worked out of it, and remembered
 */
export function fitEarly(card: Readonly<Ref<Product | null>>, fit: (card: Product) => unknown = calibrate): void {
  watch(
    card,
    async (known) => {
      if (!known) return;
      await breathe();
      fit(known);
    },
    { immediate: true },
  );
}
