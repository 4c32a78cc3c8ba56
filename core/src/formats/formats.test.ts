import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { overlay, soundBatch } from '../simulation/soundBatch';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { diagnose } from '../diagnosis/diagnose';
import { batchSchema } from './batch';
import { diagnosisSchema } from './diagnosis';
import { jsonSchemaOf, publishedSchemaName } from './jsonSchema';
import { issuesFromZod } from './problem';
import { productSchema } from './product';

const refused = (schema: typeof batchSchema | typeof productSchema, document: unknown) => {
  const result = schema.safeParse(document);
  return result.success ? [] : issuesFromZod(result.error).map((i) => i.path);
};
const batch = (patch: Record<string, unknown>) =>
  overlay({ format: 'warm-jar.batch/1', product: { slug: 'house-tide', revision: 1 } }, patch);

describe('the open formats', () => {
  it('need of a batch only its format and product, and take null for anything not recorded', () => {
    expect(batchSchema.safeParse(batch({})).success).toBe(true);
    expect(batchSchema.safeParse(batch({ room: null, mix: { amountA: null }, additives: null })).success).toBe(true);
  });

  it('keep unknown extra keys at every level', () => {
    const document = batch({
      studioShelf: 'left',
      mix: { amountA: 3, cupColour: 'red' },
      checks: [{ afterH: 3, mood: 'good' }],
    });
    expect(batchSchema.parse(document)).toEqual(document);
  });

  it('never turn absent into a default', () => {
    expect(Object.keys(batchSchema.parse(batch({})))).toEqual(['format', 'product']);
  });

  it.each([
    ['a negative mass', batch({ mix: { amountA: -5 } }), 'mix.amountA'],
    ['damp over 100 %', batch({ room: { humidityPct: 140 } }), 'room.humidityPct'],
    ['a pour that ends before it begins', batch({ pour: { startedMin: 5, finishedMin: 3 } }), 'pour.finishedMin'],
    ['a release before full pressure', batch({ pressure: { reachedMin: 9, releasedMin: 3 } }), 'pressure.releasedMin'],
    ['a time without offset', batch({ startedAt: '2026-03-14T09:20:00' }), 'startedAt'],
    ['a date that does not exist', batch({ lotA: { openedOn: '2026-02-30' } }), 'lotA.openedOn'],
    [
      'a pattern of another symptom',
      batch({ checks: [{ afterH: 2, symptoms: [{ kind: 'soft', pattern: 'micro-throughout' }] }] }),
      'checks[0].symptoms[0].pattern',
    ],
    [
      'a severity of 5',
      batch({ checks: [{ afterH: 2, symptoms: [{ kind: 'soft', pattern: 'all-over', severity: 5 }] }] }),
      'checks[0].symptoms[0].severity',
    ],
    ['a check without its time', batch({ checks: [{ shore: 60 }] }), 'checks[0].afterH'],
    ['an unknown tool', batch({ mix: { tool: 'spoon' } }), 'mix.tool'],
    ['another format', batch({ format: 'warm-jar.batch/2' }), 'format'],
  ])('refuse %s at its field', (_what, document, path) => {
    expect(refused(batchSchema, document)).toContain(path);
  });

  it.each([
    ['a ratio of zero', { ratio: { byWeight: { a: 100, b: 0 } } }, 'ratio.byWeight.b'],
    ['a room band upside down', { room: { minC: 27, maxC: 19 } }, 'room.maxC'],
    ['an unknown family', { family: 'wax' }, 'family'],
    ['a slug with capitals', { slug: 'House Clear' }, 'slug'],
    ['no name', { name: undefined }, 'name'],
  ])('refuse a card with %s at its field', (_what, patch, path) => {
    expect(refused(productSchema, overlay(saltmarshCard('house-clear-6'), patch))).toContain(path);
  });

  it('are refused in words that say what to do', () => {
    const said = (patch: Record<string, unknown>) => {
      const r = productSchema.safeParse(overlay(saltmarshCard('house-clear-6'), patch));
      return r.success ? '' : issuesFromZod(r.error)[0]!.message;
    };
    expect(said({ family: 'wax' })).toBe(
      'Choose one of: epoxy, polyurethane, polyester, uv-acrylate, mineral-acrylic, silicone.',
    );
    expect(said({ family: undefined })).toMatch(/^Choose one of/);
    expect(said({ name: undefined })).toBe('This is required.');
    expect(said({ name: '' })).toBe('Give the product a name.');
  });

  it('survive JSON and parsing again, card by card', () => {
    for (const card of SALTMARSH_CARDS) expect(productSchema.parse(JSON.parse(JSON.stringify(card)))).toEqual(card);
  });

  it('accept any temperature a bench can have and keep it to the last digit', () => {
    fc.assert(
      fc.property(fc.double({ min: -40, max: 60, noNaN: true }), (temperatureC) => {
        expect(batchSchema.parse(batch({ room: { temperatureC } })).room?.temperatureC).toBe(temperatureC);
      }),
    );
  });

  it('describe a real diagnosis', () => {
    const record = soundBatch('house-clear-6', {
      room: { humidityPct: 80 },
      checks: [{ afterH: 24, symptoms: [{ kind: 'bubbles', pattern: 'top-foam' }] }],
    });
    const answer = diagnose(saltmarshCard('house-clear-6'), record);
    expect(diagnosisSchema.parse(answer)).toEqual(answer);
  });
});

describe('the derived JSON Schema', () => {
  it('requires of a product what the contract requires, and allows extra keys', () => {
    const schema = jsonSchemaOf('warm-jar.product-1') as {
      required: string[];
      additionalProperties: unknown;
      properties: Record<string, { enum?: string[] }>;
    };
    expect([...schema.required].sort()).toEqual(['family', 'format', 'name', 'ratio', 'revision', 'slug']);
    expect(schema.additionalProperties).toEqual({});
    expect(schema.properties['family']?.enum).toContain('mineral-acrylic');
  });
  it('requires of a batch only its format and product', () => {
    expect((jsonSchemaOf('warm-jar.batch-1') as { required: string[] }).required).toEqual(['format', 'product']);
  });
  it.each([
    ['warm-jar.batch/1', 'warm-jar.batch-1'],
    ['batch', 'warm-jar.batch-1'],
    ['warm-jar.product-1', 'warm-jar.product-1'],
    ['nonsense', undefined],
  ])('finds %s as %s', (name, found) => {
    expect(publishedSchemaName(name)).toBe(found);
  });
});
