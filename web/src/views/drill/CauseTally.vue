<script setup lang="ts">
import type { DrillProgress } from '@warm-jar/core';
import CauseLink from '../../components/CauseLink.vue';

/** Causes with how often each was told right. */
defineProps<{ causes: DrillProgress['causes'] }>();
</script>

<template>
  <dl class="tally">
    <div v-for="c in causes" :key="c.id" class="row spread">
      <dt><CauseLink :id="c.id" /></dt>
      <dd class="figures">{{ c.right }} of {{ c.times }} right</dd>
    </div>
  </dl>
</template>

<style scoped>
.tally {
  display: grid;
  gap: var(--space-2);
  padding-top: var(--space-2);
}
</style>
