import { afterEach, describe, expect, it, vi } from 'vitest';
import { entrySchema } from '@warm-jar/core';
import { newKey } from './newKey';

afterEach(() => {
  vi.unstubAllGlobals();
});

describe('the key of an entry', () => {
  it.each([true, false])('is its own, and one that an entry takes (a secure address: %s)', (secure) => {
    if (!secure)
      vi.stubGlobal('crypto', { getRandomValues: globalThis.crypto.getRandomValues.bind(globalThis.crypto) });
    const keys = Array.from({ length: 200 }, newKey);
    expect(new Set(keys).size).toBe(200);
    for (const key of keys.slice(0, 5))
      expect(entrySchema.safeParse({ key, at: '2026-11-27T10:00:00Z' }).success).toBe(true);
  });
});
