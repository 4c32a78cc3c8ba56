import { ref } from 'vue';
import { ApiProblem } from '../../api/client';

/** Runs what may be refused: what it was refused for is kept, to be shown where it was asked. */
export function useTried() {
  const problem = ref<string | null>(null);
  const busy = ref(false);
  /** @returns whether it was done */
  async function tried(work: () => Promise<void>): Promise<boolean> {
    [problem.value, busy.value] = [null, true];
    try {
      await work();
      return true;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      const more = error.issues.map((i) => i.message).filter((m) => m !== error.message);
      problem.value = [error.message, ...more].join(' ');
      return false;
    } finally {
      busy.value = false;
    }
  }
  return { problem, busy, tried };
}
