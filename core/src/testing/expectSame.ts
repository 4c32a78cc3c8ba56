import { expect } from 'vitest';

/** The same figures, but for the machine's rounding of sums in another order; all else to the letter. */
export function expectSame(told: unknown, known: unknown, where = ''): void {
  if (typeof known === 'number' && typeof told === 'number') {
    expect(Math.abs(told - known), where).toBeLessThanOrEqual(1e-7 * Math.max(1, Math.abs(known)));
  } else if (typeof known === 'object' && known !== null && typeof told === 'object' && told !== null) {
    expect(Object.keys(told), where).toEqual(Object.keys(known));
    for (const [key, value] of Object.entries(known))
      expectSame((told as Record<string, unknown>)[key], value, `${where}.${key}`);
  } else expect(told, where).toEqual(known);
}
