import { defineAsyncComponent, defineComponent, h, shallowRef, type Component } from 'vue';
import { missingSheets } from './missingSheets';
import ProblemNote from './ProblemNote.vue';

export type Loader<T extends Component> = () => Promise<{ default: T }>;

/** What to do where something cannot be fetched. */
export const TRY_AGAIN = 'Try again; where that does not help, load the page again once the server answers.';

/** Parts that could not be had once: what brings a part asks for its style once, so it is looked for again. */
const missedOnce = new WeakSet<() => Promise<unknown>>();

/** Fetches a part of a page with its style. @throws where either cannot be had */
export async function wholePart<T extends Component>(loader: Loader<T>): Promise<{ default: T }> {
  try {
    const found = await loader();
    // A part that was never missed has its style, and is not held up by another's.
    if (missedOnce.has(loader)) await missingSheets();
    return found;
  } catch (cause) {
    missedOnce.add(loader);
    throw cause;
  }
}

/** Stands where a part could not be fetched: one that is missing without a word would be taken for one that is not there. */
const notHere = <T extends Component>(whole: Loader<T>, says: string) =>
  defineComponent({
    inheritAttrs: false,
    props: { error: { type: Error, default: undefined } },
    setup(_props, { attrs }) {
      const part = shallowRef<T | null>(null);
      const again = () =>
        whole().then(
          (found) => (part.value = found.default),
          () => undefined,
        );
      return () => (part.value ? h(part.value, attrs) : h(ProblemNote, { says, again: true, onAgain: again }));
    },
  });

/**
 * A part that comes after its page. Where it could not be had it is asked for again by a button, and by the next page
 * that has it.
 * @param what cannot be had, as the page says it @param also what else is to be said then
 * @param coming stands in its place until it is there
 */
export function laterPart<T extends Component>(
  loader: Loader<T>,
  what: string,
  { also = '', coming }: { readonly also?: string; readonly coming?: Component } = {},
) {
  const says = [`${what} cannot be fetched now.`, also, TRY_AGAIN].filter(Boolean).join(' ');
  const whole = () => wholePart(loader);
  return defineAsyncComponent({
    loader: whole,
    errorComponent: notHere(whole, says),
    ...(coming ? { loadingComponent: coming, delay: 0 } : {}),
  });
}
