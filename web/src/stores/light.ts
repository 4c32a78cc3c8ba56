import { useLocalStorage } from '@vueuse/core';
import { onScopeDispose, watch } from 'vue';

/** Whether the bench is drawn dark on this browser, for rooms that are dim. */
const dim = useLocalStorage('warm-jar.dim', false);

export const useLight = () => ({ dim });

/** The page is dark while the bench is open and the room is said to be dim. */
export function useBenchLight(): void {
  const root = document.documentElement;
  watch(
    dim,
    (on) => {
      if (on) root.dataset['light'] = 'dim';
      else delete root.dataset['light'];
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    delete root.dataset['light'];
  });
}
