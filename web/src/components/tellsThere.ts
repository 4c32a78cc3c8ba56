import { whenever } from '@vueuse/core';
import type { Loaded } from './useLoaded';

/** Tells once that something was read, or that it could not be: what stands below it waits for that, and never moves. */
export function tellsThere({ value, problem }: Pick<Loaded<unknown>, 'value' | 'problem'>, tell: () => void): void {
  whenever(() => value.value !== null || problem.value !== null, tell, { immediate: true, once: true });
}
