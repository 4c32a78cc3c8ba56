<script setup lang="ts">
import type { Term } from '@warm-jar/core';
import TermPicture from './TermPicture.vue';

/** A word, what it means, and its drawing. */
defineProps<{ term: Term }>();
</script>

<template>
  <article :id="`word-${term.id}`" class="term" :data-term="term.id">
    <h3>{{ term.term }}</h3>
    <p>{{ term.says }}</p>
    <TermPicture v-if="term.picture" :picture="term.picture" />
  </article>
</template>

<style scoped>
.term {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: var(--space-3) 0;
  border-top: 1px solid var(--card-edge);
  break-inside: avoid;
  max-width: 44rem;
}
</style>
