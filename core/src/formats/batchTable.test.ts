import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { saltmarshBatches } from '../simulation/saltmarshBatches';
import { saltmarshYear } from '../simulation/saltmarshYear';
import { soundBatch } from '../simulation/soundBatch';
import { unitInName } from '../units/unitInName';
import { batchSchema, type Batch } from './batch';
import { batchColumnsOf, batchFromRow, batchToRow } from './batchTable';
import { changedFields } from './changedFields';

const now = new Date('2026-11-24T14:30:00Z');
const again = (batch: Batch): Batch => batchSchema.parse(batchFromRow(batchToRow(batch)));

describe('batches as a table', () => {
  it('come back without loss: every batch of the demo studio', () => {
    for (const batch of [
      ...saltmarshBatches(now),
      ...saltmarshYear(now)
        .slice(0, 60)
        .map((y) => y.batch),
    ])
      expect(changedFields(batch, again(batch)), batch.code ?? '').toEqual([]);
  });
  it('keep texts that look like something else as texts', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.constantFrom(
            '007',
            '12',
            '1,5',
            'true',
            'null',
            '=SUM(A1)',
            '+49',
            '-3',
            '@x',
            ' padded ',
            '"quoted"',
            '[1]',
            '{a}',
            '',
            '1e5',
          ),
        ),
        (note) => {
          expect(again(soundBatch('house-tide', { note, by: '12' }))).toMatchObject({ note, by: '12' });
        },
      ),
    );
  });
  it('hand no formula to a spreadsheet', () => {
    for (const note of ['=1+1', '+1', '-1+2', '@SUM(A1)', '\t=1'])
      expect(batchToRow(soundBatch('house-tide', { note }))['note']).toMatch(/^"/);
  });
  it('tell none from not recorded', () => {
    expect(batchToRow(soundBatch('house-tide', { additives: [] }))['additives']).toBe('[]');
    expect(again(soundBatch('house-tide', { additives: [] })).additives).toEqual([]);
    expect(again(soundBatch('house-tide', { additives: null })).additives).toBeUndefined();
  });
  it('keep keys that the format does not know', () => {
    expect(again(soundBatch('house-tide', { shelfLabel: { row: 3, words: ['a', 'b'] } }))).toMatchObject({
      shelfLabel: { row: 3, words: ['a', 'b'] },
    });
  });
  it('keep whatever else a document holds, keys and all', () => {
    const dropped = new Set(['__proto__', 'prototype', 'constructor']);
    // Null and absent are the same in these formats; nothing else may be lost.
    const without = (v: unknown): unknown => {
      if (Array.isArray(v)) return v.map(without);
      if (typeof v !== 'object' || v === null) return Object.is(v, -0) ? 0 : v;
      const kept = Object.entries(v).filter(([k, c]) => c !== null && !dropped.has(k));
      return Object.fromEntries(kept.map(([k, c]) => [k, without(c)]));
    };
    const extra = fc.dictionary(
      fc.oneof(fc.string({ minLength: 1 }), fc.constantFrom('a.b', 'a[0]', '12', '["x"]', ' ', 'ü')),
      fc.jsonValue({ maxDepth: 3 }),
      { maxKeys: 4 },
    );
    fc.assert(
      fc.property(extra, (given) => {
        const shelf = without(given);
        expect(
          (again(soundBatch('house-tide', { shelf: { kept: 1, shelf } })) as Batch & { shelf?: { shelf?: unknown } })
            .shelf!.shelf,
        ).toEqual(shelf);
      }),
      { numRuns: 300 },
    );
  });
  it('take decimal commas as people type them', () => {
    expect(batchFromRow({ 'product.slug': 'house-tide', 'room.temperatureC': '17,5' })).toMatchObject({
      room: { temperatureC: 17.5 },
    });
  });
  it('let no column reach outside the document', () => {
    const made = batchFromRow({
      '__proto__.polluted': 'yes',
      'constructor.prototype.polluted': 'yes',
      'checks[999999999].afterH': '3',
    });
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
    expect(made['__proto__.polluted']).toBeUndefined();
    expect((made['checks'] as unknown[] | undefined)?.length ?? 0).toBe(0);
  });
  it('pass over a column whose name is none', () => {
    expect(batchFromRow({ 'product.slug': 'house-tide', 'note[': 'x', '["\\q"]': 'y', '..': 'z', ' ': 'w' })).toEqual({
      format: 'warm-jar.batch/1',
      product: { slug: 'house-tide' },
    });
  });
  it('stand in the order of the work', () => {
    const columns = batchColumnsOf([batchToRow(soundBatch('house-tide', { note: 'x', checks: [{ afterH: 2 }] }))]);
    expect(columns.slice(0, 3)).toEqual(['format', 'code', 'startedAt']);
    expect(columns.indexOf('room.temperatureC')).toBeLessThan(columns.indexOf('mix.amountA'));
    expect(columns.at(-1)).toBe('note');
  });
});

describe("the unit in a field's name", () => {
  it.each([
    ['room.temperatureC', '°C'],
    ['room.humidityPct', '% RH'],
    ['mix.stirMin', 'min'],
    ['degas.vacuumKPaAbs', 'kPa'],
    ['pour.depthMm', 'mm'],
    ['checks[0].afterH', 'h'],
    ['cure.lightMJPerCM2', 'mJ/cm²'],
    ['additives[0].massG', 'g'],
    ['mix.tool', ''],
    ['by', ''],
    ['degas.minutes', 'min'],
  ])('%s is %s', (field, unit) => expect(unitInName(field)).toBe(unit));
});
