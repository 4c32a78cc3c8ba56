import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { batchFromRow, batchToRow } from './batchTable';
import { batchSchema, type Batch } from './batch';
import { codeFault, codesInBatch, newCode } from './codes';
import { isoDate, isoMoment } from './quantities';
import { fromRow, toRow } from './table';

describe('a code that is given for the first time', () => {
  it.each(['B-0412', 'M 12', 'Größe-3', '04', 'a.b', '…'])('may be %j', (code) => expect(codeFault(code)).toBeNull());
  it.each(['', ' ', ' a', 'a ', '.', '..', 'new', 'New', 'import', 'a\u0000', 'a\n', 'a\u2028b', '\u202ea', '\ud800'])(
    'may not be %j',
    (code) => expect(codeFault(code)).not.toBeNull(),
  );
  it('stands whole in an address, a cell and a list, whatever else it holds', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 70 }), (code) => {
        if (!newCode.safeParse(code).success) return;
        expect(decodeURIComponent(encodeURIComponent(code))).toBe(code);
        expect(code).not.toMatch(/[,;"\n\r]/);
        expect([...code].length).toBeLessThanOrEqual(60);
      }),
      { numRuns: 500 },
    );
  });
  it('is looked for at every place of a batch that names one', () => {
    const batch: Batch = batchSchema.parse({
      format: 'warm-jar.batch/1',
      code: 'B',
      product: { slug: 'house-clear-6' },
      lotA: { code: 'A' },
      cups: [{ id: 'c1' }],
      castings: [{ id: 'k1', cup: 'c1', mould: { code: 'M' } }],
      checks: [{ afterH: 1, casting: 'k1' }],
    });
    expect(codesInBatch(batch).map((c) => c.path)).toEqual([
      'code',
      'lotA.code',
      'cups[0].id',
      'castings[0].id',
      'castings[0].cup',
      'castings[0].mould.code',
      'checks[0].casting',
    ]);
  });
});

describe('years', () => {
  it.each([
    ['1969-12-31', false],
    ['1970-01-01', true],
    ['2200-12-31', true],
    ['2201-01-01', false],
    ['1026-03-14', false],
  ])('%s is taken: %s', (day, taken) => {
    expect(isoDate.safeParse(day).success).toBe(taken);
    expect(isoMoment.safeParse(`${day}T12:00:00Z`).success).toBe(taken);
  });
});

describe('a table that a spreadsheet opens', () => {
  const odd = fc.oneof(fc.constantFrom('=1+1', '+1', '-1+2', '@x', '\tx', '"quoted"', '-', 'plain', '=a; b'));
  it('holds no formula, in a cell or a column, and reads back as it was', () => {
    fc.assert(
      fc.property(odd, odd, (name, key) => {
        const card = { name, source: name, [key]: 'x', use: ['casting'] };
        const row = toRow(card);
        for (const cell of [...Object.keys(row), ...Object.values(row)]) expect(cell).not.toMatch(/^(?:[=+@\t\r]|-.)/);
        expect(fromRow(row)).toEqual(card);
      }),
    );
    const batch = batchSchema.parse({ format: 'warm-jar.batch/1', product: { slug: 'a' }, note: '=1', '=x': 1 });
    const row = batchToRow(batch);
    for (const cell of [...Object.keys(row), ...Object.values(row)]) expect(cell).not.toMatch(/^[=+@]/);
    expect(batchFromRow(row)).toEqual(batch);
  });
  it('is refused with a column that would reach every object, and changes none', () => {
    for (const column of ['__proto__.x', 'ratio.__proto__.x', 'constructor.prototype.x'])
      expect(() => fromRow({ slug: 'a', [column]: '1' })).toThrow(/names no field/);
    expect(({} as Record<string, unknown>)['x']).toBeUndefined();
  });
});
