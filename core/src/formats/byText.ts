/**
 * Order of two codes, ids or names, sign for sign. The same on every machine, which an order by a language is not; and a
 * browser takes a moment to learn a language's order as it is first asked for it.
 */
export function byText(a: string, b: string): number {
  if (a === b) return 0;
  return a < b ? -1 : 1;
}
