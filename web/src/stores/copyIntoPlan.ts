import type { Batch, Product, SymptomKind } from '@warm-jar/core';
import { ref, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { usePlanForm } from './plan';
import type { Copied } from './planCopy';
import { useShelf } from './shelf';

/** Copies a batch into the plan of the next one, with the chosen changes laid over and remembered. */
export function useCopyIntoPlan(batch: Ref<Batch | null>, product: Ref<Product | null>) {
  const plan = usePlanForm();
  const shelf = useShelf();
  const router = useRouter();
  const problem = ref<string | null>(null);
  async function copy(changes: Copied['changes'], symptom: SymptomKind | null = null): Promise<void> {
    if (!batch.value || !product.value) return;
    const copied = { product: product.value, batch: batch.value, changes, symptom };
    // Its sums are as much as the page: they come where somebody copies.
    const [{ planCopy }] = await Promise.all([import('./planCopy'), shelf.ready()]);
    plan.set(planCopy(copied, new Set(shelf.moulds.map((m) => m.item.code))));
    problem.value = null;
    await router.push({ name: 'plan' });
  }
  return { copy, problem };
}
