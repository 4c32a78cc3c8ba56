import { productSchema, type Product } from '@warm-jar/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { z } from 'zod';
import { ApiProblem, api } from '../api/client';
import { copyOf, keepCopy } from './copies';
import { sharedRead } from './sharedRead';

/** The cards of the shelf, newest revisions, and older ones as batches ask for them. */
export const useProducts = defineStore('products', () => {
  const cards = shallowRef<Product[]>([]);
  const loaded = ref(false);
  const problem = ref<string | null>(null);
  const older = new Map<string, Promise<Product>>();
  const bySlug = computed(() => new Map(cards.value.map((c) => [c.slug, c])));

  async function readCards(): Promise<void> {
    try {
      cards.value = await api.products();
      loaded.value = true;
      problem.value = null;
      void keepCopy('cards', cards.value);
    } catch (error) {
      cards.value = (await copyOf('cards', z.array(productSchema))) ?? cards.value;
      problem.value = error instanceof ApiProblem ? error.message : 'The cards could not be read.';
    }
  }
  const { load, ready } = sharedRead(readCards, () => loaded.value);

  /** A revision never changes: a copy of it is as good, once the server is away. */
  async function readCard(slug: string, revision: number): Promise<Product> {
    const name = `card ${slug} ${revision}`;
    try {
      const card = await api.productAt(slug, revision);
      void keepCopy(name, card);
      return card;
    } catch (error) {
      const kept = await copyOf(name, productSchema);
      if (!kept) throw error;
      return kept;
    }
  }

  /** The card at the revision a batch was made with. */
  async function at(slug: string, revision: number | null | undefined): Promise<Product> {
    await ready();
    const newest = bySlug.value.get(slug);
    if (newest && (revision == null || newest.revision === revision)) return newest;
    const key = `${slug} ${revision ?? 1}`;
    const asked = older.get(key) ?? readCard(slug, revision ?? 1);
    older.set(key, asked);
    asked.catch(() => older.delete(key));
    return asked;
  }

  return { cards, loaded, problem, bySlug, load, ready, at };
});
