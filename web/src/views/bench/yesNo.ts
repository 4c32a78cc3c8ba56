/** The two answers to what was done or not; a third press takes the answer back. */
export const YES_NO = [
  { value: true, words: 'yes' },
  { value: false, words: 'no' },
] as const;
