<script setup lang="ts">
import type { ControlChart } from '@warm-jar/core';
import { LineChart as Lines } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import ChartFigure from '../../components/ChartFigure.vue';
import { defectOption, defectTable } from './defectOption';

use([Lines, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

/** Faults over time with the limits chance keeps within, and where the rate changed. */
const props = defineProps<{ chart: ControlChart; title: string }>();
const option = computed(() => defectOption(props.chart));
</script>

<template>
  <ChartFigure :title="title" :option="option" :height="260" :table="defectTable(chart)" />
</template>
