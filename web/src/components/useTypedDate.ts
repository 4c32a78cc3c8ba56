import { ref } from 'vue';

/** How a text becomes a date: what reads it, which texts are whole while they are typed, and how to write one. */
interface Reading {
  readonly read: (text: string) => Date | null;
  readonly whole: RegExp;
  readonly example: string;
}

/**
 * A date picker's typing, read by ourselves: the picker takes half a date for a whole one (`2027-12-2` on the way to
 * the 25th), and throws a moment away. What is whole is taken at once, the rest when the field is left or by Enter; what
 * cannot be read is told and changes nothing.
 */
export function useTypedDate({ read, whole, example }: Reading, give: (date: Date | null) => void) {
  const unread = ref<string | null>(null);
  /** What was typed since the field was entered; null while nothing was. */
  let text: string | null = null;
  let typing = false;

  function take(): void {
    if (text === null) return;
    const date = read(text);
    if (text === '' || date) give(date);
    else unread.value = `"${text}" was not read. Write it as ${example}, or take the calendar.`;
    text = null;
  }
  return {
    unread,
    /** Before the picker hears of a key: what it makes of it is not asked. */
    beforeTyping: () => {
      typing = true;
    },
    typed: (event: Event) => {
      typing = false;
      unread.value = null;
      text = event.target instanceof HTMLInputElement ? event.target.value.trim() : null;
      const date = text !== null && whole.test(text) ? read(text) : null;
      if (date) give(date);
    },
    picked: (next: unknown) => {
      if (typing) return;
      [text, unread.value] = [null, null];
      give(next instanceof Date && !Number.isNaN(next.getTime()) ? next : null);
    },
    take,
  };
}
