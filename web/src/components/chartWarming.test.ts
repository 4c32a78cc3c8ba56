import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { describe, expect, it, vi } from 'vitest';
import { chartsWarm } from './chartWarming';

use([LineChart, GridComponent, MarkLineComponent, SVGRenderer]);

describe('what charts are drawn with', () => {
  it('is tried once, without a page, in pieces that others go between, and without a complaint', async () => {
    const says = ['log', 'warn', 'error'].map((how) =>
      vi.spyOn(console, how as 'log').mockImplementation(() => undefined),
    );
    let turns = 0;
    const others = setInterval(() => (turns += 1));
    const warm = chartsWarm();
    expect(chartsWarm()).toBe(warm);
    await warm;
    clearInterval(others);
    expect(turns).toBeGreaterThanOrEqual(2);
    for (const said of says) expect(said).not.toHaveBeenCalled();
    vi.restoreAllMocks();
  });
});
