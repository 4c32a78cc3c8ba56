import { batchToRow, saltmarshBatches, soundBatch } from '@warm-jar/core';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { inParts, readBatches } from './batchFile';
import {
  COLUMNS,
  USUAL_COLUMNS,
  broughtAlong,
  chosenOf,
  chosenColumns,
  columnsFrom,
  movedTo,
  nextSort,
  filtersFrom,
  noFilters,
  sameFilter,
} from './logQuery';

const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;

describe("the log's address", () => {
  it('keeps what was chosen and nothing else', () => {
    const filters = filtersFrom({ symptom: 'bubbles', mould: ['M-1', 'M-2'], page: '3', unknown: 'x' });
    expect(chosenOf(filters)).toEqual({ symptom: 'bubbles' });
    expect(chosenOf(noFilters())).toEqual({});
  });
  it('is sorted by a heading first up, then down, then as before; the usual order is never a dead tap', () => {
    const taps = (column: string, times: number) => {
      let sort = '-startedAt';
      for (let i = 0; i < times; i += 1) sort = nextSort(sort, column) ?? '-startedAt';
      return sort;
    };
    expect([1, 2, 3].map((n) => taps('mould', n))).toEqual(['mould', '-mould', '-startedAt']);
    expect([1, 2].map((n) => taps('startedAt', n))).toEqual(['startedAt', '-startedAt']);
    expect(nextSort('-mould', 'by')).toBe('by');
  });
  it('takes columns in the order they are named, each once, and the usual ones where none is known', () => {
    expect(columnsFrom('grade,startedAt,nonsense,grade')).toEqual(['grade', 'startedAt']);
    expect(columnsFrom('')).toEqual(USUAL_COLUMNS);
    expect(columnsFrom('nonsense')).toEqual(USUAL_COLUMNS);
    for (const id of USUAL_COLUMNS) expect(COLUMNS.map((c) => c.id)).toContain(id);
  });
  it('moves a column, and leaves the order where there is no such place', () => {
    expect(movedTo(['mould', 'by', 'grade'], 0, 2)).toEqual(['by', 'grade', 'mould']);
    expect(movedTo(['mould', 'by', 'grade'], 2, 0)).toEqual(['grade', 'mould', 'by']);
    for (const [from, to] of [
      [0, -1],
      [2, 3],
      [-1, 0],
    ] as const)
      expect(movedTo(['mould', 'by', 'grade'], from, to)).toEqual(['mould', 'by', 'grade']);
  });
  it('keeps the order that was made when a column is let go or comes in', () => {
    expect(chosenColumns(['grade', 'mould', 'by'], ['grade', 'by'])).toEqual(['grade', 'by']);
    expect(chosenColumns(['mould', 'by', 'grade'], ['mould', 'by', 'grade', 'massG'])).toEqual([
      'mould',
      'massG',
      'by',
      'grade',
    ]);
    expect(chosenColumns(['mould'], ['mould', 'note'])).toEqual(['mould', 'note']);
  });
  it('knows a saved filter that is in use', () => {
    const filters = filtersFrom({ symptom: 'bubbles', mould: 'M-12' });
    expect(sameFilter({ name: 'a', query: { mould: 'M-12', symptom: 'bubbles' } }, filters)).toBe(true);
    expect(sameFilter({ name: 'a', query: { mould: 'M-12' } }, filters)).toBe(false);
    expect(sameFilter({ name: 'a', query: { mould: 'M-14', symptom: 'bubbles' } }, filters)).toBe(false);
  });
  it.each([
    [{ fact: 'season:08' }, 'in August'],
    [{ fact: 'product:house-tide' }, 'of House Tide'],
    [{ fact: 'lot-b:B-5:2' }, 'from lot B-5:2'],
    [{ pattern: 'same-spot' }, 'same spot'],
    [{ codes: 'B-1,B-2' }, '2 chosen batches'],
    [{ looked: 'no' }, 'not looked at'],
  ])('says %j in words', (query, words) => {
    expect(broughtAlong(filtersFrom(query), { 'house-tide': 'House Tide' }).map((b) => b.words)).toEqual([words]);
  });
  it('does not call a made-up factor one', () => {
    expect(broughtAlong(filtersFrom({ fact: 'weather:wet' }), {})).toEqual([]);
  });
});

describe('a file of batches', () => {
  const batches = saltmarshBatches(new Date('2026-11-24T14:30:00Z')).slice(0, 5);
  const rows = batches.map((b) => batchToRow(b));
  const fields = [...new Set(rows.flatMap((r) => Object.keys(r)))];
  const csv = Papa.unparse({ fields, data: rows.map((r) => fields.map((f) => r[f] ?? '')) });
  it('is read alike as JSON, as CSV, and as CSV with a mark and semicolons', () => {
    const asJson = readBatches('b.json', bytes(JSON.stringify(batches)));
    const asCsv = readBatches('b.csv', bytes(csv));
    const european = readBatches(
      'b.csv',
      bytes(
        `\uFEFF${Papa.unparse({ fields, data: rows.map((r) => fields.map((f) => r[f] ?? '')) }, { delimiter: ';' })}`,
      ),
    );
    for (const read of [asJson, asCsv, european]) expect(read.ok).toBe(true);
    if (asCsv.ok && european.ok) {
      expect(asCsv.rows).toHaveLength(5);
      expect(european.rows).toEqual(asCsv.rows);
      expect(asCsv.rows[0]).toMatchObject({ code: batches[0]!.code, room: batches[0]!.room });
    }
  });
  it.each([
    ['b.json', '[1, 2]', 'no batches'],
    ['b.json', '{', 'not JSON'],
    ['b.csv', 'a,b\n1,2', 'no column "product.slug"'],
    ['b.csv', 'product.slug,code\n"house-tide,1', 'row'],
  ])('%s of %j is refused with what to do', (name, text, words) => {
    const read = readBatches(name, bytes(text));
    expect(read).toMatchObject({ ok: false, says: expect.stringContaining(words) as string });
  });
  it('in another encoding is refused', () => {
    expect(readBatches('b.csv', new Uint8Array([0x70, 0xfc, 0x72]).buffer)).toMatchObject({
      ok: false,
      says: expect.stringContaining('UTF-8') as string,
    });
  });
});

describe('parts of a file', () => {
  it('hold every row once, in order, none too long', () => {
    const rows = Array.from({ length: 950 }, (_, i) => ({ ...soundBatch('house-tide'), code: `B-${i}` }));
    const parts = inParts(rows, 400, 100_000);
    expect(parts.flat()).toEqual(rows);
    for (const part of parts) {
      expect(part.length).toBeLessThanOrEqual(400);
      expect(JSON.stringify(part).length).toBeLessThan(110_000);
    }
  });
  it('let one that is too long by itself go alone', () => {
    expect(inParts([{ note: 'x'.repeat(50) }, { a: 1 }], 10, 20).map((p) => p.length)).toEqual([1, 1]);
  });
  it('are none of nothing', () => {
    expect(inParts([])).toEqual([]);
  });
});
