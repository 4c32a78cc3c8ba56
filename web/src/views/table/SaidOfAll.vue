<script setup lang="ts">
import { computed } from 'vue';
import type { TableKind } from '@warm-jar/core';
import NumberEntry from '../../components/NumberEntry.vue';

/** What no column says and the format needs: said once, of all rows that have a look. */
const props = defineProps<{
  kind: TableKind;
  columns: readonly { readonly path: string | null }[];
  forAll: Readonly<Record<string, string>>;
}>();
const emit = defineEmits<{ say: [said: Record<string, string>] }>();
const AFTER = 'checks[0].afterH';
const paths = computed(() => props.columns.flatMap((c) => c.path ?? []));
const asksAfter = computed(
  () => props.kind === 'batch' && paths.value.some((p) => p.startsWith('checks[0].')) && !paths.value.includes(AFTER),
);
const value = computed(() => (props.forAll[AFTER] ? Number(props.forAll[AFTER]) : null));
</script>

<template>
  <div v-if="asksAfter" class="row said" data-test="after">
    <label for="said-after">The looks were taken about so long after the pour:</label>
    <span class="narrow"
      ><NumberEntry
        id="said-after"
        :value="value"
        unit="h"
        label="How long after the pour they were looked at"
        @change="(v: number | null) => emit('say', { [AFTER]: v === null ? '' : String(v) })"
    /></span>
  </div>
</template>

<style scoped>
.said {
  align-items: center;
}
.narrow {
  width: 9rem;
}
</style>
