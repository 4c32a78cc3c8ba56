import { applyEntry, batchSchema, type Batch, type Product } from '@warm-jar/core';
import { computed, onUnmounted, ref, shallowRef, watch, type Ref } from 'vue';
import { letOthersFirst } from '../app/breathe';
import { ApiProblem, api } from '../api/client';
import { copyOf, keepCopy } from '../stores/copies';
import { useLive } from '../stores/live';
import { useOutbox } from '../stores/outbox';
import { useProducts } from '../stores/products';

/** What is stored of a batch, with its card: read from the server, or while it is away as it was last read here. */
function useStoredRun(code: Ref<string>) {
  const live = useLive();
  const outbox = useOutbox();
  const products = useProducts();
  const stored = shallowRef<Batch | null>(null);
  const product = shallowRef<Product | null>(null);
  const problem = ref<string | null>(null);

  /** The server is away: the record as it was last read here, to go on with. */
  async function fromCopy(asked: string): Promise<boolean> {
    const batch = await copyOf(`batch ${asked}`, batchSchema);
    const card = batch && (await products.at(batch.product.slug, batch.product.revision).catch(() => null));
    if (!card || asked !== code.value) return false;
    [stored.value, product.value, problem.value] = [batch, card, null];
    return true;
  }
  async function load(): Promise<void> {
    const asked = code.value;
    // A board knows of no batch before it knows which are in work.
    if (asked === '') return;
    try {
      const { batch } = await api.batch(asked);
      const card = await products.at(batch.product.slug, batch.product.revision);
      // What was read is checked by now; the bench is drawn after whoever waits.
      await letOthersFirst();
      if (asked !== code.value) return;
      [stored.value, product.value, problem.value] = [batch, card, null];
      void keepCopy(`batch ${asked}`, batch);
    } catch (error) {
      if (asked !== code.value || stored.value) return;
      if (!(await fromCopy(asked)))
        problem.value = error instanceof ApiProblem ? error.message : 'The batch could not be read.';
    }
  }
  watch(
    code,
    () => {
      [stored.value, problem.value] = [null, null];
      void load();
    },
    { immediate: true },
  );
  const stops = [
    outbox.onStored((of, { batch }) => {
      void keepCopy(`batch ${of}`, batch);
      if (of === code.value) stored.value = batch;
    }),
    live.onChange((change) => {
      // Without a code: any may have changed.
      if (change.code === code.value || change.code === '') void load();
    }),
  ];
  onUnmounted(() => {
    for (const stop of stops) stop();
  });

  return { stored, product, problem, load };
}

/** The record of a batch in work with its card, and what still waits here laid over what is stored. */
export function useRunRecord(code: Ref<string>) {
  const outbox = useOutbox();
  const { stored, product, problem, load } = useStoredRun(code);
  const mine = computed(() => outbox.queue.filter((w) => w.code === code.value));
  /** What is on its way; one that was refused is set aside, and no part of the record until it is settled. */
  const waiting = computed(() => mine.value.filter((w) => w.problem === null));
  const refused = computed(() => mine.value.find((w) => w.problem !== null) ?? null);
  const batch = computed<Batch | null>(() => {
    // With nothing on its way it is the record as it was read, which was checked then.
    if (!stored.value || waiting.value.length === 0) return stored.value;
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
