<script setup lang="ts">
import type { Batch } from '@warm-jar/core';
import { computed, toRef } from 'vue';
import OutcomeCard from '../../components/OutcomeCard.vue';
import { useCopiedFrom } from './useCopiedFrom';

/** Which batch it was copied from, what was changed on purpose, what the outcome answers, and so what it was. */
const props = defineProps<{ batch: Batch }>();
const from = computed(() => props.batch.copiedFrom ?? null);
const { told, load } = useCopiedFrom(toRef(props, 'batch'));
/** Before anybody has looked at the new one there is nothing to say of the old. */
const looked = computed(() => (props.batch.checks ?? []).length > 0);
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
    <p v-if="told" data-test="answer">
      <strong>{{ told.answer.verdict }}.</strong> {{ told.answer.says }}
    </p>
  </section>
  <OutcomeCard
    v-if="from && told && looked"
    :code="from.code"
    :batch="told.before"
    :symptom="told.kind"
    @changed="load"
  />
</template>

<style scoped>
strong {
  text-transform: capitalize;
}
</style>
