import { inject, type ComputedRef, type InjectionKey } from 'vue';

/** What every field of a form shares: the document being filled in, and what is wrong with it. */
export interface FormContext {
  readonly value: (path: string) => unknown;
  readonly set: (path: string, value: unknown, rawText?: string) => void;
  /** Problems by path. */
  readonly issues: ComputedRef<Readonly<Record<string, string>>>;
  /** Texts that cannot be read as numbers yet, by path. */
  readonly texts: ComputedRef<Readonly<Record<string, string>>>;
}

export const FORM: InjectionKey<FormContext> = Symbol('form');

export function useFormContext(): FormContext {
  const context = inject(FORM);
  if (!context) throw new Error('A field stands outside its form.');
  return context;
}
