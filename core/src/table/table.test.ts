import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Batch } from '../formats/batch';
import { readTable } from './readTable';
import { kindOfTable, suggestColumns } from './suggestColumns';
import { UNITS_OF, type TableField } from './tableField';
import { TABLE_FIELDS } from './tableFields';
import { tableOf } from './tableRows';

const PRODUCTS = [
  { slug: 'house-clear-6', name: 'House Clear 6' },
  { slug: 'house-coat-9', name: 'House Coat 9' },
];
const SPRING = [
  ['Date', 'Who', 'Resin', 'Room (°F)', 'RH %', 'Part A', 'Part B', 'Mix time', 'Mould', 'Result', 'Notes'],
  ['14/03/2026', 'KO', 'House Clear 6', '64', '58', '150', '123', '2', 'M-12', 'ok', 'first of the day'],
  ['15/03/2026', 'MT', 'house clear 6', '71.5', '61', '150.5', '123.2', '90 s', 'M-12', 'second', ''],
  ['16/03/2026', 'KO', 'House Coat 9', '-', '', '100', '86', '3', '', 'scrap', 'sticky'],
];
const pathsOf = (rows: readonly (readonly string[])[]) =>
  suggestColumns(rows, { products: PRODUCTS }).map((s) => [s.column, s.path, s.unit]);
const mapped = (rows: readonly (readonly string[])[], forAll: Record<string, string> = { 'checks[0].afterH': '24' }) =>
  readTable(
    rows,
    { columns: suggestColumns(rows, { products: PRODUCTS }), forAll },
    { products: PRODUCTS, zone: 'Europe/Paris' },
  );

describe('what columns seem to hold', () => {
  it('is told by their heads, units and values', () => {
    expect(pathsOf(SPRING)).toEqual([
      ['Date', 'startedAt', 'dmy'],
      ['Who', 'by', null],
      ['Resin', 'product.slug', null],
      ['Room (°F)', 'room.temperatureC', '°F'],
      ['RH %', 'room.humidityPct', '%'],
      ['Part A', 'mix.amountA', 'g'],
      ['Part B', 'mix.amountB', 'g'],
      ['Mix time', 'mix.stirMin', 'min'],
      ['Mould', 'mould.code', null],
      ['Result', 'checks[0].grade', null],
      ['Notes', 'note', null],
    ]);
  });
  it.each([
    ['Temp', ['66', '71', '74', '69'], 'room.temperatureC', '°F'],
    ['Temp', ['18', '21', '23', '19'], 'room.temperatureC', '°C'],
    ['Temp F', ['66', '71', '74', '69'], 'room.temperatureC', '°F'],
    ['A (oz)', ['5.2', '5.3', '5.3', '5'], 'mix.amountA', 'oz'],
    ['Resin', ['150', '150', '151', '150'], 'mix.amountA', 'g'],
    ['Pressure', ['45 psi', '50 psi', '45 psi', '40 psi'], 'pressure.gaugeKPa', 'psi'],
    ['Demould', ['2 h', '2 h', '3 h', '2 h'], 'cure.demouldedMin', 'h'],
    ['Depth in', ['1', '1.5', '1', '2'], 'pour.depthMm', 'in'],
    ['lotA.code', ['A-77', 'A-77', 'A-78', 'A-78'], 'lotA.code', null],
    ['Grade', ['pass', 'fail', 'second', 'ok'], 'checks[0].grade', null],
    ['Weather', ['rain', 'sun', 'rain', 'rain'], null, null],
    ['Mould', ['12', '13', '12', '14'], 'mould.code', null],
  ])('%s with %j', (head, cells, path, unit) => {
    const rows = [['Batch', head], ...cells.map((cell, at) => [`B-${at + 1}`, cell])];
    const found = suggestColumns(rows, { kind: 'batch' })[1];
    expect([found?.path, found?.unit]).toEqual([path, unit]);
    expect(found?.why.length).toBeGreaterThan(3);
  });
  it.each([
    [['03/04/2026', '05/04/2026'], null],
    [['03/04/2026', '14/04/2026'], 'dmy'],
    [['03/04/2026', '04/14/2026'], 'mdy'],
    [['2026-04-03', '2026-04-14'], 'ymd'],
    [['3 Apr 2026', 'April 14, 2026'], 'ymd'],
  ])('dates %j are in the order %s', (cells, unit) => {
    const rows = [['Batch', 'Date'], ...cells.map((cell, at) => [`B-${at + 1}`, cell])];
    expect(suggestColumns(rows, { kind: 'batch' })[1]).toMatchObject({ path: 'startedAt', unit });
  });
  it('names no field twice, but a day and its time of day make one moment', () => {
    const rows = [
      ['Date', 'Time', 'Resin', 'Notes', 'Comments'],
      ['2026-04-03', '9:20', 'House Clear 6', 'a', 'b'],
      ['2026-04-04', '14:05', 'House Clear 6', 'c', 'd'],
    ];
    expect(pathsOf(rows).map(([, path]) => path)).toEqual(['startedAt', 'startedAt', 'product.slug', 'note', null]);
  });
  it('knows batches, lots, moulds and products from one another', () => {
    expect(kindOfTable(SPRING)).toBe('batch');
    expect(
      kindOfTable([
        ['Lot', 'Product', 'Part', 'Opened', 'Use by'],
        ['A-77', 'House Clear 6', 'A', '2026-01-10', '2026-12-01'],
      ]),
    ).toBe('lot');
    expect(
      kindOfTable([
        ['Mould', 'Makes', 'Rubber', 'Pulls'],
        ['M-12', 'cabinet pull', 'tin', '18'],
      ]),
    ).toBe('mould');
    expect(
      kindOfTable([
        ['Name', 'Family', 'Mix ratio', 'Pot life'],
        ['House Clear 6', 'urethane', '100:82', '6 min'],
      ]),
    ).toBe('product');
  });
});

