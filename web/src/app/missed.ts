import { shallowRef, watch, type Component, type Ref, type ShallowRef } from 'vue';
import { TRY_AGAIN, wholePart, type Loader } from '../components/laterPart';

/** What somebody tapped and did not get. */
export interface Missed {
  /** What is missing, as it is named on the page. */
  readonly says: string;
  /** What to do about it. */
  readonly todo: string;
  readonly act: string;
  readonly again: () => void;
}

/** How browsers say that the files of a part did not come; the last is how the build says it of a style. */
const NOT_FETCHED = /dynamically imported module|importing a module script|failed to fetch|load failed|preload css/i;

/**
 * What is said of something that did not come, by what stood in its way: files that could not be had may be there in a
 * moment; what went wrong in them goes wrong again, until the page is loaded anew.
 * @param what as it is named on the page @param anew loads the page from the server
 */
export const missedFor = (what: string, cause: unknown, again: () => void, anew: () => void): Missed =>
  !(cause instanceof Error) || NOT_FETCHED.test(cause.message)
    ? { says: `${what} cannot be fetched now.`, todo: TRY_AGAIN, act: 'Try again', again }
    : {
        says: `${what} cannot be opened: ${cause.message.replace(/[.\s]*$/, '.')}`,
        todo: 'Load it again; where that does not help, tell whoever looks after the studio’s server.',
        act: 'Load again',
        again: anew,
      };

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
      } catch (cause) {
        asked.value = false;
        const again = () => (asked.value = true);
        missed.value = missedFor(what, cause, again, () => {
          location.reload();
        });
      }
    },
    { immediate: true },
  );
  return part;
}
