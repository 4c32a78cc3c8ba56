import { nextTick } from 'vue';

/** What a field in the main part of the page says of itself where it was refused. */
const REFUSED =
  'main [aria-invalid="true"], main .p-invalid, main [data-path] [role="alert"], main .error[role="alert"]';

/** Brings the first field that is wrong into view, with the cursor in it. */
export async function focusFirstError(): Promise<void> {
  await nextTick();
  const first = document.querySelector<HTMLElement>(REFUSED);
  const holder = first?.closest<HTMLElement>('[data-path], label, .cell') ?? first;
  const field = first?.matches('input, textarea, [tabindex]')
    ? first
    : holder?.querySelector<HTMLElement>('input, textarea, select, button, [tabindex]');
  first?.scrollIntoView({ block: 'center' });
  field?.focus({ preventScroll: true });
}
