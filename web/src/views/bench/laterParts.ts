import { defineAsyncComponent, defineComponent, h, shallowRef, type Component } from 'vue';
import ProblemNote from '../../components/ProblemNote.vue';

type Loader<T extends Component> = () => Promise<{ default: T }>;

const SAYS =
  'This part of the step cannot be fetched now. What you entered is kept, and the clock runs on. Try again; where that does not help, load the page again once the server answers.';

/** Stands where a part could not be fetched: a step that is missing without a word would be taken for one with nothing to do. */
const notHere = <T extends Component>(loader: Loader<T>) =>
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
      return () => (part.value ? h(part.value, attrs) : h(ProblemNote, { says: SAYS, again: true, onAgain: again }));
    },
  });

/** Whether a sheet holds nothing: one that could not be fetched does, and some browsers will not let it be looked into. */
function isEmpty({ sheet }: HTMLLinkElement): boolean {
  try {
    return (sheet?.cssRules.length ?? 0) === 0;
  } catch {
    return true;
  }
}

/**
 * Asks again for style sheets that could not be fetched: whoever brings a part with its sheet does so once, and the
 * part would come without it, its rows too small for gloves.
 * @throws where one of them still cannot be had
 */
async function missingSheets(): Promise<void> {
  const missing = [...document.querySelectorAll<HTMLLinkElement>('link[rel="stylesheet"]')].filter(isEmpty);
  await Promise.all(
    missing.map((link) => {
      const anew = link.cloneNode() as HTMLLinkElement;
      const come = new Promise((done, fail) => {
        anew.addEventListener('load', done);
        anew.addEventListener('error', fail);
      });
      link.replaceWith(anew);
      return come;
    }),
  );
}

/**
 * A part of the bench that comes after the page. Where it could not be had it is asked for again by a button, and by the
 * next step that has it.
 */
export function later<T extends Component>(loader: Loader<T>) {
  const whole = async () => {
    const found = await loader();
    await missingSheets();
    return found;
  };
  return defineAsyncComponent({ loader: whole, errorComponent: notHere(whole) });
}

const cups = () => import('./CupsStep.vue');
const close = () => import('./CloseStep.vue');
const powder = () => import('./DustedPowder.vue');

/** What a run comes to late or seldom, with lists and boxes that no other step has. */
export const CupsStep = later(cups);
export const CloseStep = later(close);
export const DustedPowder = later(powder);

/** Fetches them before they are needed: by then the network may be gone. What cannot be had now is asked for then. */
export const fetchLaterParts = (): void => void Promise.allSettled([cups(), close(), powder()]);
