<script setup lang="ts">
import NumberEntry from './NumberEntry.vue';
import { asShare, type Place } from './useCross';

/** A place on a picture as two figures, in per cent, for whoever would rather type it. */
const props = defineProps<{ id: string; place: Place; label: string }>();
const emit = defineEmits<{ change: [place: Place] }>();
const percent = (share: number) => Math.round(share * 1000) / 10;
function typed(axis: 'x' | 'y', value: number | null) {
  if (value === null || value < 0 || value > 100) return;
  emit('change', { ...props.place, [axis]: asShare(value / 100) });
}
</script>

<template>
  <span class="place" role="group" :aria-label="label">
    <NumberEntry
      :id="`${id}-x`"
      :value="percent(place.x)"
      unit="%"
      :label="`${label}, across`"
      @change="(v) => typed('x', v)"
    /><NumberEntry
      :id="`${id}-y`"
      :value="percent(place.y)"
      unit="%"
      :label="`${label}, down`"
      @change="(v) => typed('y', v)"
    />
  </span>
</template>

<style scoped>
.place {
  display: inline-grid;
  grid-template-columns: 7rem 7rem;
  gap: var(--space-2);
}
</style>
