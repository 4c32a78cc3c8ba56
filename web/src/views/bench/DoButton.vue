<script setup lang="ts">
import { useTimeoutFn } from '@vueuse/core';
import { ref } from 'vue';
import KeyCap from '../../components/KeyCap.vue';
import { onPlainKey } from '../../keys/keys';

/** The one thing to do next: a large target, and a key. */
const props = defineProps<{ words: string; k?: string; disabled?: boolean; quiet?: boolean; danger?: boolean }>();
const emit = defineEmits<{ do: [] }>();
/** A second Enter, meant for the step before, does not do this one: only once the hand has had time to look, ms. */
const LOOK_MS = 700;
const armed = ref(props.k !== 'Enter');
useTimeoutFn(() => {
  armed.value = true;
}, LOOK_MS);
const act = () => {
  if (!props.disabled) emit('do');
};
if (props.k)
  onPlainKey(props.k, () => {
    if (armed.value) act();
  });
</script>

<template>
  <button
    type="button"
    class="do"
    :class="{ quiet, danger }"
    :disabled="disabled"
    :data-armed="armed"
    :data-key="k"
    @click="act"
  >
    {{ words }} <KeyCap v-if="k" :k="k" />
  </button>
</template>

<style scoped>
.do {
  min-height: 76px;
  padding: 0 var(--space-5);
  font: inherit;
  font-size: 1.35rem;
  font-weight: 750;
  border-radius: var(--radius);
  border: 2px solid var(--action);
  background: var(--action);
  color: var(--on-action);
  cursor: pointer;
}
.do.quiet {
  background: var(--card);
  color: var(--action);
  font-size: 1.05rem;
  min-height: 56px;
}
.do.danger {
  background: var(--outside);
  border-color: var(--outside);
  color: var(--on-outside);
}
@media screen and (max-width: 49.99em) {
  .do {
    width: 100%;
    padding: var(--space-2) var(--space-3);
  }
  .do.quiet {
    width: auto;
  }
}
.do:disabled {
  background: var(--chalk-100);
  border-color: var(--chalk-400);
  color: var(--text-quiet);
  cursor: not-allowed;
}
</style>
