import { useLocalStorage } from '@vueuse/core';

/** How keys of one sign work on this browser: by themselves, only with Alt held, or not at all (WCAG 2.1.4). */
export const KEY_MODES = ['plain', 'alt', 'off'] as const;
export type KeyMode = (typeof KEY_MODES)[number];

/** One choice for every screen of this browser; a value of another time counts as none. */
const stored = useLocalStorage<string>('warm-jar.keys', 'plain');

export const keyMode = {
  get value(): KeyMode {
    return KEY_MODES.find((m) => m === stored.value) ?? 'plain';
  },
  set value(mode: KeyMode) {
    stored.value = mode;
  },
};

/** A key that speech or a stray touch could press: one letter, figure or sign. Enter and the arrows are not. */
export const isOneSign = (key: string): boolean => [...key].length === 1 && !'↑↓←→'.includes(key);
