<script setup lang="ts">
import { colourHistory, colourSentence, type Batch } from '@warm-jar/core';
import { computed } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import { whenNear } from '../../components/whenNear';

/** Colour measured from photos over time, by the white card in each. */
const props = defineProps<{ batch: Batch }>();
const LineChart = whenNear(() => import('../../components/LineChart.vue'));
const looks = computed(() => colourHistory(props.batch));
const spec = computed<ChartSpec | null>(() =>
  looks.value.length > 1
    ? {
        title: 'Yellowness over time',
        x: 'hours after the parts met',
        y: 'b*, yellowness index',
        fromZero: true,
        lines: [
          { name: 'b*', dots: true, points: looks.value.map((l) => [l.afterH, l.b] as const) },
          {
            name: 'yellowness index E313',
            dots: true,
            points: looks.value.map((l) => [l.afterH, l.yellownessIndex] as const),
          },
        ],
      }
    : null,
);
</script>

<template>
  <section v-if="looks.length" class="card stack" aria-labelledby="colour-over-time">
    <h2 id="colour-over-time" :class="{ 'visually-hidden': spec }">Colour</h2>
    <LineChart v-if="spec" :spec="spec" :height="200" />
    <p class="small" data-test="colour-told">{{ colourSentence(looks) }}</p>
  </section>
</template>
