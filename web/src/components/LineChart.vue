<script setup lang="ts">
import { LineChart as Lines } from 'echarts/charts';
import {
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import ChartFigure from './ChartFigure.vue';
import { chartOption, type ChartSpec } from './chartOption';
import { lineTable } from './chartTable';

use([Lines, GridComponent, LegendComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

/** A line chart in the application's own look. */
const props = defineProps<{ spec: ChartSpec; height?: number }>();
const option = computed(() => chartOption(props.spec));
</script>

<template>
  <ChartFigure :title="spec.title" :option="option" :height="height ?? 230" :table="lineTable(spec)" />
</template>
