import { nextTick } from 'vue';

/**
 * Puts the focus where a removed row was: on the next row's button, the last one's, or what holds the list.
 * @param within what holds the rows, and stays or is looked for again by its parent
 * @param button the buttons that remove, in order
 */
export function focusAfterRemoval(within: HTMLElement | null, button: string, index: number): void {
  const parent = within?.parentElement ?? null;
  void nextTick(() => {
    const holder = within?.isConnected ? within : parent;
    if (!holder) return;
    const buttons = [...holder.querySelectorAll<HTMLElement>(button)];
    const next = buttons[Math.min(index, buttons.length - 1)] ?? holder.querySelector<HTMLElement>('button, a, input');
    next?.focus();
  });
}
