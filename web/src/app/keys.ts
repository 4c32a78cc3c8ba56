import { onKeyStroke } from '@vueuse/core';
import { ref } from 'vue';
import { useRouter } from 'vue-router';

/** A key and what it does, as the list under `?` shows it. */
export interface KeyHelp {
  readonly key: string;
  readonly does: string;
  readonly where: string;
}

export const KEYS: readonly KeyHelp[] = [
  { key: 't', does: 'Today', where: 'everywhere' },
  { key: 'm', does: 'Plan a batch before it is mixed', where: 'everywhere' },
  { key: 'l', does: 'Log', where: 'everywhere' },
  { key: 'i', does: 'Pieces in layers', where: 'everywhere' },
  { key: 'a', does: 'Patterns, trials, own figures', where: 'everywhere' },
  { key: 'p', does: 'Shelf: products, lots, moulds …', where: 'everywhere' },
  { key: 'n', does: 'Log a new batch', where: 'everywhere' },
  { key: 'o', does: 'People and devices: who works here', where: 'everywhere' },
  { key: '/', does: 'Find anything', where: 'everywhere' },
  { key: '?', does: 'This list', where: 'everywhere' },
  { key: '1 … 9', does: 'A jar on the shelf, from the top', where: 'everywhere' },
  { key: 'c', does: 'Check this batch', where: 'batch, diagnosis' },
  { key: 'e', does: 'Change this batch', where: 'batch' },
  { key: 'd', does: 'Diagnosis of this batch', where: 'batch' },
  { key: 'b', does: 'To the bench; at the bench, the wall board', where: 'batch, bench' },
  { key: 'Enter', does: 'The step is done', where: 'bench' },
  { key: 'z', does: 'Tare', where: 'bench, weighing' },
  { key: '+ / −', does: 'One drop more, one back', where: 'bench, colour' },
  { key: 'r / h', does: 'Read the resin, read the room', where: 'bench' },
  { key: 'w / f', does: 'The witness has set, read the surface', where: 'bench, watching' },
  { key: 'u / q', does: 'Undo the last step, sound on or off', where: 'bench' },
  { key: 'y', does: 'Read the hardness tester', where: 'check' },
  { key: 'r', does: 'Begin or go on with the mend', where: 'diagnosis, batch' },
  { key: 'x', does: 'Copy into the plan of the next batch', where: 'diagnosis, batch' },
  { key: 's', does: 'Bench sheet to print', where: 'batch' },
  { key: 'Ctrl Enter', does: 'Save; on the plan, begin the batch', where: 'log a batch, check, shelf, plan' },
];

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

/** The keys that work on every view. */
export function useGlobalKeys() {
  const router = useRouter();
  const keysOpen = ref(false);
  const findOpen = ref(false);
  onPlainKey('t', () => void router.push({ name: 'today' }));
  onPlainKey('m', () => void router.push({ name: 'plan' }));
  onPlainKey('l', () => void router.push({ name: 'log' }));
  onPlainKey('i', () => void router.push({ name: 'pieces' }));
  onPlainKey('a', () => void router.push({ name: 'patterns' }));
  onPlainKey('p', () => void router.push({ name: 'products' }));
  onPlainKey('o', () => void router.push({ name: 'people' }));
  onPlainKey('n', () => void router.push({ name: 'new-batch' }));
  onPlainKey('/', () => {
    findOpen.value = true;
  });
  onPlainKey('?', () => {
    keysOpen.value = true;
  });
  return { keysOpen, findOpen };
}
