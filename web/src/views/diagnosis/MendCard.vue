<script setup lang="ts">
import { causeTitle, type SymptomDiagnosis } from '@warm-jar/core';
import { computed } from 'vue';

/** What to do with this piece, and what to change in the next batch. */
const props = defineProps<{ symptom: SymptomDiagnosis }>();
/** A cause from this share is worth a change in the next batch. */
const WORTH_PREVENTING = 0.15;
const prevent = computed(() => props.symptom.causes.filter((c) => c.share >= WORTH_PREVENTING && c.prevention.length > 0));
</script>

<template>
  <div class="two">
    <section class="mend" aria-labelledby="mend">
      <h2 id="mend">Mend this one</h2>
      <ol><li v-for="(s, i) in symptom.mend.steps" :key="i"><span class="figures n">{{ i + 1 }}</span>{{ s }}</li></ol>
      <p v-if="symptom.mend.supplies.length" class="small"><strong>To hand:</strong> {{ symptom.mend.supplies.join(', ') }}.</p>
      <p class="small">{{ symptom.mend.recheckAfterH === null ? 'No second look is needed.' : `Look again after ${symptom.mend.recheckAfterH} h.` }}</p>
    </section>
    <section class="card next" aria-labelledby="next">
      <h2 id="next">Next batch</h2>
      <p v-if="prevent.length === 0" class="quiet">Find out more before changing anything: a change made on a guess teaches nothing.</p>
      <div v-for="c in prevent" :key="c.id"><h3>{{ causeTitle(c.id) }}</h3><ul><li v-for="p in c.prevention" :key="p">{{ p }}</li></ul></div>
      <p class="small quiet">Change one thing at a time, so that the next cast tells which it was. The product's data sheet comes before anything said here.</p>
    </section>
  </div>
</template>

<style scoped>
.two { display: grid; grid-template-columns: 1fr 1fr; gap: var(--space-5); align-items: stretch; }
.mend { background: var(--action); color: #fff; border-radius: var(--radius); padding: var(--space-4); display: flex; flex-direction: column; gap: var(--space-3); }
.mend li { display: grid; grid-template-columns: 1.8rem 1fr; padding: 4px 0; }
.n { font-weight: 700; color: #f3d3a0; }
.next { display: flex; flex-direction: column; gap: var(--space-3); }
.next li { padding: 3px 0 3px 1.2em; text-indent: -1.2em; }
.next li::before { content: '→ '; }
@media (max-width: 900px) { .two { grid-template-columns: 1fr; } }
</style>
