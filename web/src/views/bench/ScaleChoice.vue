<script setup lang="ts">
import { computed } from 'vue';
import { useBenchContext } from '../../run/useBench';
import { useUnits } from '../../stores/units';
import DoButton from './DoButton.vue';

/** The scale of this run: taken by a key, and from another run only on purpose. */
const { scale, code, devices } = useBenchContext();
const units = useUnits();
const free = computed(() => scale.scales.value.filter((d) => d.code !== scale.picked.value || !scale.isOurs.value));
const words = (d: (typeof free.value)[number], first: boolean) =>
  `${first ? 'Weigh on' : 'or on'} ${d.name}${d.stepG === null ? '' : `, to ${units.say(d.stepG, 'g')}`}${d.standIn ? ' (simulated)' : ''}`;
const lost = computed(() =>
  scale.picked.value !== null && scale.holder.value !== null && scale.holder.value !== code.value
    ? scale.holder.value
    : null,
);
</script>

<template>
  <div v-if="scale.scales.value.length > 0 && !scale.isOurs.value" class="choice" data-test="scale-choice">
    <p v-if="lost" class="bad" role="alert">
      {{ lost }} took the scale. Its figures are {{ lost }}'s now; take it back, take another, or type.
    </p>
    <p v-if="scale.problem.value && !lost" class="bad" role="alert">{{ scale.problem.value }}</p>
    <div class="row">
      <DoButton
        v-for="(d, i) in free"
        :key="d.code"
        :words="words(d, i === 0)"
        v-bind="i === 0 ? { k: 's' } : {}"
        quiet
        @do="scale.take(d.code)"
      />
      <DoButton
        v-if="scale.contested.value"
        :words="`Take it from ${devices.holderOf(scale.contested.value) ?? 'the other run'}`"
        danger
        @do="scale.take(scale.contested.value, true)"
      />
    </div>
  </div>
</template>

<style scoped>
.bad {
  color: var(--outside);
  font-weight: 700;
}
</style>
