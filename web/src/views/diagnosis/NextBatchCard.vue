<script setup lang="ts">
import { causeTitle, sharePercent, proposedChanges, type ProposedChange, type SymptomDiagnosis } from '@warm-jar/core';
import Button from 'primevue/button';
import Checkbox from 'primevue/checkbox';
import { computed, ref, watch } from 'vue';
import KeyCap from '../../components/KeyCap.vue';

/** What to change in the next batch: chosen changes go into a copied plan, which remembers them. */
const props = defineProps<{ symptom: SymptomDiagnosis; problem: string | null }>();
const emit = defineEmits<{ copy: [changes: ProposedChange[]] }>();
const changes = computed(() => proposedChanges(props.symptom));
const chosen = ref<number[]>([]);
// One change at a time tells most: the likeliest cause's stands ticked. Where two happened, both have to change.
watch(
  changes,
  (list) => {
    const needed = list.flatMap((c, i) => (c.needed ? [i] : []));
    const likeliest = list.length > 0 ? [0] : [];
    chosen.value = needed.length > 1 ? needed : likeliest;
  },
  { immediate: true },
);
const advice = computed(() => props.symptom.causes.filter((c) => changes.value.some((x) => x.cause === c.id)));
const habits = (id: string, prevention: readonly string[]) =>
  prevention.filter((p) => !changes.value.some((c) => c.cause === id && c.says === p));
const copy = () => {
  emit(
    'copy',
    chosen.value.flatMap((i) => changes.value[i] ?? []),
  );
};
defineExpose({ copy });
</script>

<template>
  <section class="card next" aria-labelledby="next">
    <h2 id="next">Next batch</h2>
    <p v-if="changes.length === 0" class="quiet">
      Find out more before changing anything: a change made on a guess teaches nothing.
    </p>
    <label v-for="(c, i) in changes" :key="c.cause + c.says" class="change"
      ><Checkbox v-model="chosen" :value="i" :input-id="`change-${i}`" /><span
        ><strong>{{ c.says }}</strong
        ><span class="small quiet block">{{ causeTitle(c.cause) }}, {{ sharePercent(c.share) }} %</span></span
      ></label
    >
    <p v-if="symptom.together" class="small" data-test="both">
      Two things went wrong: change both, or it will not come out well.
    </p>
    <p v-else-if="chosen.length > 1" class="small warn">
      {{ chosen.length }} changes at once: if it comes out well, it will not say which did it.
    </p>
    <div v-for="c in advice" :key="c.id">
      <ul class="small">
        <li v-for="p in habits(c.id, c.prevention)" :key="p">{{ p }}</li>
      </ul>
    </div>
    <p v-if="problem" class="bad small" role="alert">{{ problem }}</p>
    <Button severity="secondary" class="go" data-test="copy" @click="copy"
      >{{ chosen.length ? 'Copy into a plan, changed' : 'Copy into a plan' }} <KeyCap k="x"
    /></Button>
    <p class="small quiet">The product's data sheet comes before anything said here.</p>
  </section>
</template>

<style scoped>
.next {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.change {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-3);
  align-items: center;
  min-height: var(--target);
  cursor: pointer;
}
.block {
  display: block;
}
.next li {
  padding: 3px 0 3px 1.2em;
  text-indent: -1.2em;
}
.next li::before {
  content: '→ ';
}
.warn {
  color: var(--amber-700);
  font-weight: 600;
}
.bad {
  color: var(--outside);
}
.go {
  align-self: flex-start;
}
</style>
