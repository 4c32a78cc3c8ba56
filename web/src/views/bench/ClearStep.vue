<script setup lang="ts">
import { cardRoute, clearMinutes, isVacuumed } from '@warm-jar/core';
import { computed, watch } from 'vue';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import { countdown } from '../../run/countdown';
import { readingOf } from '../../run/readingOf';
import SplitCups from './SplitCups.vue';
import PourWindow from './PourWindow.vue';
import SimulatedMark from '../../components/SimulatedMark.vue';
import { useBenchContext } from '../../run/useBench';

/** Rest or vacuum against its time, with the gauge. */
const bench = useBenchContext();
const units = useUnits();
const route = computed(
  () => bench.plan.value?.route ?? (bench.product.value ? cardRoute(bench.product.value) : 'none'),
);
const vacuum = computed(() => isVacuumed(route.value));
const wantedMin = computed(() => {
  const s = bench.plan.value?.timeline.find((t) => t.what === (vacuum.value ? 'vacuum' : 'rest'));
  if (s) return s.toMin - s.fromMin;
  return bench.product.value ? clearMinutes(bench.product.value, route.value, null) : 0;
});
const from = computed(() => bench.batch.value?.bench?.clearFromMin ?? null);
const elapsed = computed(() =>
  from.value === null || bench.nowMin.value === null ? null : Math.max(0, bench.nowMin.value - from.value),
);
const left = computed(() => wantedMin.value - (elapsed.value ?? 0));
const gauge = computed(() => bench.devices.shown('vacuum-gauge', 'vacuum'));
const asked = computed(() => bench.product.value?.degas?.vacuumKPaAbs ?? null);
watch(left, (l) => {
  if (elapsed.value !== null && l <= 0)
    bench.signals.give('cleared', 'warn', vacuum.value ? 'Vacuum long enough' : 'Rested long enough');
});
const begin = () =>
  void bench.write({
    words: vacuum.value ? 'vacuum on' : 'resting',
    set: { 'bench.clearFromMin': bench.minutesNow() ?? 0 },
  });
const method = computed(() => {
  if (!vacuum.value) return 'rest';
  return bench.pressed.value ? 'vacuum-then-pressure' : 'vacuum';
});
function done() {
  const minutes = Math.round(((bench.minutesNow() ?? 0) - (from.value ?? 0)) * 100) / 100;
  const kPa = vacuum.value && gauge.value?.value != null ? Math.round(gauge.value.value * 10) / 10 : null;
  void bench.write({
    words: vacuum.value ? 'degassed' : 'rested',
    step: 'clear',
    set: {
      'degas.method': method.value,
      'degas.minutes': minutes,
      ...(kPa === null ? {} : { 'degas.vacuumKPaAbs': kPa }),
    },
    add: kPa === null ? [] : [readingOf(bench.minutesNow(), 'vacuum', kPa, 'kPa', gauge.value)],
  });
}
/** Ended early is said where it is done: air that had no time to leave stays in. */
const doneWords = computed(() => {
  const early = left.value > 0 ? `${countdown(left.value)} early: ` : '';
  return `${early}${vacuum.value ? 'air in, done' : 'rested'}`;
});
const without = () =>
  void bench.write({ words: 'not cleared', step: 'clear', set: { 'degas.method': 'none', 'degas.minutes': 0 } });
</script>

<template>
  <div class="clear" data-test="clear">
    <BigNumber
      :label="left < 0 ? 'Longer than planned by' : vacuum ? 'Vacuum another' : 'Rest another'"
      :value="countdown(Math.abs(left))"
    />
    <p v-if="vacuum" class="gauge">
      Gauge
      <strong class="figures">{{
        gauge?.silent ? 'does not answer' : gauge?.value == null ? '–' : units.say(gauge.value, 'kPa')
      }}</strong><SimulatedMark :stand-in="gauge?.device.standIn === true" /> absolute<template v-if="asked !== null"
        >; the card asks for {{ units.say(asked, 'kPa') }} or less</template
      >.
    </p>
    <p v-if="elapsed !== null && left > 0" class="told small">
      {{ vacuum ? 'Under vacuum' : 'Resting' }}; what is ended before its time leaves bubbles in.
    </p>
    <p v-if="vacuum" class="quiet">Let air in by hand when the foam climbs; it breaks, then go on.</p>
    <div class="actions">
      <DoButton v-if="from === null" :words="vacuum ? 'Vacuum on' : 'Let it rest'" k="Enter" @do="begin" />
      <DoButton v-else :words="doneWords" k="Enter" :danger="left > 0" @do="done" />
      <DoButton words="Leave it out" quiet @do="without" />
    </div>
    <SplitCups v-if="from === null && !bench.lightCured.value && !bench.batch.value?.cups?.length" />
    <PourWindow v-if="!bench.lightCured.value" />
  </div>
</template>

<style scoped>
.clear {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.gauge {
  font-size: 1.3rem;
}
.actions {
  display: flex;
  gap: var(--space-4);
}
</style>
