import { useEventListener, useMutationObserver } from '@vueuse/core';

const FOCUSABLE = 'button:not(:disabled), a[href], input:not(:disabled), textarea, select, [tabindex="0"]';

/** Where what had the focus stood, from itself outwards, within the main part of the page. */
function chainOf(target: EventTarget | null): readonly HTMLElement[] {
  const chain: HTMLElement[] = [];
  // At the bench Enter belongs to the step: a button that took the focus unasked would have it.
  if (!(target instanceof HTMLElement) || target.closest('.bench-page')) return chain;
  for (let at: HTMLElement | null = target; at && at.tagName !== 'MAIN' && at !== document.body; at = at.parentElement)
    chain.push(at);
  return chain;
}

/** Whether somebody could step onto it now. */
const isThere = (e: HTMLElement) => e.getClientRects().length > 0;

/**
 * What is removed while it has the focus leaves it to what stood nearest: whoever works by keys goes on there, and not
 * from the top of the page.
 */
export function useFocusKeeper(): void {
  let chain: readonly HTMLElement[] = [];
  useEventListener(document, 'focusin', (event) => {
    chain = chainOf(event.target);
  });
  useEventListener(document, 'focusout', (event) => {
    const left = event.target;
    // One that was left is still there; one that was removed is not.
    queueMicrotask(() => {
      if (left instanceof Node && left.isConnected && chain[0] === left) chain = [];
    });
  });
  useMutationObserver(
    () => document.body,
    () => {
      const [target] = chain;
      if (!target || target.isConnected || document.activeElement !== document.body) return;
      const holder = chain.find((e) => e.isConnected);
      chain = [];
      const next = [...(holder?.querySelectorAll<HTMLElement>(FOCUSABLE) ?? [])].find(isThere);
      next?.focus();
    },
    { childList: true, subtree: true },
  );
}
