<script setup lang="ts">
import { HeatmapChart } from 'echarts/charts';
import { GridComponent, TooltipComponent, VisualMapComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import ChartFigure from '../../components/ChartFigure.vue';
import { CHART_WORDS } from '../../components/chartOption';
import { evenly } from '../../components/chartTable';
import { useUnits } from '../../stores/units';
import { slabAt, slabPicture } from './slabPicture';
import { roundTicks, timeScale } from './timeScale';

use([HeatmapChart, GridComponent, TooltipComponent, VisualMapComponent, CanvasRenderer]);

/** Temperature through the thickness and over time: top of the pour above, mould below. */
const props = defineProps<{
  minutes: readonly number[];
  positionsMm: readonly number[];
  temperatureC: readonly (readonly number[])[];
  label: string;
}>();
const units = useUnits();
const picture = computed(() => slabPicture(props, (c) => units.shown(c, '°C')));
const scale = computed(() => timeScale(props.minutes.at(-1) ?? 0));
/** Columns and rows nearest to round numbers, each with its label. */
const labels = (values: readonly number[]) =>
  new Map(
    roundTicks(values.at(-1) ?? 0).map((tick) => [
      values.reduce((best, v, i) => (Math.abs(v - tick) < Math.abs(values[best]! - tick) ? i : best), 0),
      String(tick),
    ]),
  );
const across = computed(() => labels(picture.value.minutes.map((m) => m / scale.value.per)));
const down = computed(() => labels(picture.value.depthsMm.map((d) => units.shown(d, 'mm'))));
const ticked = (at: Map<number, string>) => ({
  ...CHART_WORDS,
  interval: (i: number) => at.has(i),
  formatter: (_: string, i: number) => at.get(i) ?? '',
});
/** Surface, middle and mould side, at a few moments. */
const table = computed(() => {
  const unit = units.label('°C');
  const at = (minute: number) => {
    const through = slabAt(props, minute);
    const ends = [through[0]!, through[Math.floor(through.length / 2)]!, through.at(-1)!];
    return [(minute / scale.value.per).toFixed(1), ...ends.map((c) => units.shown(c, '°C').toFixed(1))];
  };
  return {
    heads: [`${scale.value.unit} after the pour`, `top, ${unit}`, `middle, ${unit}`, `at the mould, ${unit}`],
    rows: evenly(picture.value.minutes).map(at),
  };
});
const option = computed(() => ({
  animation: false,
  textStyle: CHART_WORDS,
  grid: { left: 58, right: 92, top: 10, bottom: 46 },
  tooltip: {
    // Drawn, not written as HTML: styles of elements are refused by the page's own rules.
    renderMode: 'richText',
    textStyle: CHART_WORDS,
    position: 'top',
    formatter: (p: { value: [number, number, number] }) =>
      `${(picture.value.minutes[p.value[0]]! / scale.value.per).toFixed(1)} ${scale.value.unit}, ${units.say(picture.value.depthsMm[p.value[1]]!, 'mm')} down: ${p.value[2].toFixed(1)} ${units.label('°C')}`,
  },
  xAxis: {
    type: 'category',
    data: picture.value.minutes.map((m) => Math.round((m / scale.value.per) * 10) / 10),
    name: `${scale.value.unit} after the pour`,
    nameLocation: 'middle',
    nameGap: 28,
    nameTextStyle: CHART_WORDS,
    axisLabel: ticked(across.value),
    axisTick: { show: false },
  },
  yAxis: {
    type: 'category',
    inverse: true,
    data: picture.value.depthsMm.map((d) => units.shown(d, 'mm').toFixed(units.label('mm') === 'mm' ? 0 : 2)),
    name: `${units.label('mm')} down`,
    nameLocation: 'middle',
    nameGap: 38,
    nameTextStyle: CHART_WORDS,
    axisLabel: ticked(down.value),
    axisTick: { show: false },
  },
  visualMap: {
    min: Math.floor(picture.value.lowC),
    max: Math.ceil(picture.value.highC),
    calculable: false,
    orient: 'vertical',
    right: 0,
    top: 10,
    itemHeight: 130,
    itemWidth: 14,
    text: [`${Math.ceil(picture.value.highC)} ${units.label('°C')}`, String(Math.floor(picture.value.lowC))],
    textStyle: CHART_WORDS,
    inRange: { color: ['#f7f5f0', '#f8e7cb', '#d9962f', '#a4650c', '#94280f', '#3d1208'] },
  },
  series: [
    {
      type: 'heatmap',
      data: picture.value.cells.map((c) => [...c]),
      emphasis: { disabled: true },
      itemStyle: { borderWidth: 0 },
    },
  ],
}));
</script>

<template>
  <ChartFigure
    title="Temperature through the thickness"
    :words="label"
    :option="option"
    :height="240"
    :table="table"
    drawn-as="canvas"
  />
</template>
