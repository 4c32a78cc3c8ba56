<script setup lang="ts">
import { gaugeTrend, sayMinutes, type GaugePoint } from '@warm-jar/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { countdown } from '../../run/countdown';
import SimulatedMark from '../../components/SimulatedMark.vue';
import { useBenchContext } from '../../run/useBench';
import { useMouldModel } from './useMouldModel';

/** Holds until card and slab both say gelled, looks for a leak, and bleeds to zero before the lid. */
const bench = useBenchContext();
const units = useUnits();
const mould = useMouldModel(bench);
const asking = ref(false);
const bleeding = ref(false);
const gauge = computed(() => bench.devices.shown('vessel-gauge', 'gauge'));
const kPa = computed(() => gauge.value?.value ?? null);
const reached = computed(() => bench.batch.value?.pressure?.reachedMin ?? 0);
const cardEnds = computed(() =>
  bench.product.value?.pressure?.holdMin == null ? null : reached.value + bench.product.value.pressure.holdMin,
);
const slabEnds = computed(() => mould.value?.lastGelMin ?? bench.clock.value?.gelsMin ?? null);
const until = computed(() => Math.max(cardEnds.value ?? 0, slabEnds.value ?? 0));
const left = computed(() => until.value - (bench.nowMin.value ?? 0));
/** The gauge over the last minutes, for its trend. */
const SPAN_MIN = 4;
const points = shallowRef<readonly GaugePoint[]>([]);
watch(kPa, (v) => {
  const at = bench.minutesNow();
  if (v !== null && at !== null && !bleeding.value)
    points.value = [...points.value.filter((p) => p.atMin > at - SPAN_MIN), { atMin: at, kPa: v }].slice(-240);
});
const trend = computed(() =>
  gaugeTrend(
    points.value,
    bench.product.value?.pressure?.minKPa ?? (bench.batch.value?.pressure?.gaugeKPa ?? 0) * 0.9,
    Math.max(0, left.value),
  ),
);
watch(
  () => trend.value?.leaking,
  (leaks) => {
    if (leaks) bench.signals.give('leak', 'stop', 'The vessel loses pressure');
  },
);
watch(left, (l) => {
  if (l <= 0) bench.signals.give('held', 'warn', 'Held long enough');
});
const early = computed(() => left.value > 0);
/** A lid comes off only when the gauge stands at nought, within its flicker. */
const ZERO_KPA = 2;
const released = () =>
  void bench.write({ words: 'pressure let go', step: 'hold', set: { 'pressure.releasedMin': bench.minutesNow() } });
const askFirst = () => {
  if (early.value) asking.value = true;
  else bleeding.value = true;
};
const pass = (reason: string) => {
  asking.value = false;
  bleeding.value = true;
  void bench.write({
    words: 'let go early',
    add: [bench.reasonFor('pressure.releasedMin', reason)],
  });
};
</script>

<template>
  <div class="hold" data-test="hold">
    <BigNumber :label="left > 0 ? 'Hold another' : 'Held, longer by'" :value="countdown(Math.abs(left))" />
    <p class="told">
      Gauge
      <strong class="figures">{{
        gauge?.silent ? 'does not answer' : kPa === null ? '–' : units.say(kPa, 'kPa')
      }}</strong><SimulatedMark :stand-in="gauge?.device.standIn === true" />.
      <template v-if="cardEnds !== null">Card: until {{ sayMinutes(cardEnds) }} after the parts met. </template
      ><template v-if="slabEnds !== null"
        >{{ mould ? 'The last of the piece' : 'The cup' }} gels at {{ sayMinutes(slabEnds) }} by the model.</template
      >
    </p>
    <p v-if="trend?.leaking" class="bad" role="alert" data-test="leak">
      It loses {{ units.say(-trend.kPaPerMin, 'kPa') }} a minute<template v-if="trend.belowInMin !== null"
        >: below the card in {{ sayMinutes(trend.belowInMin) }}</template
      >. Listen at valve and gasket; top it up, never over the rating.
    </p>
    <template v-if="bleeding">
      <p class="bleed">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" /> Bleed slowly to zero. The lid stays on while the
        gauge shows anything: <strong class="figures">{{ kPa === null ? '?' : units.say(kPa, 'kPa') }}</strong>.
      </p>
      <div class="actions">
        <DoButton
          words="At zero, lid open"
          k="Enter"
          :disabled="kPa !== null && kPa > ZERO_KPA"
          @do="released"
        /><DoButton words="Close the valve again" quiet @do="bleeding = false" />
      </div>
    </template>
    <ReasonBox
      v-else-if="asking"
      :what="`It is to be held another ${sayMinutes(left)}.`"
      @reason="pass"
      @cancel="asking = false"
    />
    <div v-else class="actions">
      <DoButton :words="early ? 'Let go early' : 'Bleed the vessel'" k="Enter" :danger="early" @do="askFirst" />
    </div>
  </div>
</template>

<style scoped>
.hold {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.told {
  font-size: 1.2rem;
}
.bad {
  color: var(--outside);
  font-weight: 700;
  font-size: 1.15rem;
}
.bleed {
  font-size: 1.25rem;
  background: var(--caution-ground);
  border-left: 6px solid var(--caution-edge);
  padding: var(--space-3);
}
.actions {
  display: flex;
  gap: var(--space-4);
}
</style>
