<script setup lang="ts">
import { fieldLabel, valueAt } from '@warm-jar/core';
import { computed } from 'vue';
import KeyCap from '../../components/KeyCap.vue';
import { inWords } from '../../components/words';
import { onPlainKey } from '../../keys/keys';
import { useBenchContext } from '../../run/useBench';

/** Something that is said or not said: its key goes through the answers and back to nothing, and each is recorded. */
const props = defineProps<{
  path: string;
  k: string;
  options: readonly { readonly value: unknown; readonly words: string }[];
}>();
const bench = useBenchContext();
const label = computed(() => fieldLabel(props.path));
const stands = computed(() => (bench.batch.value ? (valueAt(bench.batch.value, props.path) ?? null) : null));
const set = (value: unknown, words: string) =>
  void bench.write({ words: `${label.value.toLowerCase()}: ${words}`, set: { [props.path]: value } });
const choose = (option: { value: unknown; words: string }) => {
  if (option.value === stands.value) set(null, 'not recorded');
  else set(option.value, inWords(option.words));
};
onPlainKey(props.k, () => {
  const at = props.options.findIndex(({ value }) => value === stands.value);
  const next = props.options[at + 1];
  if (next) choose(next);
  else set(null, 'not recorded');
});
</script>

<template>
  <div class="said" role="group" :aria-label="label" :data-said="path">
    <span>{{ label }} <KeyCap :k="k" /></span>
    <span class="options">
      <button
        v-for="o in options"
        :key="o.words"
        type="button"
        :aria-pressed="o.value === stands"
        :class="{ chosen: o.value === stands }"
        @click="choose(o)"
      >
        {{ inWords(o.words) }}
      </button>
    </span>
    <span v-if="stands === null" class="quiet small">not recorded</span>
  </div>
</template>

<style scoped>
.said {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-2) var(--space-3);
}
.options {
  display: inline-flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
button {
  min-height: var(--target);
  min-width: var(--target);
  padding: 0 var(--space-4);
  border: 2px solid var(--chalk-400);
  border-radius: var(--radius);
  background: var(--card);
  font: inherit;
  cursor: pointer;
}
button.chosen {
  border-color: var(--action);
  background: var(--action);
  color: var(--on-action);
  font-weight: 700;
}
</style>
