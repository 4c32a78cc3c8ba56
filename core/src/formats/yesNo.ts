const YES = new Set(['true', 'yes', 'y', 'x', '1', '✓', '✔']);
const NO = new Set(['false', 'no', 'n', '0']);

/**
 * Yes or no as spreadsheets and people write it, in any case; null for anything else.
 * @example readYesNo('TRUE') // true
 */
export function readYesNo(text: string): boolean | null {
  const word = text.trim().toLowerCase();
  if (YES.has(word)) return true;
  return NO.has(word) ? false : null;
}
