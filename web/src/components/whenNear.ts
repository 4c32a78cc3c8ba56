import { useEventListener, useIntersectionObserver, useTimeoutFn } from '@vueuse/core';
import { defineComponent, h, ref, type Component } from 'vue';
import { breathe } from '../app/breathe';
import { laterPart, type Loader } from './laterPart';

/** How near the window something must come to be fetched and drawn. */
const MARGIN = '100px 0px';
/** What nobody came near is drawn after this, so that it is there when the page is printed, ms. */
const PATIENCE_MS = 10_000;
/** What a drawing takes where nothing says how high it is, px. */
const USUAL_HEIGHT = 230;

/**
 * A drawing that is fetched and drawn once it comes near the window: a chart takes longer than all else of a page.
 * Until then its place is kept, so that nothing moves.
 * @param loader as of an asynchronous component; the props stay those of what is loaded, of which `height` is px
 */
export function whenNear<T extends Component>(loader: Loader<T>): T {
  // What draws was just read: a frame and a tap go before it draws.
  const Drawing = laterPart(async () => {
    const read = await loader();
    await breathe();
    return read;
  }, 'This drawing') as Component;
  const place = defineComponent({
    inheritAttrs: false,
    setup(_, { attrs }) {
      const box = ref<HTMLElement | null>(null);
      const near = ref(false);
      const come = () => {
        near.value = true;
      };
      useIntersectionObserver(
        box,
        (seen) => {
          if (seen.some((s) => s.isIntersecting)) come();
        },
        { rootMargin: MARGIN },
      );
      useTimeoutFn(come, PATIENCE_MS);
      useEventListener('beforeprint', come);
      return () => {
        if (near.value) return h(Drawing, attrs);
        return h('div', { ref: box, style: { minHeight: `${Number(attrs['height'] ?? USUAL_HEIGHT)}px` } });
      };
    },
  });
  return place as unknown as T;
}
