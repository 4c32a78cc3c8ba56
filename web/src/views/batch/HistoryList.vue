<script setup lang="ts">
import { fieldLabel, type HistoryEntry } from '@warm-jar/core';
import { shallowRef, watch } from 'vue';
import { api } from '../../api/client';
import { dayAndTime } from '../../components/words';

/** Who changed what, and when. */
const props = defineProps<{ code: string; version: number }>();
const entries = shallowRef<HistoryEntry[] | null>(null);
watch(
  () => [props.code, props.version],
  () => {
    api.history(props.code).then(
      (items) => {
        entries.value = [...items].reverse();
      },
      () => {
        entries.value = null;
      },
    );
  },
  { immediate: true },
);
/** Beyond this many names a change is told by their number. */
const MAX_NAMED = 4;
const what = (h: HistoryEntry) => {
  if (h.action !== 'replaced') return h.action;
  const names = [...new Set(h.changed.map(fieldLabel))];
  const more = names.length - MAX_NAMED;
  return `changed ${names.slice(0, MAX_NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
};
</script>

<template>
  <details class="card">
    <summary>
      History<span v-if="entries" class="quiet"> ({{ entries.length }})</span>
    </summary>
    <p v-if="!entries" class="quiet">The history could not be read.</p>
    <ol v-else class="small">
      <li v-for="h in entries" :key="h.version">
        <span class="figures">{{ h.version }}</span> {{ dayAndTime(h.at)
        }}<template v-if="h.by">, {{ h.by }}<template v-if="!h.verified"> (as named)</template></template
        >: {{ what(h) }}
      </li>
    </ol>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  font-weight: 700;
  min-height: 32px;
}
li {
  padding: 4px 0;
  overflow-wrap: anywhere;
}
</style>
