<script setup lang="ts">
import type { DrillView } from '@warm-jar/core';
import RadioButton from 'primevue/radiobutton';

/** The mends to choose from, each by its steps. */
defineProps<{ mends: DrillView['mends']; chosen: string | null }>();
const emit = defineEmits<{ choose: [id: string] }>();
</script>

<template>
  <fieldset class="mends">
    <legend>How is it mended?</legend>
    <label v-for="m in mends" :key="m.id" class="mend" :class="{ picked: chosen === m.id }" :data-mend="m.id">
      <RadioButton
        :model-value="chosen"
        :value="m.id"
        name="mend"
        :aria-labelledby="`steps-${m.id}`"
        @update:model-value="emit('choose', m.id)"
      />
      <ol :id="`steps-${m.id}`" class="small" :class="{ one: m.steps.length === 1 }">
        <li v-for="s in m.steps" :key="s">{{ s }}</li>
      </ol>
    </label>
  </fieldset>
</template>

<style scoped>
.mends {
  display: grid;
  gap: var(--space-2);
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
legend {
  font-size: 1.1rem;
  font-weight: 700;
  padding: 0 0 var(--space-2);
}
.mend {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-3);
  align-items: start;
  min-height: var(--target);
  padding: var(--space-3);
  border: 1px solid var(--field-edge);
  border-radius: var(--radius);
  background: var(--card);
  cursor: pointer;
  line-height: 1.35;
}
.picked {
  border-color: var(--action);
  box-shadow: inset 0 0 0 1px var(--action);
}
ol {
  list-style: decimal;
  padding-left: 1.2rem;
  display: grid;
  gap: 2px;
}
.one {
  list-style: none;
  padding-left: 0;
}
</style>
