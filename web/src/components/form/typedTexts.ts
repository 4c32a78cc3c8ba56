/** Texts that cannot be read as numbers yet, by the path of their field. */
export type TypedTexts = Readonly<Record<string, string>>;

/** All but one of some entries. */
export const without = <T>(entries: Readonly<Record<string, T>>, path: string): Record<string, T> =>
  Object.fromEntries(Object.entries(entries).filter(([p]) => p !== path));

/** The texts once a field was typed in: its text where it is no number yet, else none. */
export const withText = (texts: TypedTexts, path: string, rawText: string | undefined): Record<string, string> =>
  rawText === undefined ? without(texts, path) : { ...without(texts, path), [path]: rawText };

/** What is said of each text that is no number. */
export const textIssues = (texts: TypedTexts): Record<string, string> =>
  Object.fromEntries(Object.keys(texts).map((path) => [path, 'Write a number, such as 21.5, or clear the field.']));
