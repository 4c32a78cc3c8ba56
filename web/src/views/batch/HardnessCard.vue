<script setup lang="ts">
import { hardnessStory, type Batch, type Product } from '@warm-jar/core';
import { computed } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import { whenNear } from '../../components/whenNear';
import { useUnits } from '../../stores/units';

/** Hardness read over time against the card's curve at the temperature it cured at: slow, or flat. */
const props = defineProps<{ batch: Batch; product: Product }>();
const LineChart = whenNear(() => import('../../components/LineChart.vue'));
const units = useUnits();
const story = computed(() => hardnessStory(props.product, props.batch, units.say));
const spec = computed<ChartSpec | null>(() =>
  story.value && story.value.points.length > 0
    ? {
        title: 'Hardness',
        x: 'hours after the parts met',
        y: `Shore ${props.product.hardness?.scale ?? ''}`,
        fromZero: true,
        lines: [
          { name: 'expected at its temperature', points: story.value.curve.map((p) => [p.afterH, p.shore] as const) },
          { name: 'read', dots: true, points: story.value.points.map((p) => [p.afterH, p.shore] as const) },
        ],
        marksY: [{ at: story.value.full, name: 'full' }],
      }
    : null,
);
</script>

<template>
  <section v-if="spec && story" class="card stack" aria-labelledby="hardness">
    <h2 id="hardness" class="visually-hidden">Hardness</h2>
    <LineChart :spec="spec" :height="220" />
    <p class="small" data-test="hardness">{{ story.says }}</p>
  </section>
</template>
