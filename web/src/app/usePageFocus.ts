import { nextTick, watch } from 'vue';
import { useRoute } from 'vue-router';

/** How long a page may take to show its heading, ms. */
const PATIENCE_MS = 4_000;

const isFree = () => {
  const here = document.activeElement;
  return here === null || here === document.body || here.closest('main, [role="dialog"]') === null;
};

/** The heading takes the focus, unless somebody has put it into the page meanwhile. */
function focusHeading(): () => void {
  const look = () => {
    const heading = document.querySelector<HTMLElement>('main h1');
    if (!heading) return false;
    if (isFree()) {
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
    }
    return true;
  };
  if (look()) return () => undefined;
  const observer = new MutationObserver(() => {
    if (look()) observer.disconnect();
  });
  observer.observe(document.body, { childList: true, subtree: true });
  const timer = window.setTimeout(() => {
    observer.disconnect();
  }, PATIENCE_MS);
  return () => {
    observer.disconnect();
    window.clearTimeout(timer);
  };
}

/** On another page the focus goes to its heading, so that what is read begins there; within a place it stays. */
export function usePageFocus(): void {
  const route = useRoute();
  const page = () => {
    const code = route.path.startsWith('/batches/') ? String(route.params['code'] ?? '') : '';
    return `${String(route.name)} ${code}`;
  };
  let stop = () => {};
  watch(page, (_now, before) => {
    stop();
    // The page that was opened first keeps the browser's own beginning.
    if (before.startsWith('undefined')) return;
    void nextTick(() => {
      (document.activeElement as HTMLElement | null)?.blur();
      stop = focusHeading();
    });
  });
}
