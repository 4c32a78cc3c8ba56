import { changeAnswer, diagnose, type Batch, type ChangeAnswer } from '@warm-jar/core';
import { shallowRef, watch, type Ref } from 'vue';
import { ApiProblem, api } from '../../api/client';
import { useProducts } from '../../stores/products';

/** What a copied batch answers to the change made in it; null where it was copied from none, or that one is gone. */
export function useCopiedFrom(batch: Ref<Batch | null>) {
  const products = useProducts();
  const answer = shallowRef<ChangeAnswer | null>(null);
  watch(
    batch,
    async (now) => {
      answer.value = null;
      const code = now?.copiedFrom?.code;
      if (!now || !code) return;
      try {
        const { batch: before } = await api.batch(code);
        const kind = diagnose(await products.at(before.product.slug, before.product.revision), before).symptoms.at(
          -1,
        )?.kind;
        if (kind && batch.value === now) answer.value = changeAnswer(before, now, kind);
      } catch (error) {
        if (!(error instanceof ApiProblem)) throw error;
      }
    },
    { immediate: true },
  );
  return answer;
}
