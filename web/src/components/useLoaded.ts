import { onMounted, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { ApiProblem } from '../api/client';

export interface Loaded<T> {
  readonly value: ShallowRef<T | null>;
  readonly problem: Ref<string | null>;
  readonly loading: Ref<boolean>;
  readonly load: () => Promise<void>;
}

/**
 * Something read from the server when the view opens, and again when asked; a newer question overtakes an older one.
 */
export function useLoaded<T>(
  read: () => Promise<T>,
  otherwise: string,
  { now = true }: { now?: boolean } = {},
): Loaded<T> {
  const value = shallowRef<T | null>(null) as ShallowRef<T | null>;
  const problem = ref<string | null>(null);
  const loading = ref(false);
  let asked = 0;
  async function load(): Promise<void> {
    const mine = ++asked;
    loading.value = true;
    try {
      const answer = await read();
      if (mine !== asked) return;
      [value.value, problem.value] = [answer, null];
    } catch (error) {
      if (mine === asked) problem.value = error instanceof ApiProblem ? error.message : otherwise;
    } finally {
      if (mine === asked) loading.value = false;
    }
  }
  if (now) onMounted(() => void load());
  return { value, problem, loading, load };
}
