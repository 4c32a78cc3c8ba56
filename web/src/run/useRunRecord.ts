import { applyEntry, batchSchema, type Batch, type Product } from '@warm-jar/core';
import { computed, onUnmounted, ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem, api } from '../api/client';
import { useLive } from '../stores/live';
import { useOutbox } from '../stores/outbox';
import { useProducts } from '../stores/products';

/** The record of a batch in work with its card, and what still waits here laid over what is stored. */
export function useRunRecord(code: Ref<string>) {
  const live = useLive();
  const outbox = useOutbox();
  const products = useProducts();
  const stored = shallowRef<Batch | null>(null);
  const product = shallowRef<Product | null>(null);
  const problem = ref<string | null>(null);

  async function load(): Promise<void> {
    const asked = code.value;
    try {
      const { batch } = await api.batch(asked);
      const card = await products.at(batch.product.slug, batch.product.revision);
      if (asked !== code.value) return;
      [stored.value, product.value, problem.value] = [batch, card, null];
    } catch (error) {
      if (asked === code.value && !stored.value)
        problem.value = error instanceof ApiProblem ? error.message : 'The batch could not be read.';
    }
  }
  watch(
    code,
    () => {
      stored.value = null;
      void load();
    },
    { immediate: true },
  );
  const stops = [
    outbox.onStored((of, { batch }) => {
      if (of === code.value) stored.value = batch;
    }),
    live.onChange((change) => {
      if (change.code === code.value) void load();
    }),
  ];
  onUnmounted(() => {
    for (const stop of stops) stop();
  });

  const waiting = computed(() => outbox.queue.filter((w) => w.code === code.value));
  const refused = computed(() => waiting.value.find((w) => w.problem !== null) ?? null);
  const batch = computed<Batch | null>(() => {
    if (!stored.value) return null;
    const document = waiting.value.reduce(
      (d, w) => applyEntry(d, { ...w.entry, over: true }).document,
      stored.value as Record<string, unknown>,
    );
    const parsed = batchSchema.safeParse(document);
    return parsed.success ? parsed.data : stored.value;
  });
  return { batch, product, problem, load, waiting, refused };
}
export type RunRecord = ReturnType<typeof useRunRecord>;
