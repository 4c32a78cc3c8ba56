import { init, type EChartsCoreOption } from 'echarts/core';
import { breathe } from '../app/breathe';

/** From the smallest on: axes, then a line with a mark across. */
const STEPS: readonly EChartsCoreOption[] = [
  { animation: false, xAxis: { name: 'x' }, yAxis: { name: 'y' } },
  {
    series: [
      {
        type: 'line',
        data: [
          [0, 0],
          [1, 1],
        ],
        markLine: { symbol: 'none', data: [{ xAxis: 0.5 }] },
      },
    ],
  },
];

async function warm(): Promise<void> {
  const chart = init(null, null, { renderer: 'svg', ssr: true, width: 300, height: 200 });
  for (const step of STEPS) {
    await breathe();
    chart.setOption(step);
    chart.renderToSVGString();
  }
  chart.dispose();
  await breathe();
}

let warmed: Promise<void> | null = null;
/**
 * Draws a small chart out of sight, a piece at a time: most of what the first chart of a page takes is the browser
 * reading what it is drawn with, and in one go no tap would be answered meanwhile.
 */
export const chartsWarm = (): Promise<void> => (warmed ??= warm());
