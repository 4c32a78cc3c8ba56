<script setup lang="ts">
import SelectButton from 'primevue/selectbutton';

/** Yes, no, or not recorded: a second tap takes an answer back. */
defineProps<{ value: boolean | null; label: string }>();
const emit = defineEmits<{ change: [value: boolean | null] }>();
const OPTIONS = [
  { words: 'Yes', value: true },
  { words: 'No', value: false },
];
</script>

<template>
  <SelectButton
    :model-value="value"
    :options="OPTIONS"
    option-label="words"
    option-value="value"
    :allow-empty="true"
    :aria-label="label"
    @update:model-value="emit('change', $event ?? null)"
  />
</template>
