import type { EChartsCoreOption } from 'echarts/core';

export interface ChartLine {
  readonly name: string;
  readonly points: readonly (readonly [number, number])[];
  readonly dots?: boolean;
}
export interface ChartSpec {
  readonly title: string;
  readonly x: string;
  readonly y: string;
  readonly lines: readonly ChartLine[];
  /** A limit band on the x axis, such as the card's temperatures. */
  readonly bandX?: readonly [number, number] | undefined;
  /** The y axis from nought, unless the points are far from it. */
  readonly fromZero?: boolean;
  readonly logX?: boolean;
  /** Named lines across the chart: a moment or a choice on x, a limit on y. */
  readonly marksX?: readonly { readonly at: number; readonly name: string }[];
  readonly marksY?: readonly { readonly at: number; readonly name: string }[];
}

/** Dark to light with different dashes: told apart without colour. */
const STROKES = [
  { color: '#0d2b26', type: 'solid' },
  { color: '#a4650c', type: 'dashed' },
  { color: '#2f7365', type: 'dotted' },
  { color: '#94280f', type: 'solid' },
] as const;
export const CHART_WORDS = { fontFamily: 'Atkinson Hyperlegible Next Variable', color: '#3d4844', fontSize: 13 };

function markLines(spec: ChartSpec): object {
  const line = (at: object, name: string, end: string) => ({
    ...at,
    label: { formatter: name, position: end, ...CHART_WORDS },
  });
  const data = [
    ...(spec.marksX ?? []).map((m) => line({ xAxis: m.at }, m.name, 'end')),
    ...(spec.marksY ?? []).map((m) => line({ yAxis: m.at }, m.name, 'insideEndTop')),
  ];
  return data.length === 0
    ? {}
    : { markLine: { silent: true, symbol: 'none', lineStyle: { color: '#94280f', type: 'dashed', width: 1.5 }, data } };
}

/** The axis reaches its marks, so that a limit far above the curve is seen to be far. */
function reach(spec: ChartSpec): object {
  const marks = (spec.marksY ?? []).map((m) => m.at);
  if (marks.length === 0) return {};
  const values = spec.lines.flatMap((l) => l.points.map((p) => p[1]));
  const [low, high] = [Math.min(...values, ...marks), Math.max(...values, ...marks)];
  const step = 10 ** Math.floor(Math.log10(Math.max(high - low, 1e-9)));
  return { max: Math.ceil((high + step * 0.1) / step) * step };
}

/** A chart's options: quiet axes, named lines, the card's band behind them. */
export function chartOption(spec: ChartSpec): EChartsCoreOption {
  const axis = (name: string) => ({
    name,
    nameLocation: 'middle',
    nameGap: 30,
    nameTextStyle: CHART_WORDS,
    axisLabel: { ...CHART_WORDS, hideOverlap: true },
    axisLine: { show: true, lineStyle: { color: '#8f8c80' } },
    splitLine: { lineStyle: { color: '#eeebe3' } },
  });
  return {
    animation: false,
    textStyle: CHART_WORDS,
    grid: { left: 58, right: 18, top: spec.lines.length > 1 ? 34 : 14, bottom: 48 },
    legend: spec.lines.length > 1 ? { top: 0, textStyle: CHART_WORDS, itemWidth: 30 } : undefined,
    tooltip: {
      // Drawn, not written as HTML: styles of elements are refused by the page's own rules.
      renderMode: 'richText',
      textStyle: CHART_WORDS,
      trigger: 'axis',
      confine: true,
      valueFormatter: (v: unknown) => (typeof v === 'number' ? String(Number(v.toPrecision(3))) : ''),
    },
    xAxis: { ...axis(spec.x), type: spec.logX ? 'log' : 'value', scale: true, min: 'dataMin', max: 'dataMax' },
    yAxis: { ...axis(spec.y), type: 'value', nameGap: 42, scale: !spec.fromZero, ...reach(spec) },
    series: spec.lines.map((line, i) => ({
      type: 'line',
      name: line.name,
      data: line.points.map((p) => [...p]),
      symbol: line.dots ? 'circle' : 'none',
      symbolSize: 7,
      smooth: false,
      lineStyle: { width: 2.5, ...STROKES[i % STROKES.length] },
      itemStyle: { color: STROKES[i % STROKES.length]?.color },
      ...(i === 0 ? markLines(spec) : {}),
      ...(i === 0 && spec.bandX
        ? {
            markArea: {
              silent: true,
              itemStyle: { color: '#bcd5cc', opacity: 0.35 },
              data: [[{ xAxis: spec.bandX[0] }, { xAxis: spec.bandX[1] }]],
            },
          }
        : {}),
    })),
  };
}
