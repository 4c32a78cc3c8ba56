import { onMounted, onUnmounted, ref, type Ref } from 'vue';

/** What comes later takes nothing from the page for so long, ms: until then it asks and waits for its own answers. */
const PAGE_FIRST_MS = 3_000;
/** Longest that a busy page is waited for after that, ms. */
const PATIENCE_MS = 2_000;

/** True once the page has been drawn and has nothing more urgent to do. */
export function useIdle(): Readonly<Ref<boolean>> {
  const idle = ref(false);
  const now = () => {
    idle.value = true;
  };
  let [waiting, timer] = [0, 0];
  onMounted(() => {
    timer = Number(
      setTimeout(() => {
        if ('requestIdleCallback' in window) waiting = window.requestIdleCallback(now, { timeout: PATIENCE_MS });
        else now();
      }, PAGE_FIRST_MS),
    );
  });
  onUnmounted(() => {
    if (waiting) window.cancelIdleCallback(waiting);
    clearTimeout(timer);
  });
  return idle;
}
