import type { ControlChart } from '@warm-jar/core';
import type { EChartsCoreOption } from 'echarts/core';
import type { ChartTable } from '../../components/chartTable';
import { CHART_WORDS } from '../../components/chartOption';

const percent = (share: number) => Math.round(share * 1000) / 10;

/** The chart as a table: each stretch of batches with its faults, and whether chance would keep within. */
export function defectTable({ points }: ControlChart): ChartTable {
  return {
    heads: ['From', 'With the fault', 'Of', 'Share, %', 'Upper limit, %', ''],
    rows: points
      .filter((p) => p.n > 0)
      .map((p) => [
        p.from.slice(0, 10),
        String(p.k),
        String(p.n),
        String(percent(p.k / p.n)),
        String(percent(p.upper)),
        p.outside ? 'above the limit' : '',
      ]),
  };
}

const AXIS = {
  axisLabel: { ...CHART_WORDS, hideOverlap: true },
  axisLine: { show: true, lineStyle: { color: '#8f8c80' } },
  splitLine: { lineStyle: { color: '#eeebe3' } },
};
type Points = ControlChart['points'];

/** Drawn, not written as HTML: styles of elements are refused by the page's own rules. */
const tooltip = (shown: Points) => ({
  renderMode: 'richText',
  textStyle: CHART_WORDS,
  trigger: 'axis',
  confine: true,
  formatter: (items: { dataIndex: number }[]) => {
    const p = shown[items[0]?.dataIndex ?? 0];
    return p ? `from ${p.from}: ${p.k} of ${p.n}` : '';
  },
});

const upperLimit = (shown: Points) => ({
  type: 'line',
  name: 'upper limit',
  step: 'middle',
  symbol: 'none',
  data: shown.map((p) => [p.from, percent(p.upper)]),
  lineStyle: { color: '#94280f', type: 'dashed', width: 1.5 },
});

const faults = (shown: Points) => ({
  type: 'line',
  name: 'faults',
  data: shown.map((p) => ({
    value: [p.from, percent(p.k / p.n)],
    symbol: p.outside ? 'diamond' : 'circle',
    symbolSize: p.outside ? 13 : 7,
    itemStyle: { color: p.outside ? '#94280f' : '#0d2b26' },
  })),
  lineStyle: { color: '#0d2b26', width: 1 },
});

/** The centre line, with a mark across wherever the rate changed. */
function centre(shown: Points, stretches: ControlChart['stretches']) {
  const rateAt = (from: string) =>
    stretches.find((s) => from >= s.from && from < s.to)?.rate ?? stretches.at(-1)?.rate ?? 0;
  const changes = stretches.slice(1).map((s) => ({
    xAxis: s.from,
    label: { formatter: `${Math.round(s.rate * 100)} %`, position: 'insideEndTop', ...CHART_WORDS },
  }));
  const across = { silent: true, symbol: 'none', lineStyle: { color: '#a4650c', width: 2 }, data: changes };
  return {
    type: 'line',
    name: 'rate',
    step: 'middle',
    symbol: 'none',
    data: shown.map((p) => [p.from, percent(rateAt(p.from))]),
    lineStyle: { color: '#2f7365', width: 2 },
    ...(changes.length > 0 ? { markLine: across } : {}),
  };
}

/**
 * A control chart's options: the share of faults, its centre, its upper
 * limit as steps, and the changes as lines across.
 */
export function defectOption({ points, stretches }: ControlChart): EChartsCoreOption {
  const shown = points.filter((p) => p.n > 0);
  return {
    animation: false,
    textStyle: CHART_WORDS,
    grid: { left: 48, right: 16, top: 16, bottom: 28 },
    tooltip: tooltip(shown),
    xAxis: { type: 'time', ...AXIS, splitLine: { show: false } },
    yAxis: { type: 'value', min: 0, max: 100, ...AXIS, axisLabel: { ...CHART_WORDS, formatter: '{value} %' } },
    series: [upperLimit(shown), centre(shown, stretches), faults(shown)],
  };
}
