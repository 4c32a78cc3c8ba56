<script setup lang="ts">
import { sayMinutes, type SymptomDiagnosis } from '@warm-jar/core';
import Button from 'primevue/button';
import KeyCap from '../../components/KeyCap.vue';

/** What to do with this piece; begun, its steps are ticked on a page of its own. */
defineProps<{ symptom: SymptomDiagnosis; under: boolean; alike: readonly string[] }>();
const emit = defineEmits<{ begin: [castings?: readonly string[]] }>();
</script>

<template>
  <section class="mend" aria-labelledby="mend">
    <h2 id="mend">
      Mend <template v-if="symptom.casting">{{ symptom.casting }}</template><template v-else>this one</template>
    </h2>
    <ol>
      <li v-for="(s, i) in symptom.mend.steps" :key="i">
        <span class="figures n">{{ i + 1 }}</span>{{ s }}
      </li>
    </ol>
    <p v-if="symptom.mend.supplies.length" class="small">
      <strong>To hand:</strong> {{ symptom.mend.supplies.join(', ') }}.
    </p>
    <p class="small">
      {{
        symptom.mend.recheckAfterH === null
          ? 'No second look is needed.'
          : `Look again in ${sayMinutes(symptom.mend.recheckAfterH * 60)}.`
      }}
    </p>
    <Button class="begin" severity="secondary" @click="emit('begin')"
      >{{ under ? 'Go on with the mend' : 'Begin this mend' }} <KeyCap k="r"
    /></Button>
    <Button
      v-if="!under && alike.length > 1"
      class="begin"
      severity="secondary"
      :label="`Mend ${alike.join(', ')} together`"
      data-test="mend-together"
      @click="emit('begin', alike)"
    />
  </section>
</template>

<style scoped>
.mend {
  background: var(--action);
  color: #fff;
  border-radius: var(--radius);
  padding: var(--space-4);
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.mend li {
  display: grid;
  grid-template-columns: 1.8rem minmax(0, 1fr);
  padding: 4px 0;
}
.n {
  font-weight: 700;
  color: #f3d3a0;
}
@media print {
  .mend {
    background: none;
    color: inherit;
    border: 1px solid var(--card-edge);
  }
  .n {
    color: inherit;
  }
}
.begin {
  align-self: flex-start;
}
</style>