describe('a table as it is pasted', () => {
  it('has its heads told from its rows, under a title', () => {
    const table = tableOf([['Saltmarsh, spring'], [''], ...SPRING.slice(0, 2)]);
    expect(table.heads.slice(0, 2)).toEqual(['Date', 'Who']);
    expect(table.rows).toHaveLength(1);
  });
  it('may have no heads: columns are numbered', () => {
    const table = tableOf(SPRING.slice(1));
    expect(table.heads[0]).toBe('Column 1');
    expect(table.rows).toHaveLength(3);
    expect(pathsOf(SPRING.slice(1)).slice(0, 3)).toEqual([
      ['Column 1', 'startedAt', 'dmy'],
      ['Column 2', null, null],
      ['Column 3', 'product.slug', null],
    ]);
  });
  it('may be objects under their heads', () => {
    const objects = SPRING.slice(1).map((row) => Object.fromEntries(row.map((cell, at) => [SPRING[0]![at]!, cell])));
    expect(readTable(objects, suggestColumns(objects, { products: PRODUCTS })).refused.length).toBe(3);
    expect(suggestColumns(objects)[3]).toMatchObject({ path: 'room.temperatureC', unit: '°F' });
  });
  it('tells two columns of one name apart', () => {
    expect(
      tableOf([
        ['Temp', 'Temp'],
        ['1', '2'],
      ]).heads,
    ).toEqual(['Temp', 'Temp (2)']);
  });
});

