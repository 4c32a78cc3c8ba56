<script setup lang="ts">
import { fieldLabel, sayField, valueAt } from '@warm-jar/core';
import { computed } from 'vue';
import DoButton from './DoButton.vue';
import { useUnits } from '../../stores/units';
import { useBenchContext } from '../../run/useBench';

/** What is kept here and not yet at the server, and what another tablet wrote differently. */
const bench = useBenchContext();
const refused = computed(() => bench.refused.value);
const fields = computed(() =>
  (refused.value?.entry.set ?? []).map((s) => ({ label: fieldLabel(s.path), mine: s.value, path: s.path })),
);
const units = useUnits();
const said = (path: string, v: unknown) => sayField(path, v, units.say);
const conflict = computed(() => refused.value?.problem?.startsWith('Somebody else') ?? false);
const now = (path: string) => said(path, valueAt(bench.batch.value, path));
</script>

<template>
  <div
    v-if="refused"
    class="conflict"
    role="alertdialog"
    aria-label="Another tablet wrote this too"
    data-test="conflict"
  >
    <p>
      <strong>{{ conflict ? 'Another tablet wrote this too.' : 'The server cannot take this.' }}</strong>
      {{ refused.problem }}
    </p>
    <ul v-if="conflict">
      <li v-for="f in fields" :key="f.path">
        {{ f.label }}: yours {{ said(f.path, f.mine) }}<span class="quiet"> (shown: {{ now(f.path) }})</span>
      </li>
    </ul>
    <div class="row">
      <DoButton
        :words="conflict ? 'Theirs stands' : 'Discard it'"
        quiet
        @do="bench.outbox.settle(refused.seq, 'drop')"
      /><DoButton v-if="conflict" words="Mine stands" danger @do="bench.outbox.settle(refused.seq, 'over')" />
    </div>
  </div>
  <p v-else-if="bench.waiting.value.length > 0" class="waits" role="status" data-test="waiting">
    <i class="pi pi-clock" aria-hidden="true" /> {{ bench.waiting.value.length }}
    {{ bench.waiting.value.length === 1 ? 'entry waits' : 'entries wait' }} here for the server{{
      bench.outbox.away ? ', which is away. Go on; nothing is lost.' : ''
    }}<template v-if="!bench.outbox.kept">
      This browser keeps nothing over a reload: leave this page open until they are sent.</template
    >
  </p>
</template>

<style scoped>
.waits {
  background: var(--amber-100);
  border-left: 5px solid var(--amber-600);
  padding: var(--space-2) var(--space-3);
}
.conflict {
  border: 3px solid var(--outside);
  background: var(--outside-ground);
  border-radius: var(--radius);
  padding: var(--space-3);
  display: grid;
  gap: var(--space-2);
}
</style>
