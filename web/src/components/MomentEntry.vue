<script setup lang="ts">
import Button from 'primevue/button';
import DatePicker from 'primevue/datepicker';
import { computed } from 'vue';
import { studioNow } from '../api/studioTime';
import { localMoment } from '../stores/draft';
import { WHOLE_MOMENT, readMoment } from './readMoment';
import { useTypedDate } from './useTypedDate';

/** A moment with its offset, as the format keeps it. */
const props = defineProps<{ id: string; value: string | null; label: string; error?: string | undefined }>();
const emit = defineEmits<{ change: [value: string | null] }>();
const date = computed(() => (props.value && !Number.isNaN(Date.parse(props.value)) ? new Date(props.value) : null));
const { unread, beforeTyping, typed, picked, take } = useTypedDate(
  { read: (text) => readMoment(text, studioNow()), whole: WHOLE_MOMENT, example: '2026-11-27 06:48' },
  (moment) => {
    const next = moment && localMoment(moment);
    if (next !== props.value) emit('change', next);
  },
);
const now = () => {
  picked(studioNow());
};
</script>

<template>
  <div class="moment" @input.capture="beforeTyping" @keydown.enter="take">
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
      @blur="take"
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
