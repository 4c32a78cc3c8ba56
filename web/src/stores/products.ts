import type { Product } from '@warm-jar/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { ApiProblem, api } from '../api/client';

/** The cards of the shelf, newest revisions, and older ones as batches ask for them. */
export const useProducts = defineStore('products', () => {
  const cards = shallowRef<Product[]>([]);
  const loaded = ref(false);
  const problem = ref<string | null>(null);
  const older = new Map<string, Promise<Product>>();
  const bySlug = computed(() => new Map(cards.value.map((c) => [c.slug, c])));

  async function load(): Promise<void> {
    try {
      cards.value = await api.products();
      loaded.value = true;
      problem.value = null;
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The cards could not be read.';
    }
  }

  /** The card at the revision a batch was made with. */
  async function at(slug: string, revision: number | null | undefined): Promise<Product> {
    if (!loaded.value) await load();
    const newest = bySlug.value.get(slug);
    if (newest && (revision == null || newest.revision === revision)) return newest;
    const key = `${slug} ${revision ?? 1}`;
    const asked = older.get(key) ?? api.productAt(slug, revision ?? 1);
    older.set(key, asked);
    asked.catch(() => older.delete(key));
    return asked;
  }

  return { cards, loaded, problem, bySlug, load, at };
});
