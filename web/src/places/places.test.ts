import { describe, expect, it } from 'vitest';
import { PLACES, keyLines } from './places';

const lines = keyLines();

describe('the places', () => {
  it('have names and addresses of their own', () => {
    for (const of of ['name', 'path'] as const) expect(new Set(PLACES.map((p) => p[of])).size, of).toBe(PLACES.length);
  });
  it('are lit under a place that has a link in the bar', () => {
    const linked = PLACES.filter((p) => p.menu !== undefined).map((p) => p.name);
    expect(linked.length).toBeGreaterThan(4);
    for (const { name, under } of PLACES) if (under !== undefined) expect(linked, name).toContain(under);
  });
  it('lead to views that are there', async () => {
    for (const place of PLACES.slice(0, 3)) expect((await place.view()).default, place.name).toBeDefined();
  }, 120_000);
  it('that have keys of their own are called something in the list', () => {
    for (const { name, keys, called } of PLACES) if (keys) expect(called, name).toBeTruthy();
  });
});

describe('the list of keys', () => {
  it('has one meaning for each key in each place', () => {
    const seen = lines.flatMap(({ key, where }) => where.split(', ').map((place) => `${key} in ${place}`));
    expect(new Set(seen).size).toBe(seen.length);
  });
  it('keeps what works everywhere free of other meanings', () => {
    const everywhere = lines.filter((k) => k.where === 'everywhere').map((k) => k.key);
    for (const { key, where } of lines)
      if (where !== 'everywhere')
        for (const one of key.split(' / ')) expect(everywhere, `${one} in ${where}`).not.toContain(one);
  });
  it('says what each does, and each place that has a key on one line', () => {
    for (const { key, does } of lines) expect(does.length, key).toBeGreaterThan(2);
    for (const { key } of PLACES) if (key) expect(lines.filter((l) => l.key === key.key)).toHaveLength(1);
    expect(lines.find((l) => l.does === 'Check this batch')!.where).toBe('batch, diagnosis');
  });
});
