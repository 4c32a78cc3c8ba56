<script setup lang="ts">
import type { Batch } from '@warm-jar/core';
import { computed, toRef } from 'vue';
import { useCopiedFrom } from './useCopiedFrom';

/** Which batch it was copied from, what was changed on purpose, and what the outcome answers. */
const props = defineProps<{ batch: Batch }>();
const from = computed(() => props.batch.copiedFrom ?? null);
const answer = useCopiedFrom(toRef(props, 'batch'));
</script>

<template>
  <section v-if="from" class="card stack" aria-labelledby="copied" data-test="copied-from">
    <h2 id="copied">
      Changed against
      <RouterLink class="figures" :to="{ name: 'batch', params: { code: from.code } }">{{ from.code }}</RouterLink>
    </h2>
    <ul v-if="from.changes.length">
      <li v-for="c in from.changes" :key="c.says">{{ c.says }}</li>
    </ul>
    <p v-else class="quiet">Nothing was changed on purpose.</p>
    <p v-if="answer" data-test="answer">
      <strong>{{ answer.verdict }}.</strong> {{ answer.says }}
    </p>
  </section>
</template>

<style scoped>
strong {
  text-transform: capitalize;
}
</style>
