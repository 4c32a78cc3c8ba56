import { onKeyStroke } from '@vueuse/core';

/** Whether a keystroke belongs to a field that is being typed in, or to an open dialog. */
export function isTyping(event: KeyboardEvent): boolean {
  const target = event.target;
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement && (target.type === 'checkbox' || target.type === 'radio')) return false;
  return (
    target.isContentEditable ||
    /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) ||
    target.closest('[role="dialog"], [role="alertdialog"], [role="listbox"], [role="combobox"]') !== null
  );
}

/** One-letter keys that act only when nobody is typing and no modifier is held. */
export function onPlainKey(key: string, act: () => void): void {
  onKeyStroke(key, (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || isTyping(event)) return;
    // Enter on a button or link that has the focus is that button's own.
    if (key === 'Enter' && event.target instanceof HTMLElement && event.target.closest('button, a')) return;
    event.preventDefault();
    act();
  });
}

/** Ctrl or Command with Enter saves, also while typing. */
export function onSaveKey(act: () => void): void {
  onKeyStroke('Enter', (event) => {
    if (!event.ctrlKey && !event.metaKey) return;
    event.preventDefault();
    act();
  });
}
