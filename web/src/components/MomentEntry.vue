<script setup lang="ts">
import Button from 'primevue/button';
import DatePicker from 'primevue/datepicker';
import { computed } from 'vue';
import { localMoment } from '../stores/draft';

/** A moment with its offset, as the format keeps it. */
const props = defineProps<{ id: string; value: string | null; label: string; error?: string | undefined }>();
const emit = defineEmits<{ change: [value: string | null] }>();
const date = computed(() => (props.value && !Number.isNaN(Date.parse(props.value)) ? new Date(props.value) : null));
const picked = (next: unknown) => {
  emit('change', next instanceof Date && !Number.isNaN(next.getTime()) ? localMoment(next) : null);
};
</script>

<template>
  <div class="moment">
    <DatePicker
      :input-id="id"
      :model-value="date"
      date-format="yy-mm-dd"
      show-time
      hour-format="24"
      :invalid="Boolean(error)"
      :aria-label="label"
      @update:model-value="picked"
    />
    <Button label="Now" severity="secondary" @click="emit('change', localMoment(new Date()))" />
  </div>
</template>

<style scoped>
.moment {
  display: flex;
  gap: var(--space-2);
}
.moment > :first-child {
  flex: 1;
  min-width: 0;
}
</style>
