import { computed, type Ref } from 'vue';
import { useKept } from '../stores/kept';

/** Figures typed at the bench and not yet taken, by batch and place: a reload, or a step beside, loses none. */
export function useTyped(code: Ref<string>) {
  const kept = useKept<Record<string, number>>('warm-jar.bench-typed', {});
  /** @param place where it is typed; a function where that moves with the step */
  return (place: string | (() => string)) => {
    const key = () => `${code.value} ${typeof place === 'string' ? place : place()}`;
    return computed<number | null>({
      get: () => kept.value[key()] ?? null,
      set: (value) => {
        const others = Object.fromEntries(Object.entries(kept.value).filter(([k]) => k !== key()));
        kept.value = value === null ? others : { ...others, [key()]: value };
      },
    });
  };
}
