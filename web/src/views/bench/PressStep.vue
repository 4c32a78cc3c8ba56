<script setup lang="ts">
import { gaugeTrend, type GaugePoint } from '@warm-jar/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import AskBox from './AskBox.vue';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import SimulatedMark from '../../components/SimulatedMark.vue';
import { readingOf } from '../../run/readingOf';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';

/** Up slowly to pressure, while it is still liquid. */
const bench = useBenchContext();
const units = useUnits();
const typed = bench.typed('gauge');
const gauge = computed(() => bench.devices.shown('vessel-gauge', 'gauge'));
const targetKPa = computed(() => bench.plan.value?.pressureKPa ?? bench.product.value?.pressure?.minKPa ?? null);
const now = computed(() => typed.value ?? gauge.value?.value ?? null);
const left = computed(() =>
  bench.due.value.pressureByMin === null || bench.nowMin.value === null
    ? null
    : bench.due.value.pressureByMin - bench.nowMin.value,
);
/** The gauge over the last moments, for how fast it climbs; faster than this it splashes, kPa/min. */
const [SPAN_MIN, TOO_FAST] = [0.4, 900];
const points = shallowRef<readonly GaugePoint[]>([]);
watch(now, (kPa) => {
  const at = bench.minutesNow();
  if (kPa !== null && at !== null)
    points.value = [...points.value.filter((p) => p.atMin > at - SPAN_MIN), { atMin: at, kPa }];
});
const rate = computed(() => gaugeTrend(points.value, 0, 0)?.kPaPerMin ?? null);
/** Full pressure is told from the gauge within its flicker. */
const REACHED = 0.985;
/** Lower than this share of what was planned it is asked about before it is taken for full pressure. */
const NEAR = 0.9;
const asking = ref(false);
async function reached(kPa: number): Promise<void> {
  const from = typed.value === null ? gauge.value : null;
  [typed.value, asking.value] = [null, false];
  const whole = Math.round(kPa);
  await bench.write({
    words: `at ${units.say(kPa, 'kPa')}`,
    step: 'press',
    set: { 'pressure.gaugeKPa': whole, 'pressure.reachedMin': bench.minutesNow() },
    add: from === null ? [] : [readingOf(bench.minutesNow(), 'gauge', whole, 'kPa', from)],
  });
}
function take(): void {
  const kPa = now.value;
  if (kPa === null || kPa <= 0) return;
  if (targetKPa.value !== null && kPa < targetKPa.value * NEAR) asking.value = true;
  else void reached(kPa);
}
watch(now, (kPa) => {
  const there = kPa !== null && targetKPa.value !== null && kPa >= targetKPa.value * REACHED;
  if (!there || typed.value !== null || bench.batch.value?.pressure?.reachedMin != null) return;
  bench.signals.give('reached', 'note', 'At pressure');
  void reached(kPa);
});
watch(left, (l) => {
  if (l !== null && l < 0.5)
    bench.signals.give('gelling', 'stop', l < 0 ? 'Gelled before full pressure' : 'Half a minute to gel');
});
</script>

<template>
  <div class="press" data-test="press">
    <BigNumber
      :label="targetKPa === null ? 'On the gauge' : `Up to ${units.say(targetKPa, 'kPa')}`"
      :value="gauge?.silent && typed === null ? '?' : now === null ? '–' : units.say(now, 'kPa')"
    />
    <SimulatedMark :stand-in="gauge?.device.standIn === true" />
    <p v-if="gauge?.silent" class="bad">{{ gauge.says ?? 'The gauge does not answer.' }} Read it and type it in.</p>
    <p class="told">
      <template v-if="left !== null">{{
        left < 0
          ? `By the model it gelled ${countdown(-left)} ago: pressing still holds it, but bubbles stay.`
          : `It gels in ${countdown(left)}.`
      }}</template>
      Open the valve slowly, so that nothing splashes.
    </p>
    <p v-if="rate !== null && rate > TOO_FAST" class="bad">
      Slower: at {{ units.say(Math.round(rate), 'kPa') }} a minute it splashes.
    </p>
    <AskBox
      v-if="asking && now !== null && targetKPa !== null"
      :what="`${units.say(now, 'kPa')} of ${units.say(targetKPa, 'kPa')}: is that all the pressure it gets?`"
      :yes="`Yes, held at ${units.say(now, 'kPa')}`"
      @yes="reached(now)"
      @no="asking = false"
    />
    <div v-else class="actions">
      <DoButton
        :words="now === null ? 'At pressure' : `At pressure, ${units.say(now, 'kPa')}`"
        k="Enter"
        :disabled="now === null || now <= 0"
        @do="take"
      /><TypedFigure
        id="bench-gauge"
        v-model="typed"
        unit="kPa"
        words="gauge by eye"
        label="Gauge by eye"
        @enter="take"
      />
    </div>
  </div>
</template>

<style scoped>
.press {
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
}
.actions {
  display: flex;
  gap: var(--space-4);
  align-items: flex-end;
}
.typed {
  display: flex;
  flex-direction: column;
  gap: 3px;
  width: 11rem;
}
</style>
