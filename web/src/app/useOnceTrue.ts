import { ref, watch, type Ref, type WatchSource } from 'vue';

/** True from when something first was: what nobody asked for yet is not loaded. */
export function useOnceTrue(source: WatchSource<boolean>): Readonly<Ref<boolean>> {
  const was = ref(false);
  watch(
    source,
    (now) => {
      was.value ||= now;
    },
    { immediate: true },
  );
  return was;
}
