import { watch, type Ref } from 'vue';
import type { Loaded } from './useLoaded';

/** Tells once that something was read, or that it could not be: what stands below it waits for that, and never moves. */
export function tellsThere({ value, problem }: Pick<Loaded<unknown>, 'value' | 'problem'>, tell: () => void): void {
  const stop = watch(
    [value as Ref<unknown>, problem],
    ([read, refused]) => {
      if (read === null && refused === null) return;
      tell();
      queueMicrotask(() => {
        stop();
      });
    },
    { immediate: true },
  );
}
