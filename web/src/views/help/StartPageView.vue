<script setup lang="ts">
import { START_CAUTION, START_STEPS } from '@warm-jar/core';
import KeyCap from '../../components/KeyCap.vue';
import PrintButton from '../../components/PrintButton.vue';

/** What hangs beside the bench: the way of a batch, on one printed page. */
</script>

<template>
  <div class="stack page">
    <div class="row spread">
      <h1>Warm Jar, on one page</h1>
      <PrintButton />
    </div>
    <ol class="steps">
      <li v-for="(s, at) in START_STEPS" :key="s.title">
        <span class="number figures" aria-hidden="true">{{ at + 1 }}</span>
        <div>
          <h2>{{ s.title }} <KeyCap v-if="s.key" :k="s.key" always /></h2>
          <p>{{ s.says }}</p>
        </div>
      </li>
    </ol>
    <p class="caution">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" /> <strong>{{ START_CAUTION }}</strong>
    </p>
  </div>
</template>

<style scoped>
.page {
  max-width: 50rem;
}
.steps li {
  display: grid;
  grid-template-columns: 2.5rem minmax(0, 1fr);
  gap: var(--space-3);
  padding: var(--space-3) 0;
  border-top: 1px solid var(--card-edge);
  break-inside: avoid;
}
.number {
  font-size: 1.6rem;
  font-weight: 800;
}
.caution {
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  padding: var(--space-3);
}
</style>
