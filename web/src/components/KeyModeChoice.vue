<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';
import { ref } from 'vue';
import { keyMode, type KeyMode } from '../keys/keyMode';

/** Whether keys of one letter work: speech and stray touches press them too. */
const MODES: readonly { value: KeyMode; words: string }[] = [
  { value: 'plain', words: 'A letter alone' },
  { value: 'alt', words: 'Alt and the letter' },
  { value: 'off', words: 'Off' },
];
const mode = ref(keyMode.value);
function choose(next: KeyMode) {
  keyMode.value = next;
  mode.value = next;
}
</script>

<template>
  <div class="stack modes">
    <SelectButton
      :model-value="mode"
      :options="[...MODES]"
      option-label="words"
      option-value="value"
      :allow-empty="false"
      aria-label="Keys of one letter"
      data-test="key-mode"
      @update:model-value="choose"
    />
    <p class="small quiet">For this browser. Enter, Ctrl with Enter, and the arrows always work.</p>
  </div>
</template>

<style scoped>
.modes {
  gap: var(--space-1);
  padding-bottom: var(--space-3);
}
</style>
