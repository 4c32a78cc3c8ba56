import { shallowRef, watch, type Component, type Ref, type ShallowRef } from 'vue';
import { wholePart, type Loader } from '../components/laterPart';

/** What somebody tapped and the server could not be asked for. */
export interface Missed {
  /** As it is named on the page. */
  readonly what: string;
  readonly again: () => void;
}

/** The latest; null where nothing is missing. A tap that does nothing would be taken for one that was not felt. */
export const missed: ShallowRef<Missed | null> = shallowRef(null);

/**
 * A part of every page that comes when it is first opened, or when its files were fetched before.
 * @param opens what says that it is open, each way in by itself
 * @returns the part; null until it is there. Where it cannot be had it is shut again, and that is said
 */
export function useOncePart<T extends Component>(
  what: string,
  loader: Loader<T>,
  ...opens: readonly Ref<boolean>[]
): ShallowRef<T | null> {
  const part: ShallowRef<T | null> = shallowRef(null);
  watch(
    () => opens.find((open) => open.value),
    async (asked) => {
      if (!asked || part.value) return;
      try {
        part.value = (await wholePart(loader)).default;
        missed.value = null;
      } catch {
        asked.value = false;
        missed.value = { what, again: () => (asked.value = true) };
      }
    },
    { immediate: true },
  );
  return part;
}
