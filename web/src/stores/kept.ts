import { useLocalStorage } from '@vueuse/core';
import { nextTick, watch, type Ref } from 'vue';
import { ofStudio } from '../api/studioId';
import { ofTab } from './tab';

/**
 * A value that the browser keeps for this studio, written at each change, so that a reload loses nothing; screens of
 * one browser share it. A change made in the same moment as one before would be passed over while that one is told to the others:
 * what stands is looked at once more a moment later.
 * @param empty what it is where nothing was kept; fields that a kept value does not have are taken from it
 */
export function useKept<T>(name: string, empty: T): Ref<T> {
  const key = ofStudio(name);
  const kept = useLocalStorage<T>(key, empty, {
    flush: 'sync',
    mergeDefaults: true,
    serializer: { read: (text) => JSON.parse(text) as T, write: (value) => JSON.stringify(value) },
  });
  async function makeSure(): Promise<void> {
    await nextTick();
    await nextTick();
    const text = JSON.stringify(kept.value);
    try {
      if (window.localStorage.getItem(key) !== text) window.localStorage.setItem(key, text);
    } catch (error) {
      // Full, or forbidden: told where the browser tells it, as the write before this one is.
      console.error(error);
    }
  }
  watch(kept, () => void makeSure(), { flush: 'sync', deep: true });
  return kept as Ref<T>;
}

/** A value that this tab keeps for itself: two tabs on one batch do not write into each other's draft. */
export const useKeptOfTab = <T>(name: string, empty: T): Ref<T> => useKept(ofTab(name), empty);
