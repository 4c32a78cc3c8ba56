<script setup lang="ts">
import type { DrillProgress } from '@warm-jar/core';
import { computed } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import { whenNear } from '../../components/whenNear';
import { surenessSpec, timesWords } from './drillWords';

/** How sure one was, and how often that was right: on the line is neither boast nor doubt. */
const props = defineProps<{ steps: DrillProgress['calibration'] }>();
const LineChart = whenNear(() => import('../../components/LineChart.vue'));
const said = computed(() => props.steps.filter((s) => s.times > 0 && s.meanShare !== null));
const spec = computed<ChartSpec>(() => surenessSpec(props.steps));
const surest = computed(() => said.value.find((s) => s.from >= 0.8));
</script>

<template>
  <p v-if="said.length === 0" class="quiet small">Nothing is answered yet.</p>
  <template v-else>
    <p v-if="surest" data-test="surest">
      You were 80 % sure or more {{ timesWords(surest.times) }}, and right {{ timesWords(surest.right) }}.
    </p>
    <LineChart :spec="spec" />
  </template>
</template>
