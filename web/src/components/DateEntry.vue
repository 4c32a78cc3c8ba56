<script setup lang="ts">
import { localDay } from '@warm-jar/core';
import DatePicker from 'primevue/datepicker';
import { computed } from 'vue';
import { studioNow } from '../api/studioTime';
import { WHOLE_DAY, readDay } from './readMoment';
import { useTypedDate } from './useTypedDate';

/** A calendar day, `2026-03-14`, or nothing. */
const props = defineProps<{
  id: string;
  value: string | null;
  label: string;
  error?: string | undefined;
  placeholder?: string;
}>();
const emit = defineEmits<{ change: [value: string | null] }>();
const date = computed(() => (props.value && WHOLE_DAY.test(props.value) ? new Date(`${props.value}T12:00:00`) : null));
const { unread, beforeTyping, typed, picked, take } = useTypedDate(
  { read: (text) => readDay(text, studioNow()), whole: WHOLE_DAY, example: '2027-12-25' },
  (day) => {
    const next = day && localDay(day);
    if (next !== props.value) emit('change', next);
  },
);
</script>

<template>
  <div class="wide" @input.capture="beforeTyping" @keydown.enter="take">
    <DatePicker
      :input-id="id"
      :model-value="date"
      date-format="yy-mm-dd"
      :placeholder="placeholder ?? 'not recorded'"
      :show-clear="placeholder !== undefined"
      :invalid="Boolean(error ?? unread)"
      show-icon
      icon-display="input"
      :aria-label="label"
      class="wide"
      @update:model-value="picked"
      @input="typed"
      @blur="take"
    />
    <span v-if="unread" class="small error" role="alert">{{ unread }}</span>
  </div>
</template>

<style scoped>
.wide {
  width: 100%;
}
</style>
