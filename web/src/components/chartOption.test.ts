import { describe, expect, it } from 'vitest';
import { chartOption } from './chartOption';

const spec = {
  title: 't',
  x: 'h',
  y: 'g',
  lines: [
    {
      name: 'a',
      points: [
        [0, 1],
        [2, 3],
      ] as const,
    },
    { name: 'b', points: [] },
  ],
  bandX: [1, 2] as const,
};

describe('chartOption', () => {
  it('draws each line with its points, told apart by more than colour', () => {
    const { series, legend } = chartOption(spec) as {
      series: { name: string; data: number[][]; lineStyle: { type: string } }[];
      legend: unknown;
    };
    expect(series.map((s) => s.name)).toEqual(['a', 'b']);
    expect(series[0]!.data).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(new Set(series.map((s) => s.lineStyle.type)).size).toBe(2);
    expect(legend).toBeDefined();
  });
  it('shows the band once, and no legend for a single line', () => {
    const one = chartOption({ ...spec, lines: [spec.lines[0]!] }) as {
      series: { markArea?: unknown }[];
      legend: unknown;
    };
    expect(one.series[0]!.markArea).toBeDefined();
    expect(one.legend).toBeUndefined();
  });
});
