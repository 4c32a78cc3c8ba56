import type { ComputedRef } from 'vue';
import { provided } from '../provided';

/** What every field of a form shares: the document being filled in, and what is wrong with it. */
export interface FormContext {
  readonly value: (path: string) => unknown;
  readonly set: (path: string, value: unknown, rawText?: string) => void;
  /** Problems by path. */
  readonly issues: ComputedRef<Readonly<Record<string, string>>>;
  /** Texts that cannot be read as numbers yet, by path. */
  readonly texts: ComputedRef<Readonly<Record<string, string>>>;
}

const form = provided<FormContext>('form');

/** Gives a form to the fields below: a card, a thing of the shelf, a batch, or an answer to a question. */
export const provideForm = form.give;
export const useFormContext = form.take;
