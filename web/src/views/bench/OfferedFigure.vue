<script setup lang="ts">
import { fieldLabel, valueAt } from '@warm-jar/core';
import { computed } from 'vue';
import { useBenchContext } from '../../run/useBench';
import { useUnits } from '../../stores/units';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';

/** A figure that the plan assumed, or whoever else is named: offered, and recorded only once it is confirmed by its key or typed. */
const props = defineProps<{ path: string; unit: string; k: string; planned: number | null; whose?: string }>();
const bench = useBenchContext();
const units = useUnits();
const typed = bench.typed(props.path);
const label = computed(() => fieldLabel(props.path));
const stands = computed(() => {
  const v = bench.batch.value ? valueAt(bench.batch.value, props.path) : null;
  return typeof v === 'number' ? v : null;
});
const record = (value: number | null) =>
  void bench.write({
    words: `${label.value.toLowerCase()}${value === null ? ' taken back' : ` ${units.say(value, props.unit)}`}`,
    set: { [props.path]: value },
  });
function take(): void {
  if (typed.value !== null) record(typed.value);
  typed.value = null;
}
</script>

<template>
  <div class="offered" :data-offered="path">
    <template v-if="stands !== null"
      ><span
        >{{ label }} <strong class="figures">{{ units.say(stands, unit) }}</strong></span
      ><DoButton words="Not so" quiet @do="record(null)"
    /></template>
    <template v-else>
      <DoButton
        v-if="planned !== null"
        :words="`${label} ${units.say(planned, unit)}${whose ?? ', as planned'}`"
        :k="k"
        quiet
        @do="record(planned)"
      /><TypedFigure
        :id="`offered-${path.replaceAll('.', '-')}`"
        v-model="typed"
        :unit="unit"
        :words="`${label}${planned === null ? '' : ', otherwise'}`"
        :label="label"
        @enter="take"
      /><DoButton v-if="typed !== null" words="Take it" quiet @do="take" />
    </template>
  </div>
</template>

<style scoped>
.offered {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: var(--space-3);
}
</style>
