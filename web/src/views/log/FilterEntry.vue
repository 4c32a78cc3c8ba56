<script setup lang="ts">
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { DateEntry } from '../../components/laterEntry';
import type { FilterField } from './filterField';

/** One filter of the log, entered the way its kind asks. */
defineProps<{ entry: FilterField; value: string }>();
const emit = defineEmits<{ choose: [value: string] }>();
</script>

<template>
  <label class="labelled"
    ><span class="small">{{ entry.words }}</span
    ><Select
      v-if="entry.options"
      :model-value="value || null"
      :options="[...entry.options]"
      option-label="words"
      option-value="value"
      show-clear
      :filter="entry.long === true"
      placeholder="all"
      :aria-label="entry.label ?? entry.words"
      @update:model-value="emit('choose', $event ?? '')" /><DateEntry
      v-else-if="entry.day"
      :id="`log-${entry.filter}`"
      :label="entry.words"
      :placeholder="entry.placeholder ?? ''"
      :value="value || null"
      @change="emit('choose', $event ?? '')" /><InputText
      v-else
      :model-value="value"
      :placeholder="entry.placeholder ?? ''"
      :aria-label="entry.label ?? entry.words"
      @update:model-value="emit('choose', $event ?? '')"
  /></label>
</template>
