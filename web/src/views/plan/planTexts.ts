/** Fields whose text is no number yet, each with how to write one. */
export const draftNumbersBad = (texts: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.keys(texts).map((name) => [name, 'Write a number, such as 21.5, or clear the field.']));
