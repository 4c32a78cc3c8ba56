<script setup lang="ts">
import Button from 'primevue/button';
import DatePicker from 'primevue/datepicker';
import { computed, ref } from 'vue';
import { studioNow } from '../api/studioTime';
import { localMoment } from '../stores/draft';
import { readMoment } from './readMoment';

/** A moment with its offset, as the format keeps it. */
const props = defineProps<{ id: string; value: string | null; label: string; error?: string | undefined }>();
const emit = defineEmits<{ change: [value: string | null] }>();
const date = computed(() => (props.value && !Number.isNaN(Date.parse(props.value)) ? new Date(props.value) : null));
const unread = ref<string | null>(null);
const picked = (next: unknown) => {
  unread.value = null;
  emit('change', next instanceof Date && !Number.isNaN(next.getTime()) ? localMoment(next) : null);
};
/** What was typed since the field was entered; null while nothing was. */
let text: string | null = null;
/** The picker does not read a typed moment of 24 hours: it is read here, and told where it cannot be. */
function typed(event: Event): void {
  text = event.target instanceof HTMLInputElement ? event.target.value.trim() : null;
  unread.value = null;
  const moment = text === null ? null : readMoment(text);
  if (moment) emit('change', localMoment(moment));
}
function left(): void {
  if (text && !readMoment(text))
    unread.value = `"${text}" was not read. Write it as 2026-11-27 06:48, or take the calendar.`;
  text = null;
}
function now(): void {
  text = null;
  unread.value = null;
  emit('change', localMoment(studioNow()));
}
</script>

<template>
  <div class="moment">
    <DatePicker
      :input-id="id"
      :model-value="date"
      date-format="yy-mm-dd"
      show-time
      hour-format="24"
      :invalid="Boolean(error ?? unread)"
      :aria-label="label"
      @update:model-value="picked"
      @input="typed"
      @blur="left"
    />
    <Button label="Now" severity="secondary" @click="now" />
  </div>
  <span v-if="unread" class="small error" role="alert">{{ unread }}</span>
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
