import { ref, type Ref } from 'vue';

/** A place on a picture, in shares of its width and height. */
export type Place = { readonly x: number; readonly y: number };

/** A step of an arrow, and of an arrow with Shift, in shares. */
const [STEP, LONG_STEP] = [0.02, 0.1];
const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A share of 0 to 1 as pictures keep it. */
export const asShare = (v: number): number => Math.round(Math.min(1, Math.max(0, v)) * 1000) / 1000;

/** Where on a picture a pointer came down. */
export function placeOf(event: MouseEvent): Place {
  const box = (event.currentTarget as Element).getBoundingClientRect();
  return {
    x: asShare((event.clientX - box.left) / box.width),
    y: asShare((event.clientY - box.top) / box.height),
  };
}

/** A place as it is told: `across 52 %, down 40 %`. */
export const placeWords = ({ x, y }: Place): string => `across ${Math.round(x * 100)} %, down ${Math.round(y * 100)} %`;

/**
 * A cross on a picture for whoever has no pointer: arrows move it, with Shift further, Enter or the space bar sets it.
 * @param set what is done with the place
 */
export function useCross(set: (place: Place) => void): {
  at: Ref<Place>;
  shown: Ref<boolean>;
  onKeydown: (event: KeyboardEvent) => void;
  focus: () => void;
  blur: () => void;
} {
  const at = ref<Place>({ x: 0.5, y: 0.5 });
  const shown = ref(false);
  function onKeydown(event: KeyboardEvent): void {
    const way = WAYS[event.key];
    if (way) {
      const step = event.shiftKey ? LONG_STEP : STEP;
      at.value = { x: asShare(at.value.x + way[0] * step), y: asShare(at.value.y + way[1] * step) };
    } else if (event.key === 'Enter' || event.key === ' ') set(at.value);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  return {
    at,
    shown,
    onKeydown,
    focus: () => {
      shown.value = true;
    },
    blur: () => {
      shown.value = false;
    },
  };
}
