import type { Batch, Product } from '@warm-jar/core';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem, api } from '../api/client';
import { useProducts } from './products';

/** One batch from the log with its card, read again whenever the code changes. */
export function useStoredBatch(code: Ref<string>) {
  const products = useProducts();
  const batch = shallowRef<Batch | null>(null);
  const product = shallowRef<Product | null>(null);
  const version = ref(0);
  const problem = ref<string | null>(null);

  async function load(): Promise<void> {
    const asked = code.value;
    try {
      const stored = await api.batch(asked);
      const card = await products.at(stored.batch.product.slug, stored.batch.product.revision);
      if (asked !== code.value) return;
      [batch.value, product.value, version.value, problem.value] = [stored.batch, card, stored.version, null];
    } catch (error) {
      if (asked !== code.value) return;
      batch.value = null;
      problem.value = error instanceof ApiProblem ? error.message : 'The batch could not be read.';
    }
  }

  watch(code, () => void load(), { immediate: true });
  return { batch, product, version, problem, load };
}
