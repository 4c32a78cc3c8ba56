import { onKeyStroke } from '@vueuse/core';
import { onScopeDispose, reactive } from 'vue';
import { isOneSign, keyMode } from './keyMode';

/** Keys that something on the screen listens for now, with how many. */
const listened = reactive(new Map<string, number>());

/** Whether a key does something on this screen now; those that are no single sign are each control's own. */
export const keyWorks = (key: string): boolean =>
  !isOneSign(key) || (keyMode.value !== 'off' && (listened.get(key) ?? 0) > 0);

function listens(key: string): void {
  listened.set(key, (listened.get(key) ?? 0) + 1);
  onScopeDispose(() => {
    listened.set(key, (listened.get(key) ?? 1) - 1);
  });
}

/** With Alt held some keyboards write another sign: there the key itself counts. */
const isKey = (event: KeyboardEvent, key: string): boolean =>
  event.key === key || (event.altKey && event.code === `Key${key.toUpperCase()}`);

/** Whether the modifiers held are those that a key of one sign asks for. */
function modified(event: KeyboardEvent, key: string): boolean {
  if (event.ctrlKey || event.metaKey) return false;
  if (!isOneSign(key)) return !event.altKey;
  if (keyMode.value === 'off') return false;
  return event.altKey === (keyMode.value === 'alt');
}

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

/**
 * Keys that act only when nobody is typing, with the modifier that this browser was told to ask for.
 * @param acts what each does; all of them are listened for at once, for each listener takes its time as a page comes
 */
export function onPlainKeys(acts: Readonly<Record<string, () => void>>): void {
  const keys = Object.keys(acts);
  for (const key of keys) listens(key);
  onKeyStroke(true, (event) => {
    const key = keys.find((k) => isKey(event, k) && modified(event, k));
    if (key === undefined || event.repeat || isTyping(event)) return;
    // Enter on a button or link that has the focus is that button's own.
    if (key === 'Enter' && event.target instanceof HTMLElement && event.target.closest('button, a')) return;
    event.preventDefault();
    acts[key]!();
  });
}

export const onPlainKey = (key: string, act: () => void): void => {
  onPlainKeys({ [key]: act });
};

/** Enter in a field of a long form leaves the field as it is: a whole record is saved by its button or with Ctrl. */
export function keepEnter(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey) return;
  if (event.target instanceof HTMLInputElement && event.target.type !== 'submit') event.preventDefault();
}

/** Ctrl or Command with Enter saves, also while typing. */
export function onSaveKey(act: () => void): void {
  onKeyStroke('Enter', (event) => {
    if (!event.ctrlKey && !event.metaKey) return;
    event.preventDefault();
    act();
  });
}
