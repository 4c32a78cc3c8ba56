<script setup lang="ts">
import { outcomeSentence, type Batch } from '@warm-jar/core';
import { computed } from 'vue';
import { dayAndTime } from '../../components/words';

/** What the causes of its faults turned out to be, as the record has it. */
const props = defineProps<{ batch: Batch; code: string }>();
const known = computed(() => props.batch.outcome ?? []);
</script>

<template>
  <section v-if="known.length" class="card stack" aria-labelledby="known" data-test="known-causes">
    <h2 id="known">What it turned out to be</h2>
    <p v-for="(o, i) in known" :key="i">
      <span class="first-up">{{ outcomeSentence(o) }}</span>
      <span v-if="o.by || o.at" class="small quiet block">{{
        [o.by, o.at ? dayAndTime(o.at) : ''].filter(Boolean).join(', ')
      }}</span>
    </p>
    <p class="small">
      <RouterLink :to="{ name: 'diagnosis', params: { code } }">The diagnosis</RouterLink> adds to it or takes it back.
    </p>
  </section>
</template>

<style scoped>
.first-up {
  display: inline-block;
}
.first-up::first-letter {
  text-transform: uppercase;
}
.block {
  display: block;
}
</style>
