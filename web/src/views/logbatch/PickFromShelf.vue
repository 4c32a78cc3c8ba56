<script setup lang="ts">
import type { Product } from '@warm-jar/core';
import Select from 'primevue/select';
import { computed } from 'vue';
import { usePicks } from './usePicks';

/** What the shelf offers for this step; choosing fills in the fields, and what speaks against it is said at once. */
const props = defineProps<{ section: string; product: Product }>();
const { picksFor } = usePicks();
const picks = computed(() => picksFor(props.section, props.product));
</script>

<template>
  <div v-if="picks.length" class="picks">
    <div v-for="p in picks" :key="p.label" class="pick">
      <label class="cell"
        ><span class="small">{{ p.label }}</span
        ><Select
          :model-value="p.chosen"
          :options="p.options"
          option-label="words"
          option-value="value"
          show-clear
          :placeholder="p.placeholder"
          :aria-label="p.label"
          @update:model-value="p.choose($event ?? null)"
      /></label>
      <ul v-if="p.warnings.length" class="small">
        <li v-for="w in p.warnings" :key="w">{{ w }}</li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.picks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(17rem, 1fr));
  gap: var(--space-3) var(--space-4);
  padding-bottom: var(--space-2);
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
li {
  color: var(--outside);
  font-weight: 650;
  padding-top: 4px;
}
</style>
