import { defineComponent, nextTick, ref } from 'vue';
import { breathe, canBreathe } from '../app/breathe';

/** What was asked for last; the next waits for it. */
let last: Promise<void> = Promise.resolve();

/**
 * A part of a page that is made in its turn: the parts of a large page one after another, with room for a tap or a
 * frame in between, instead of all in one go. They come in the order in which they stand, so that nothing that is
 * there is pushed away by what stands above it. Where a browser cannot let others go first all is made at once.
 */
export const InTurn = defineComponent({
  name: 'InTurn',
  setup(_, { slots }) {
    const here = ref(!canBreathe());
    if (!here.value) {
      last = last
        .then(breathe)
        .then(async () => {
          here.value = true;
          await nextTick();
        })
        // One that could not be made is told as any other fault of the page; those behind it come all the same.
        .catch(() => undefined);
    }
    return () => (here.value ? slots['default']?.() : null);
  },
});
