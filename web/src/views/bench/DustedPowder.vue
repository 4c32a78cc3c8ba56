<script setup lang="ts">
import Select from 'primevue/select';
import { computed } from 'vue';
import { useBenchContext } from '../../run/useBench';
import { useShelf } from '../../stores/shelf';
import DoButton from './DoButton.vue';

/** Powder dusted into the mould before the pour: which, of those on the shelf; recorded once it is said. */
const bench = useBenchContext();
const shelf = useShelf();
const DUSTS: ReadonlySet<string> = new Set(['mica', 'powder', 'glitter', 'filler']);
const powders = computed(() => shelf.additives.flatMap(({ item }) => (DUSTS.has(item.kind) ? [item] : [])));
const dusted = computed(() => (bench.batch.value?.additives ?? []).filter((a) => a.applied === 'dusted'));
const add = (name: string | null) => {
  const found = powders.value.find((p) => p.name === name);
  if (!found) return;
  void bench.write({
    words: `${found.name} dusted`,
    add: [{ path: 'additives', value: { name: found.name, kind: found.kind, applied: 'dusted' } }],
  });
};
</script>

<template>
  <div v-if="powders.length > 0" class="row" data-test="dusted">
    <span>Powder in the mould</span>
    <strong v-if="dusted.length">{{ dusted.map((a) => a.name).join(', ') }}</strong>
    <Select
      :model-value="null"
      :options="powders.map((p) => p.name).filter((n) => !dusted.some((d) => d.name === n))"
      placeholder="which was dusted in"
      aria-label="Powder dusted into the mould"
      @update:model-value="add"
    />
    <DoButton
      v-if="powders.length === 1 && dusted.length === 0"
      :words="`${powders[0]!.name} is in`"
      k="x"
      quiet
      @do="add(powders[0]!.name)"
    />
  </div>
</template>
