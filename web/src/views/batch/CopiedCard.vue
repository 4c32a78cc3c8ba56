<script setup lang="ts">
import { causeTitle, type Batch } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed, toRef } from 'vue';
import KeyCap from '../../components/KeyCap.vue';
import { inWords } from '../../components/words';
import { onPlainKey } from '../../keys/keys';
import { useOutcomes } from '../../stores/useOutcomes';
import { useCopiedFrom } from './useCopiedFrom';

/** Which batch it was copied from, what was changed on purpose, and what the outcome answers. */
const props = defineProps<{ batch: Batch }>();
const from = computed(() => props.batch.copiedFrom ?? null);
const answer = useCopiedFrom(toRef(props, 'batch'));
const code = computed(() => props.batch.code ?? '');
const outcomes = useOutcomes(code, toRef(props, 'batch'), async () => undefined);
const { accept, problem } = outcomes;
/** What this batch says of the one it was copied from. */
const proposed = computed(() => outcomes.proposed.value.filter((p) => p.by === code.value));
onPlainKey('y', () => {
  const [first] = proposed.value;
  if (first) void accept(first);
});
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
      <strong>{{ answer.verdict }}.</strong> {{ proposed[0]?.says ?? answer.says }}
    </p>
    <p v-for="p in proposed" :key="p.by" class="row" data-test="proposal">
      <span
        >So the {{ inWords(p.outcome.symptom) }} fault of <span class="figures">{{ p.batch }}</span>
        {{ p.outcome.refuted ? 'did not come' : 'came' }} from this:
        {{ causeTitle(p.outcome.cause).toLowerCase() }}.</span
      ><Button data-test="accept" @click="accept(p)">Keep that <KeyCap k="y" /></Button>
    </p>
    <p v-if="problem" class="bad small" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
strong {
  text-transform: capitalize;
}
.bad {
  color: var(--outside);
}
</style>
