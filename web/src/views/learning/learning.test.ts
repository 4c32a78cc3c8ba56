import { controlChart, type CastFacts } from '@warm-jar/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { learn } from '../../api/learning';
import { defectOption } from './defectOption';

const fact = (day: number, bad: boolean): CastFacts => ({
  code: `B-${day}`,
  startedAt: new Date(Date.parse('2026-01-05T10:00:00Z') + day * 86_400_000).toISOString(),
  levels: {},
  seen: bad ? ['bubbles'] : [],
  limits: [],
  looked: true,
  grade: 'pass',
  massG: null,
  massAG: null,
  massBG: null,
  mendG: 0,
  leftG: null,
  pulls: null,
  gel: null,
});
interface Drawn {
  readonly series: {
    readonly name: string;
    readonly data: unknown[];
    readonly markLine?: { readonly data: unknown[] };
  }[];
}

describe('the drawn control chart', () => {
  const chart = controlChart(
    Array.from({ length: 200 }, (_, i) => fact(i, i < 100 ? i % 10 === 0 : i % 2 === 0)),
    'bubbles',
  );
  it('has a point for each stretch of weeks with castings, its limit above the rate, and a line for each change', () => {
    const { series } = defectOption(chart) as unknown as Drawn;
    const [upper, rate, faults] = series;
    const shown = chart.points.filter((p) => p.n > 0).length;
    expect(series.map((s) => s.data.length)).toEqual([shown, shown, shown]);
    (upper!.data as [string, number][]).forEach(([, v], i) =>
      expect(v).toBeGreaterThanOrEqual((rate!.data as [string, number][])[i]![1]),
    );
    expect(rate!.markLine!.data).toHaveLength(chart.stretches.length - 1);
    expect((faults!.data as { value: [string, number] }[]).every(({ value }) => value[1] >= 0 && value[1] <= 100)).toBe(
      true,
    );
  });
  it('draws nothing for nothing', () => {
    expect(
      (defectOption({ points: [], stretches: [] }) as unknown as Drawn).series.every((s) => s.data.length === 0),
    ).toBe(true);
  });
});

describe('an answer that comes in lines', () => {
  afterEach(() => {
    vi.unstubAllGlobals();
  });
  const answers = (chunks: string[]) => {
    vi.stubGlobal('fetch', () =>
      Promise.resolve(
        new Response(
          new ReadableStream({
            start(c) {
              for (const chunk of chunks) c.enqueue(new TextEncoder().encode(chunk));
              c.close();
            },
          }),
        ),
      ),
    );
  };
  it('tells its progress and its result, wherever the lines are cut', async () => {
    answers(['{"share":0.', '25}\n{"sha', 're":1}\n{"result":{"batches":3}', '}\n']);
    const told: number[] = [];
    expect(await learn({ what: 'patterns' }, (s) => told.push(s), new AbortController().signal)).toEqual({
      batches: 3,
    });
    expect(told).toEqual([0.25, 1]);
  });
  it('without a result is told to be cut short, and a failure by its words', async () => {
    answers(['{"share":0.5}\n']);
    await expect(learn({ what: 'figures' }, () => undefined, new AbortController().signal)).rejects.toThrow(
      'cut short',
    );
    answers(['{"failure":"Try again."}\n']);
    await expect(learn({ what: 'figures' }, () => undefined, new AbortController().signal)).rejects.toThrow(
      'Try again.',
    );
  });
});
