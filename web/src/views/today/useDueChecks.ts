import type { DueCheck } from '@warm-jar/core';
import { useDebounceFn, useIntervalFn } from '@vueuse/core';
import { onMounted, ref, shallowRef } from 'vue';
import { ApiProblem } from '../../api/client';
import { checksApi } from '../../api/checks';
import { useLive } from '../../stores/live';

/** How many days ahead Today looks, and how often it looks again, ms. */
const DAYS_AHEAD = 1;
const REFRESH_MS = 60_000;
const SETTLE_MS = 200;

/** Looks that are due, late ones first; null until read. */
export function useDueChecks() {
  const due = shallowRef<DueCheck[] | null>(null);
  const problem = ref<string | null>(null);
  async function load(): Promise<void> {
    try {
      [due.value, problem.value] = [await checksApi.due(DAYS_AHEAD), null];
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'What is due could not be read.';
    }
  }
  const loadSoon = useDebounceFn(load, SETTLE_MS);
  useLive().onChange(() => void loadSoon());
  useIntervalFn(() => {
    if (document.visibilityState === 'visible') void load();
  }, REFRESH_MS);
  onMounted(load);
  return { due, problem, load };
}
