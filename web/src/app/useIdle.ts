import { onMounted, onUnmounted, ref, type Ref } from 'vue';

/** Longest that a busy page is waited for, ms. */
const PATIENCE_MS = 1_500;

/** True once the page has been drawn and has nothing more urgent to do. */
export function useIdle(): Readonly<Ref<boolean>> {
  const idle = ref(false);
  const now = () => {
    idle.value = true;
  };
  let [waiting, timer] = [0, 0];
  onMounted(() => {
    if ('requestIdleCallback' in window) waiting = window.requestIdleCallback(now, { timeout: PATIENCE_MS });
    else timer = Number(setTimeout(now, PATIENCE_MS));
  });
  onUnmounted(() => {
    if (waiting) window.cancelIdleCallback(waiting);
    clearTimeout(timer);
  });
  return idle;
}
