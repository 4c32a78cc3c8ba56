<script setup lang="ts">
import BenchDrill from './BenchDrill.vue';
import DiagnosisDrill from './DiagnosisDrill.vue';
import DrillHome from './DrillHome.vue';
import QuickDrill from './QuickDrill.vue';

/** The drill: made-up casts and sums, beside the log and never in it. */
defineProps<{ what?: string; id?: string }>();
</script>

<template>
  <div class="stack">
    <DiagnosisDrill v-if="what === 'diagnosis' && id" :id="id" :key="id" />
    <QuickDrill v-else-if="what === 'quick' && id" :id="id" :key="id" />
    <BenchDrill v-else-if="what === 'bench' && id" :id="id" :key="id" />
    <DrillHome v-else />
  </div>
</template>
