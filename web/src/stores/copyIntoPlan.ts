import { copiedPlan, type Batch, type PlanChange, type Product, type SymptomKind } from '@warm-jar/core';
import { ref, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { usePlanForm } from './plan';
import { useShelf } from './shelf';
import { formFromBatch } from './formFromBatch';
import { copiedAs } from './sinceCopied';

/** Copies a batch into the plan of the next one, with the chosen changes laid over and remembered. */
export function useCopyIntoPlan(batch: Ref<Batch | null>, product: Ref<Product | null>) {
  const plan = usePlanForm();
  const shelf = useShelf();
  const router = useRouter();
  const problem = ref<string | null>(null);
  async function copy(
    changes: readonly (PlanChange & { readonly cause?: string | null })[],
    symptom: SymptomKind | null = null,
  ): Promise<void> {
    if (!batch.value || !product.value) return;
    if (!shelf.loaded) await shelf.load();
    const form = formFromBatch(
      copiedPlan(product.value, batch.value, changes, symptom),
      new Set(shelf.moulds.map((m) => m.item.code)),
    );
    plan.set({ ...form, copiedAs: copiedAs(form) });
    problem.value = null;
    await router.push({ name: 'plan' });
  }
  return { copy, problem };
}
