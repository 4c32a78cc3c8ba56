/** What a person typed into a number field. */
export type ParsedNumber =
  { readonly kind: 'empty' } | { readonly kind: 'number'; readonly value: number } | { readonly kind: 'bad' };

/**
 * Reads a number as people type it at a bench: a point or a comma for decimals, a plain or a true minus, spaces around.
 * @example parseNumber('21,5') // { kind: 'number', value: 21.5 }
 */
export function parseNumber(text: string): ParsedNumber {
  const trimmed = text.trim().replace('−', '-').replace(',', '.');
  if (trimmed === '') return { kind: 'empty' };
  if (!/^-?(\d+\.?\d*|\.\d+)$/.test(trimmed)) return { kind: 'bad' };
  const value = Number(trimmed);
  return Number.isFinite(value) ? { kind: 'number', value } : { kind: 'bad' };
}

/** A value as the field shows it: at most `decimals` digits, no trailing zeros. */
export function numberText(value: number | null | undefined, decimals: number): string {
  return value == null ? '' : String(Number(value.toFixed(decimals)));
}
