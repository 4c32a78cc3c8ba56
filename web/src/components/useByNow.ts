import { useTimeout } from '@vueuse/core';
import { computed, type ComputedRef } from 'vue';

/** As long as somebody waits for what only keeps a page from moving, ms: a network may neither answer nor refuse. */
const PATIENCE_MS = 4_000;

/** Whether something is there, or was waited for long enough: then what stands below it comes without it. */
export function useByNow(isThere: () => boolean): ComputedRef<boolean> {
  const late = useTimeout(PATIENCE_MS);
  return computed(() => isThere() || late.value);
}
