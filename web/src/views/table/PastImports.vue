<script setup lang="ts">
import type { PastImport } from '@warm-jar/core';
import Button from 'primevue/button';
import { useConfirm } from 'primevue/useconfirm';
import { dayAndTime } from '../../components/words';
import { KIND_WORDS } from './kindWords';

/** Tables that came in before, each to be taken back whole while nothing of it was changed. */
defineProps<{ past: readonly PastImport[] }>();
const emit = defineEmits<{ undo: [id: string] }>();
const confirm = useConfirm();
const ask = (p: PastImport) => {
  confirm.require({
    header: `Undo the import of ${p.name}?`,
    message: `All ${p.count} ${KIND_WORDS[p.kind].many} of it are removed, as if they had never come in.`,
    acceptLabel: 'Undo it',
    rejectLabel: 'Keep it',
    rejectProps: { severity: 'secondary' },
    accept: () => {
      emit('undo', p.id);
    },
  });
};
</script>

<template>
  <section v-if="past.length" class="stack" aria-labelledby="past">
    <h2 id="past">Brought in before</h2>
    <ul class="card lines">
      <li v-for="p in past" :key="p.id" :data-import="p.id">
        <span class="grow"
          ><strong>{{ p.name }}</strong
          ><span class="small quiet block"
            >{{ p.count }} {{ p.count === 1 ? KIND_WORDS[p.kind].one : KIND_WORDS[p.kind].many }}, {{ dayAndTime(p.at)
            }}<template v-if="p.by">, {{ p.by }}</template></span
          ></span
        >
        <span v-if="p.undoneAt" class="quiet small">taken back {{ dayAndTime(p.undoneAt) }}</span>
        <Button v-else label="Undo" severity="secondary" :aria-label="`Undo the import of ${p.name}`" @click="ask(p)" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.lines {
  padding: 0 var(--space-4);
}
.lines li {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  min-height: 56px;
  padding: 6px 0;
}
.lines li + li {
  border-top: 1px solid var(--card-edge);
}
.grow {
  flex: 1;
  min-width: 0;
}
.block {
  display: block;
}
</style>
