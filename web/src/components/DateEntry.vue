<script setup lang="ts">
import DatePicker from 'primevue/datepicker';
import { computed } from 'vue';

/** A calendar day, `2026-03-14`, or nothing. */
const props = defineProps<{
  id: string;
  value: string | null;
  label: string;
  error?: string | undefined;
  placeholder?: string;
}>();
const emit = defineEmits<{ change: [value: string | null] }>();
const date = computed(() =>
  props.value && /^\d{4}-\d\d-\d\d$/.test(props.value) ? new Date(`${props.value}T12:00:00`) : null,
);
const pad = (n: number) => String(n).padStart(2, '0');

function picked(next: unknown) {
  const day =
    next instanceof Date && !Number.isNaN(next.getTime())
      ? `${next.getFullYear()}-${pad(next.getMonth() + 1)}-${pad(next.getDate())}`
      : null;
  emit('change', day);
}
</script>

<template>
  <DatePicker
    :input-id="id"
    :model-value="date"
    date-format="yy-mm-dd"
    :placeholder="placeholder ?? 'not recorded'"
    :show-clear="placeholder !== undefined"
    :invalid="Boolean(error)"
    show-icon
    icon-display="input"
    :aria-label="label"
    class="wide"
    @update:model-value="picked"
  />
</template>

<style scoped>
.wide {
  width: 100%;
}
</style>
