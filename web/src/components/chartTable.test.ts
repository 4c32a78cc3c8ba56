import { describe, expect, it } from 'vitest';
import { evenly, lineTable } from './chartTable';

const line = (name: string, from: number, to: number, step: number, slope: number) => ({
  name,
  points: Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i): [number, number] => [
    from + i * step,
    slope * (from + i * step),
  ]),
});

describe('a chart as a table', () => {
  it('has a column for each line, at a dozen places with both ends', () => {
    const { heads, rows } = lineTable({
      x: '°C',
      y: 'min',
      lines: [line('thin', 10, 40, 0.1, 2), line('thick', 10, 40, 0.1, 3)],
    });
    expect(heads).toEqual(['°C', 'thin, min', 'thick, min']);
    expect(rows).toHaveLength(12);
    expect(rows[0]).toEqual(['10', '20', '30']);
    expect(rows.at(-1)).toEqual(['40', '80', '120']);
  });
  it('reads a line between its points, and nothing beside them', () => {
    const spec = {
      x: 'h',
      y: 'D',
      lines: [
        line('all', 0, 4, 1, 1),
        {
          name: 'some',
          points: [
            [1, 10],
            [3, 30],
          ] as [number, number][],
        },
      ],
    };
    expect(lineTable(spec).rows.map((r) => r[2])).toEqual(['–', '10', '20', '30', '–']);
  });
  it('of one line needs no name, and of none has no rows', () => {
    expect(lineTable({ x: 'h', y: 'Shore D', lines: [line('', 0, 2, 1, 1)] }).heads).toEqual(['h', 'Shore D']);
    expect(lineTable({ x: 'h', y: 'D', lines: [] }).rows).toEqual([]);
  });
  it('takes few as they are', () => expect(evenly([1, 2, 3])).toEqual([1, 2, 3]));
});
