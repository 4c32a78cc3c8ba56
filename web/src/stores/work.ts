import { MOST_IN_WORK, takeKeptFit, type Batch, type Product } from '@warm-jar/core';
import { useDebounceFn, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { breathe } from '../app/breathe';
import { useLive } from './live';
import { ApiProblem, api } from '../api/client';
import { useProducts } from './products';
import { byUrgency, workItem, type WorkItem } from './urgency';

/** How often the shelf asks whether another tablet changed something, ms. */
const REFRESH_MS = 30_000;
/** Changes that come one upon another are read once, ms. */
const SETTLE_MS = 150;

/**
 * Each batch with its times. The fit of a card met for the first time is taken from the server, where it still meets
 * the card, and else made anew: a tap in between does not wait for all.
 */
async function worked(
  read: readonly { product: Product; batch: Batch }[],
  fits: ReadonlyMap<string, unknown>,
): Promise<WorkItem[]> {
  const found: WorkItem[] = [];
  for (const { product, batch } of read) {
    takeKeptFit(product, fits);
    await breathe();
    found.push(workItem(product, batch));
    await breathe();
  }
  return found;
}

/** The batches in work, most urgent first, with the clock that they share. */
export const useWork = defineStore('work', () => {
  const products = useProducts();
  const items = shallowRef<WorkItem[]>([]);
  const loaded = ref(false);
  const more = ref(0);
  const problem = ref<string | null>(null);
  const live = useLive();
  const nowMs = computed(() => live.nowMs);

  async function load(): Promise<void> {
    try {
      const page = await api.work();
      const read = await Promise.all(
        page.items.map(async ({ batch }) => ({
          batch,
          product: await products.at(batch.product.slug, batch.product.revision),
        })),
      );
      items.value = (await worked(read, new Map(Object.entries(page.fits)))).sort(byUrgency);
      more.value = page.total - page.items.length;
      problem.value = null;
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The batches in work could not be read.';
    } finally {
      loaded.value = true;
    }
  }

  /** One batch changed on some screen: only that one is read again. */
  async function refresh(code: string): Promise<void> {
    try {
      const { batch } = await api.batch(code);
      const item = workItem(await products.at(batch.product.slug, batch.product.revision), batch);
      const others = items.value.filter((i) => i.code !== code);
      items.value = item.stage === 'done' ? others : [...others, item].sort(byUrgency).slice(0, MOST_IN_WORK);
    } catch (error) {
      // A batch that is gone leaves the shelf; a server that is away is told by the next whole load.
      if (error instanceof ApiProblem && error.status === 404) items.value = items.value.filter((i) => i.code !== code);
    }
  }
  const changed = new Set<string>();
  const refreshSoon = useDebounceFn(() => {
    const codes = [...changed];
    changed.clear();
    for (const code of codes) void refresh(code);
  }, SETTLE_MS);
  const loadSoon = useDebounceFn(() => void load(), SETTLE_MS);
  live.onChange(({ code, version }) => {
    // What is gone, or came and went in a whole table, is not asked for by itself.
    if (version === null) {
      void loadSoon();
      return;
    }
    changed.add(code);
    void refreshSoon();
  });
  useIntervalFn(() => {
    if (document.visibilityState === 'visible') void load();
  }, REFRESH_MS);
  return { items, loaded, more, problem, nowMs, load };
});
