<script setup lang="ts">
import type { Layer } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import NumberEntry from '../../components/NumberEntry.vue';
import { dayAndTime } from '../../components/words';

type Weighings = NonNullable<Layer['weighings']>;

/** Every weighing of a drying layer, oldest first: a wrong one is corrected or taken out. */
const props = defineProps<{ weighings: Weighings; index: number }>();
const emit = defineEmits<{ change: [weighings: Weighings] }>();
const sorted = computed(() => [...props.weighings].sort((a, b) => Date.parse(a.at) - Date.parse(b.at)));
const correct = (at: number, massG: number | null) => {
  if (massG !== null)
    emit(
      'change',
      sorted.value.map((w, i) => (i === at ? { ...w, massG } : w)),
    );
};
const takeOut = (at: number) => {
  emit(
    'change',
    sorted.value.filter((_, i) => i !== at),
  );
};
</script>

<template>
  <ol class="weighings small" data-test="weighings" aria-label="Weighings">
    <li v-for="(w, i) in sorted" :key="w.at + i">
      <span class="quiet">{{ dayAndTime(w.at) }}</span>
      <span class="entry"
        ><NumberEntry
          :id="`weighing-${index}-${i}`"
          :label="`Weighing ${i + 1}`"
          unit="g"
          :value="w.massG"
          @change="(v) => correct(i, v)"
      /></span>
      <Button
        icon="pi pi-times"
        severity="secondary"
        text
        :aria-label="`Take weighing ${i + 1} out`"
        @click="takeOut(i)"
      />
    </li>
  </ol>
</template>

<style scoped>
.weighings {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
}
li {
  display: flex;
  align-items: center;
  gap: var(--space-2);
}
.entry {
  width: 8rem;
}
</style>