describe('rows read by their columns', () => {
  const { documents, refused } = mapped(SPRING);
  const [first, second, third] = documents as readonly Batch[];
  it('become batches in the format, units turned into its own', () => {
    expect(refused).toEqual([]);
    expect(first).toMatchObject({
      format: 'warm-jar.batch/1',
      startedAt: '2026-03-14T00:00:00+01:00',
      dayOnly: true,
      by: 'KO',
      product: { slug: 'house-clear-6' },
      room: { humidityPct: 58 },
      mix: { amountA: 150, amountB: 123, unit: 'g', stirMin: 2 },
      mould: { code: 'M-12' },
      checks: [{ afterH: 24, grade: 'pass' }],
      note: 'first of the day',
    });
    expect(first?.room?.temperatureC).toBeCloseTo(17.778, 3);
  });
  it('a cell may name its own unit', () => {
    expect(second?.mix?.stirMin).toBe(1.5);
  });
  it('what is empty is not recorded', () => {
    expect(third?.room).toBeUndefined();
    expect(third?.mould).toBeUndefined();
    expect(Object.keys(third ?? {}).sort()).toEqual(
      ['by', 'checks', 'dayOnly', 'format', 'mix', 'note', 'product', 'startedAt'].sort(),
    );
  });
  it('a look whose hour nobody says is refused, with what to do', () => {
    const told = mapped(SPRING, {}).refused;
    expect(told).toHaveLength(3);
    expect(told[0]?.why[0]?.message).toMatch(/how long after the pour/);
  });
  it.each([
    ['a word for a number', 3, 'warm', /no number/, 'Room (°F)'],
    ['two numbers', 3, '64 to 70', /more than one number/, 'Room (°F)'],
    ['a unit of something else', 3, '64 psi', /not in °C/, 'Room (°F)'],
    ['no day', 0, '31/02/2026', /no date/, 'Date'],
    ['no product here', 2, 'House Clear 7', /no card "House Clear 7"/, 'Resin'],
    ['no grade', 9, 'purple', /none of: pass/, 'Result'],
    ['what cannot be', 4, '140', /100 % or less/, 'RH %'],
  ])('%s refuses its row alone, and says which column', (_, column, cell, says, head) => {
    const rows = SPRING.map((row, at) => (at === 2 ? row.map((old, i) => (i === column ? cell : old)) : row));
    const { documents: kept, refused: bad } = mapped(rows);
    expect(kept).toHaveLength(2);
    expect(bad.map((r) => [r.row, r.why[0]?.column])).toEqual([[2, head]]);
    expect(bad[0]?.why[0]?.message).toMatch(says);
    expect(bad[0]?.cells).toEqual(rows[2]);
  });
  it('a date that can be two days is refused until somebody says its order', () => {
    const rows = [
      ['Date', 'Resin'],
      ['03/04/2026', 'House Clear 6'],
      ['05/04/2026', 'House Clear 6'],
    ];
    expect(mapped(rows).refused[0]?.why[0]?.message).toMatch(/two days/);
    const columns = suggestColumns(rows, { products: PRODUCTS }).map((c) =>
      c.path === 'startedAt' ? { ...c, unit: 'mdy' } : c,
    );
    const [batch] = readTable(rows, columns, { products: PRODUCTS, zone: 'UTC' }).documents as readonly Batch[];
    expect(batch?.startedAt).toBe('2026-03-04T00:00:00+00:00');
  });
  it('a time of day in a column of its own joins its day, by the clock of the studio, summer and winter', () => {
    const rows = [
      ['Date', 'Time', 'Resin'],
      ['2026-01-03', '9:20', 'House Clear 6'],
      ['2026-07-03', '2:05 pm', 'House Clear 6'],
    ];
    const [winter, summer] = mapped(rows).documents as readonly Batch[];
    expect(winter?.startedAt).toBe('2026-01-03T09:20:00+01:00');
    expect(winter?.dayOnly).toBeUndefined();
    expect(summer?.startedAt).toBe('2026-07-03T14:05:00+02:00');
  });
  it('commas for tenths are told from commas for thousands by the whole table', () => {
    const rows = [
      ['Resin', 'A (g)', 'B (g)'],
      ['House Clear 6', '1.150,5', '943,4'],
      ['House Clear 6', '150,5', '123,4'],
    ];
    const [batch] = mapped(rows).documents as readonly Batch[];
    expect(batch?.mix).toMatchObject({ amountA: 1150.5, amountB: 943.4 });
  });
  it('amounts by volume say so', () => {
    const rows = [
      ['Resin', 'A (fl oz)', 'B (fl oz)'],
      ['House Coat 9', '2', '2'],
    ];
    const [batch] = mapped(rows).documents as readonly Batch[];
    expect(batch?.mix?.unit).toBe('mL');
    expect(batch?.mix?.amountA).toBeCloseTo(59.147, 3);
  });
  it('lots, moulds and products are read the same way', () => {
    const lots = [
      ['Lot', 'Product', 'Part', 'Opened', 'Size (kg)'],
      ['A-77', 'House Clear 6', 'resin', '10 Jan 2026', '5'],
    ];
    const moulds = [
      ['Mould', 'Makes', 'Rubber', 'Degassed', 'Volume (fl oz)', 'Pulls'],
      ['M-12', 'cabinet pull', 'platinum', 'y', '2', '18'],
    ];
    const cards = [
      ['Name', 'Family', 'Mix ratio', 'Pot life'],
      ['Fen Clear', 'urethane', '100:82', '6 min'],
    ];
    expect(readTable(lots, suggestColumns(lots, { products: PRODUCTS }), { products: PRODUCTS }).documents).toEqual([
      {
        format: 'warm-jar.lot/1',
        code: 'A-77',
        productSlug: 'house-clear-6',
        part: 'A',
        openedOn: '2026-01-10',
        quantityG: 5000,
      },
    ]);
    expect(readTable(moulds, suggestColumns(moulds)).documents).toMatchObject([
      { code: 'M-12', makes: 'cabinet pull', rubber: 'platinum-silicone', degassed: true, pullsBefore: 18 },
    ]);
    expect(readTable(cards, suggestColumns(cards)).documents).toMatchObject([
      {
        slug: 'fen-clear',
        name: 'Fen Clear',
        family: 'polyurethane',
        ratio: { byWeight: { a: 100, b: 82 } },
        potLife: { minutes: 6 },
      },
    ]);
  });
});

describe('every field that a column may fill', () => {
  const all = Object.entries(TABLE_FIELDS).flatMap(([kind, fields]) => fields.map((f) => [kind, f.path, f] as const));
  it.each(all)('of a %s: %s has a unit that can be written', (_, __, field: TableField) => {
    if (field.kind !== 'number' || field.unit === undefined || UNITS_OF[field.unit] === undefined) {
      expect(['', 'Shore', 'cm²', 'mW/cm²', 'parts', undefined]).toContain(
        field.kind === 'number' ? field.unit : undefined,
      );
      return;
    }
    expect(UNITS_OF[field.unit]?.[0]?.length).toBeGreaterThan(0);
  });
  it('whatever cells hold, nothing throws and no row is lost', () => {
    const cell = fc.oneof(
      fc.string({ unit: 'binary' }),
      fc.constantFrom('12', '1,5', '', '2026-01-01', 'x', '__proto__'),
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 6 }), { maxLength: 8 }), (rows) => {
        const columns = suggestColumns(rows);
        const { documents, refused } = readTable(rows, columns);
        const table = tableOf(rows);
        expect(documents.length + refused.length).toBeLessThanOrEqual(table.rows.length);
        expect(columns).toHaveLength(table.heads.length);
      }),
      { numRuns: 300 },
    );
  });
});
