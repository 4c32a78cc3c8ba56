<script setup lang="ts">
import { computed, useId } from 'vue';
import LimitStrip from '../../components/LimitStrip.vue';
import { useDraftContext } from './draftContext';
import FieldEntry from '../../components/form/FieldEntry.vue';
import type { RecordField } from '../../components/form/recordFields';

/** A field with its name before it and, where the card limits it, the strip behind it. */
const props = defineProps<{ field: RecordField }>();
const { readings } = useDraftContext();
const reading = computed(() => {
  const r = readings.value.get(props.field.reading ?? props.field.path);
  return r && !(r.state === 'not-stated' && r.measured === null) ? r : null;
});
const limitId = useId();
</script>

<template>
  <div class="field-row">
    <span class="label"
      >{{ field.label }}<small v-if="field.help" class="help">{{ field.help }}</small></span
    >
    <FieldEntry :field="field" :path="field.path" :described-by="reading ? limitId : undefined" />
    <LimitStrip v-if="reading" :reading="reading" bare />
    <span v-if="reading" :id="limitId" class="visually-hidden">{{ reading.says }}</span>
  </div>
</template>

<style scoped>
.field-row {
  display: grid;
  grid-template-columns: 9.5rem minmax(11rem, 15rem) minmax(0, 1fr);
  gap: var(--space-2) var(--space-4);
  align-items: center;
  min-height: 56px;
}
.label {
  line-height: 1.2;
}
.help {
  display: block;
  color: var(--ink-700);
}
@media (max-width: 61.25em) {
  .field-row {
    grid-template-columns: 9rem minmax(0, 1fr);
  }
  .field-row > :nth-child(3) {
    grid-column: 1 / -1;
  }
}
@media (max-width: 36em) {
  .field-row {
    grid-template-columns: minmax(0, 1fr);
    padding: var(--space-2) 0;
  }
}
</style>
