<script setup lang="ts">
import type { ControlChart } from '@warm-jar/core';
import { LineChart as Lines } from 'echarts/charts';
import { GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { defectOption } from './defectOption';

use([Lines, GridComponent, MarkLineComponent, TooltipComponent, SVGRenderer]);

/** Faults over time with the limits chance keeps within, and where the rate changed. */
const props = defineProps<{ chart: ControlChart; title: string }>();
const option = computed(() => defectOption(props.chart));
</script>

<template>
  <figure role="img" :aria-label="title">
    <figcaption>
      <strong>{{ title }}</strong>
    </figcaption>
    <VChart :option="option" autoresize class="plot" />
  </figure>
</template>

<style scoped>
.plot {
  height: 260px;
}
</style>
