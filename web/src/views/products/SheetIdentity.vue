<script setup lang="ts">
import type { Family } from '@warm-jar/core';
import Checkbox from 'primevue/checkbox';
import { inWords } from '../../components/words';

/** What the sheet seems to be called and of which family, to be taken or not. */
defineProps<{
  kept: { readonly title: boolean; readonly family: boolean };
  name: string | null;
  family: { readonly family: Family; readonly line: number } | null;
}>();
const emit = defineEmits<{ change: [part: { title?: boolean; family?: boolean }] }>();
</script>

<template>
  <li v-if="name" class="line">
    <span class="label">Name</span
    ><Checkbox
      input-id="offer-name"
      :model-value="kept.title"
      binary
      @update:model-value="emit('change', { title: $event })"
    /><label for="offer-name"
      ><strong>{{ name }}</strong></label
    >
  </li>
  <li v-if="family" class="line">
    <span class="label">Family</span
    ><Checkbox
      input-id="offer-family"
      :model-value="kept.family"
      binary
      @update:model-value="emit('change', { family: $event })"
    /><label for="offer-family"
      ><strong>{{ inWords(family.family) }}</strong
      >{{ ' ' }}<span class="quiet small">by its words, from line {{ family.line }}</span></label
    >
  </li>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 9.5rem auto minmax(0, 1fr);
  gap: var(--space-3);
  align-items: center;
  min-height: 52px;
  border-top: 1px solid var(--card-edge);
}
label {
  padding: var(--space-3) 0;
}
@media (max-width: 40em) {
  .line {
    grid-template-columns: auto minmax(0, 1fr);
  }
  .label {
    grid-column: 1 / -1;
    padding-top: var(--space-2);
  }
}
</style>
