import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { iconsUsed } from '../../../scripts/fonts.mjs';

const here = (name: string) => readFileSync(join(import.meta.dirname, name), 'utf8');

describe('the icons that ship', () => {
  it('are those that are drawn, neither more nor fewer', () => {
    const shipped = [...here('icons.css').matchAll(/\.pi-([\w-]+)::before/g)].map(([, name]) => name);
    expect(shipped).toEqual(iconsUsed());
    expect(shipped.length).toBeGreaterThan(20);
  });
});

describe('the faces of a family', () => {
  const faces = [...here('fonts.css').matchAll(/@font-face \{([^}]*)\}/g)].map(([, body]) => body!);
  const of = (face: string, property: string) => new RegExp(`${property}:\\s*([^;]+);`).exec(face)?.[1]?.trim();
  it('name the same weights: a browser puts only those together', () => {
    for (const family of new Set(faces.map((f) => of(f, 'font-family'))))
      expect(new Set(faces.filter((f) => of(f, 'font-family') === family).map((f) => of(f, 'font-weight'))).size).toBe(
        1,
      );
  });
  it('share no letter: each is asked of one file', () => {
    for (const family of ['Next', 'Mono']) {
      const seen = new Set<number>();
      for (const face of faces.filter((f) => of(f, 'font-family')?.includes(family)))
        for (const part of of(face, 'unicode-range')!.split(',')) {
          const [from, until] = part.trim().slice(2).split('-') as [string, string | undefined];
          for (let p = parseInt(from, 16); p <= parseInt(until ?? from, 16); p += 1) {
            expect(seen.has(p)).toBe(false);
            seen.add(p);
          }
        }
      expect(seen.size).toBeGreaterThan(200);
    }
  });
});
