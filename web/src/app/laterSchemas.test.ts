import { readFileSync } from 'node:fs';
import { globSync } from 'tinyglobby';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { laterSchemas, withLaterSchemas } from '../../laterSchemas';

interface Hooks {
  readonly resolveId: (id: string) => string | null;
  readonly load: (id: string) => string | null;
  readonly transform: (code: string, id: string) => { readonly code: string } | null;
}
const plugin = laterSchemas() as unknown as Hooks;
const standIn = plugin.load(plugin.resolveId('virtual:later-schema')!)!;
const { laterSchema } = (await import(`data:text/javascript,${encodeURIComponent(standIn)}`)) as {
  laterSchema: <T extends object>(make: () => T) => T;
};

const FROM = "import { z } from 'zod';\n";
/** Which constants of a module are made later. */
const later = (code: string) =>
  [...withLaterSchemas(FROM + code).matchAll(/const (\w+)[^=]*= \/\* @__PURE__ \*\/ laterSchema/g)].map(
    ([, name]) => name,
  );

describe('schemas that are made when they are needed', () => {
  it('are the constants that are made by zod, by another schema, or by a function that makes one', () => {
    const code = `import { productSchema } from './product';
      const between = (low: number) => z.number().min(low);
      export const mass = between(0);
      export const day: z.ZodType<string> = z.iso.date('A day.');
      const own = z.looseObject({ mass, day }).superRefine((v, ctx) => { ctx.addIssue('no'); });
      export const batch = own.extend({ more: z.array(own) }), card = productSchema.nullish();`;
    expect(later(code)).toEqual(['mass', 'day', 'own', 'batch']);
    // The second of one declaration too.
    expect(withLaterSchemas(FROM + code)).toContain('laterSchema(() => (productSchema.nullish()))');
  });
  it('are not what is asked of one, nor anything else', () => {
    const code = `const kinds = z.enum(['a', 'b']);
      export const KINDS = kinds.options;
      export const WORDS = kinds.options.map((kind) => kind.toUpperCase());
      export const read = kinds.parse('a');
      export const parse = (x: unknown) => kinds.safeParse(x);
      export const asked = parse('b');
      const zones = zoneList.map((zone) => zone.name);
      let changing = z.string();`;
    expect(later(code)).toEqual(['kinds']);
    expect(withLaterSchemas('const x = z.string();')).toBe('const x = z.string();');
    expect(plugin.transform(`${FROM}const a = z.string();`, '/w/core/src/formats/a.test.ts')).toBeNull();
    expect(plugin.transform(`${FROM}const a = z.string();`, '/w/node_modules/x/a.ts')).toBeNull();
    expect(plugin.transform(`${FROM}const a = z.string();`, '/w/core/src/formats/a.ts')?.code).toContain('laterSchema');
  });
  it('are nearly all of the formats', () => {
    const root = new URL('../../../core/src/formats/', import.meta.url);
    const found = globSync('*.ts', { cwd: root.pathname, ignore: '*.test.ts' }).flatMap((file) => {
      const code = readFileSync(new URL(file, root), 'utf8');
      return code.startsWith(FROM.trim()) || code.includes(FROM)
        ? [...withLaterSchemas(code).matchAll(/laterSchema\(/g)]
        : [];
    });
    expect(found.length).toBeGreaterThan(80);
  });
});

describe('the stand-in of such a schema', () => {
  const made: string[] = [];
  const named = <T extends object>(name: string, make: () => T): T =>
    laterSchema(() => {
      made.push(name);
      return make();
    });
  const mass = named('mass', () => z.number().min(0, 'Too light.'));
  const part = named('part', () => z.looseObject({ kind: z.literal('part'), mass: mass.nullish() }));
  const cup = named('cup', () =>
    z.strictObject({ kind: z.literal('cup'), parts: z.array(part), note: z.string().optional() }),
  );
  const either = named('either', () => z.discriminatedUnion('kind', [part, cup]));
  const page = named('page', () =>
    z.object({ items: z.array(either), by: z.record(z.string(), mass), one: mass.or(part) }),
  );

  it('makes nothing until something is asked of it, and then once', () => {
    expect(made).toEqual([]);
    expect(mass.safeParse(1).success).toBe(true);
    expect(mass.safeParse(2).success).toBe(true);
    expect(made).toEqual(['mass']);
  });
  it('checks as the schema itself does, wherever it is a part of another', () => {
    const told = {
      items: [
        { kind: 'part', mass: 3, more: 1 },
        { kind: 'cup', parts: [{ kind: 'part' }] },
      ],
      by: { a: 1 },
      one: { kind: 'part', mass: null },
    };
    expect(page.parse(told)).toEqual(told);
    const bad = page.safeParse({
      ...told,
      by: { a: -1 },
      items: [{ kind: 'cup', parts: [{ kind: 'part', mass: -2 }] }],
    });
    expect(bad.error?.issues.map((i) => [i.path.join('.'), i.message])).toEqual([
      ['items.0.parts.0.mass', 'Too light.'],
      ['by.a', 'Too light.'],
    ]);
    expect(made).toEqual(expect.arrayContaining(['mass', 'part', 'cup', 'either', 'page']));
    expect(made).toHaveLength(5);
  });
  it('can be asked what it is, and be built on', () => {
    expect(page).toBeInstanceOf(z.ZodObject);
    expect('shape' in page).toBe(true);
    expect(Object.keys(part.shape)).toEqual(['kind', 'mass']);
    const more = part.extend({ lot: z.string() });
    expect(more.parse({ kind: 'part', lot: 'L1' })).toEqual({ kind: 'part', lot: 'L1' });
    expect(cup.pick({ kind: true }).safeParse({ kind: 'part' }).success).toBe(false);
    const { safeParse } = mass;
    expect(safeParse(-1).success).toBe(false);
  });
});
