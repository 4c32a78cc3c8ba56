<script setup lang="ts">
import type { EChartsCoreOption } from 'echarts/core';
import VChart from 'vue-echarts';
import type { ChartTable } from './chartTable';

/**
 * A chart with its title, and the same figures as a table for whoever does not see it. Lines are drawn as lines, a map
 * of many cells as dots; which is named, for whichever drawer came first would be taken else.
 */
const { drawnAs = 'svg' } = defineProps<{
  title: string;
  words?: string;
  option: EChartsCoreOption;
  height: number;
  table: ChartTable;
  drawnAs?: 'svg' | 'canvas';
}>();
</script>

<template>
  <figure class="chart">
    <figcaption>
      <strong>{{ title }}</strong>
    </figcaption>
    <div role="img" :aria-label="words ?? title">
      <!-- Drawn with the next frame, not in the same go in which it is told what to draw. -->
      <VChart
        :option="option"
        :init-options="{ renderer: drawnAs }"
        :update-options="{ lazyUpdate: true }"
        autoresize
        class="drawn"
        :style="{ height: `${height}px` }"
      />
    </div>
    <details class="as-table small">
      <summary>
        As a table<span class="visually-hidden">: {{ title }}</span>
      </summary>
      <div class="box">
        <table>
          <thead>
            <tr>
              <th v-for="h in table.heads" :key="h" scope="col">{{ h }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, i) in table.rows" :key="i">
              <td v-for="(cell, j) in row" :key="j" class="figures">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </details>
  </figure>
</template>

<style scoped>
/* Whole pixels: a width with a fraction would be taken for another than the drawing has, and all of it drawn twice. */
.drawn {
  width: 100%;
  width: round(down, 100%, 1px);
}
.chart {
  min-width: 0;
}
summary {
  display: flex;
  align-items: center;
  min-height: var(--target);
  width: fit-content;
  cursor: pointer;
  color: var(--action);
}
.box {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
}
th {
  text-align: left;
  vertical-align: bottom;
}
th,
td {
  padding: 3px 16px 3px 0;
  border-bottom: 1px solid var(--card-edge);
}
@media print {
  .as-table {
    display: none;
  }
}
</style>
