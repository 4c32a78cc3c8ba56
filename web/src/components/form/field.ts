/** One thing to fill in: where it goes in the document and how it is entered. */
export interface Field {
  readonly path: string;
  readonly label: string;
  readonly kind: 'number' | 'choice' | 'yes-no' | 'text' | 'words' | 'choices' | 'date' | 'moment';
  /** Stored unit of a number; a function where the document itself decides it. */
  readonly unit?: string | ((value: (path: string) => unknown) => string);
  readonly options?: readonly string[];
}
