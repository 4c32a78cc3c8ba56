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
import VChart from 'vue-echarts';
import { chartOption, type ChartSpec } from './chartOption';

use([Lines, GridComponent, LegendComponent, MarkAreaComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

/** A line chart in the application's own look. */
const props = defineProps<{ spec: ChartSpec; height?: number }>();
const option = computed(() => chartOption(props.spec));
</script>

<template>
  <figure class="chart" role="img" :aria-label="spec.title">
    <figcaption>
      <strong>{{ spec.title }}</strong>
    </figcaption>
    <VChart :option="option" autoresize :style="{ height: `${height ?? 230}px` }" />
  </figure>
</template>
