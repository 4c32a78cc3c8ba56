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
/** With the line of its title above, and its table below to be opened (`ChartFigure`). */
const roomFor = (heightPx: number) => ({ minHeight: `calc(${heightPx}px + 1.4em + var(--target))`, minWidth: 0 });

/**
 * A drawing that is fetched and drawn once it comes near the window: a chart takes longer than all else of a page.
 * Its place is kept from the first, so that nothing moves.
 * @param loader as of an asynchronous component; the props stay those of what is loaded, of which `height` is px
 * @param usually how high it is where no prop says so, px
 */
export function whenNear<T extends Component>(loader: Loader<T>, usually = USUAL_HEIGHT): T {
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
      return () =>
        h(
          'div',
          { ref: box, style: roomFor(Number(attrs['height'] ?? usually)) },
          near.value ? [h(Drawing, attrs)] : [],
        );
    },
  });
  return place as unknown as T;
}
