import { defineAsyncComponent, defineComponent, h, shallowRef, type Component } from 'vue';
import { missingSheets } from './missingSheets';
import ProblemNote from './ProblemNote.vue';

export type Loader<T extends Component> = () => Promise<{ default: T }>;

/** Fetches a part of a page with its style. @throws where either cannot be had */
export async function wholePart<T extends Component>(loader: Loader<T>): Promise<{ default: T }> {
  const found = await loader();
  await missingSheets();
  return found;
}

/** Stands where a part could not be fetched: one that is missing without a word would be taken for one that is not there. */
const notHere = <T extends Component>(loader: Loader<T>, says: string) =>
  defineComponent({
    inheritAttrs: false,
    props: { error: { type: Error, default: undefined } },
    setup(_props, { attrs }) {
      const part = shallowRef<T | null>(null);
      const again = () =>
        loader().then(
          (found) => (part.value = found.default),
          () => undefined,
        );
      return () => (part.value ? h(part.value, attrs) : h(ProblemNote, { says, again: true, onAgain: again }));
    },
  });

/**
 * A part that comes after its page. Where it could not be had it is asked for again by a button, and by the next page
 * that has it.
 * @param says what is said then
 * @param coming stands in its place until it is there
 */
export function laterPart<T extends Component>(loader: Loader<T>, says: string, coming?: Component) {
  const whole = () => wholePart(loader);
  return defineAsyncComponent({
    loader: whole,
    errorComponent: notHere(whole, says),
    ...(coming ? { loadingComponent: coming, delay: 0 } : {}),
  });
}
