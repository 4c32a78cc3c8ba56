import { describe, expect, it } from 'vitest';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { limitReadings } from '../limits/limitReadings';
import { batchSchema } from './batch';
import { BATCH_FIELDS, BATCH_SECTIONS, anyPlace, batchField, isTextField } from './batchFields';

interface Definition {
  readonly type: string;
  readonly shape?: Record<string, unknown>;
  readonly element?: unknown;
  readonly innerType?: unknown;
  readonly in?: unknown;
  readonly entries?: Record<string, string>;
}
const definitionOf = (schema: unknown) => (schema as { def: Definition }).def;

/** Every path that a schema can hold a value at, with the choices that it allows. */
function leavesOfSchema(schema: unknown, path = ''): [string, Definition][] {
  const def = definitionOf(schema);
  if (def.type === 'object')
    return Object.entries(def.shape!).flatMap(([key, of]) => leavesOfSchema(of, path ? `${path}.${key}` : key));
  if (def.type === 'array') return leavesOfSchema(def.element, `${path}[]`);
  const inner = def.innerType ?? def.in;
  return inner === undefined ? [[anyPlace(path), def]] : leavesOfSchema(inner, path);
}
const LEAVES = leavesOfSchema(batchSchema);
/** Without the cup or casting that a field is given for. */
const plain = (path: string) => (BATCH_FIELDS.some((f) => f.path === path) ? path : path.replace(/^\w+\[\]\./, ''));

describe('the table of fields', () => {
  it('forgets no field of the format', () => {
    expect(LEAVES.map(([path]) => path).filter((path) => batchField(path) === undefined)).toEqual([]);
  });
  it('names no field that the format does not have', () => {
    const known = new Set(LEAVES.map(([path]) => path));
    expect(BATCH_FIELDS.map((f) => f.path).filter((path) => !known.has(path))).toEqual([]);
  });
  it('offers just the choices that the format takes', () => {
    for (const [path, def] of LEAVES) {
      if (def.type !== 'enum') continue;
      const { options, kind } = batchField(path)!;
      if (kind === 'choice') expect([...options!].sort(), path).toEqual(Object.values(def.entries!).sort());
    }
  });
  it('says of each what it holds', () => {
    const kinds: Record<string, string[]> = { number: ['number'], boolean: ['yes-no'] };
    for (const [path, def] of LEAVES) {
      const expected = kinds[def.type];
      if (expected) expect(expected, path).toContain(batchField(path)!.kind);
      else expect(['number', 'yes-no'], path).not.toContain(batchField(path)!.kind);
    }
  });
  it('gives no two fields of a section one name', () => {
    for (const section of new Set(BATCH_FIELDS.map((f) => f.section))) {
      const labels = BATCH_FIELDS.filter((f) => f.section === section).map((f) => f.label);
      expect(new Set(labels).size, section).toBe(labels.length);
    }
  });
  it('knows which fields a card limits, and in which unit', () => {
    for (const { slug } of SALTMARSH_CARDS) {
      const card = SALTMARSH_CARDS.find((c) => c.slug === slug)!;
      for (const { field, unit, state } of limitReadings(card, soundBatch(slug))) {
        const known = batchField(field);
        if (!known || state === 'not-stated') continue;
        expect(known.limit, field).toBe(true);
        if (known.kind === 'number' && known.unit !== '') expect(known.unit, field).toBe(unit);
      }
    }
  });
  it('finds a field whatever place, cup or casting it lies in', () => {
    expect(batchField('checks[3].shore')).toMatchObject({ label: 'Hardness', owner: 'check' });
    expect(batchField('castings[1].mould.code')).toBe(batchField('mould.code'));
    expect(plain('castings[].mould.code')).toBe('mould.code');
    expect(batchField('no.such.field')).toBeUndefined();
  });
  it('orders the sections by the work, and parts texts from figures', () => {
    expect(BATCH_SECTIONS.indexOf('lotA')).toBeLessThan(BATCH_SECTIONS.indexOf('mix'));
    expect(BATCH_SECTIONS.indexOf('mix')).toBeLessThan(BATCH_SECTIONS.indexOf('cure'));
    expect([isTextField('mould.code'), isTextField('mix.amountA'), isTextField('own.column')]).toEqual([
      true,
      false,
      undefined,
    ]);
  });
});
