import { ref, shallowRef, type ShallowRef } from 'vue';
import { ApiProblem } from '../../api/client';

/** What a drill shows, changed by one piece of work at a time; what the server refuses is told, and nothing is lost. */
export function useShown<T>() {
  const view = shallowRef<T | null>(null) as ShallowRef<T | null>;
  const problem = ref<string | null>(null);
  const busy = ref(false);
  async function run(work: () => Promise<T>): Promise<void> {
    if (busy.value) return;
    busy.value = true;
    try {
      [view.value, problem.value] = [await work(), null];
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    } finally {
      busy.value = false;
    }
  }
  return { view, problem, busy, run };
}
