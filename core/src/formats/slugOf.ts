/** Longest stable name of a product, letters. */
const LONGEST = 80;

/**
 * The stable short name that a product's name becomes: lower-case words with hyphens.
 * @example slugOf('House Clear 6 (fast)') // 'house-clear-6-fast'
 */
export const slugOf = (name: string): string =>
  name
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '')
    .slice(0, LONGEST)
    .replace(/-$/, '');
