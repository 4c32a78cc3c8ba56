import { ref, shallowRef } from 'vue';
import { ApiProblem } from '../api/client';
import { shelfApi, type Found } from '../api/shelf';

/** Searches everything; an answer that was overtaken is dropped. */
export function useFind() {
  const found = shallowRef<Found[]>([]);
  const problem = ref<string | null>(null);
  let asked = 0;
  async function find(words: string): Promise<void> {
    const mine = ++asked;
    if (!words.trim()) {
      found.value = [];
      return;
    }
    try {
      const items = await shelfApi.search(words);
      if (mine === asked) [found.value, problem.value] = [items, null];
    } catch (error) {
      if (mine === asked) problem.value = error instanceof ApiProblem ? error.message : 'The search failed.';
    }
  }
  return { found, problem, find };
}
