import { describe, expect, it } from 'vitest';
import { KEYS } from './keys';

describe('the list of keys', () => {
  it('has one meaning for each key in each place', () => {
    const seen = KEYS.flatMap(({ key, where }) => where.split(', ').map((place) => `${key} in ${place}`));
    expect(new Set(seen).size).toBe(seen.length);
  });
  it('keeps what works everywhere free of other meanings', () => {
    const everywhere = KEYS.filter((k) => k.where === 'everywhere').map((k) => k.key);
    for (const { key, where } of KEYS)
      if (where !== 'everywhere')
        for (const one of key.split(' / ')) expect(everywhere, `${one} in ${where}`).not.toContain(one);
  });
  it('says what each does', () => {
    for (const { key, does } of KEYS) expect(does.length, key).toBeGreaterThan(2);
  });
});
