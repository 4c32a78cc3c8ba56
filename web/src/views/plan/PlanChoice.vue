<script setup lang="ts">
import Select from 'primevue/select';

/** A list to choose one from, with its label above. */
defineProps<{
  id: string;
  label: string;
  value: string | null;
  options: readonly { value: string; words: string }[];
  placeholder: string;
  clearable?: boolean;
  error?: string | undefined;
  filter?: boolean;
}>();
const emit = defineEmits<{ change: [value: string | null] }>();
</script>

<template>
  <label class="cell" :data-plan="id">
    <span class="small">{{ label }}</span>
    <Select
      :model-value="value"
      :options="[...options]"
      option-label="words"
      option-value="value"
      :label-id="`plan-${id}`"
      :placeholder="placeholder"
      :show-clear="clearable"
      :filter="filter"
      :invalid="Boolean(error)"
      :aria-label="label"
      class="wide"
      @update:model-value="emit('change', $event ?? null)"
    />
    <span v-if="error" class="small error" role="alert">{{ error }}</span>
  </label>
</template>

<style scoped>
.cell {
  display: flex;
  flex-direction: column;
  gap: 3px;
  min-width: 0;
}
.wide {
  width: 100%;
}
.error {
  color: var(--outside);
  font-weight: 600;
}
</style>
