<script setup lang="ts">
import { pourWindow, resinAhead, sayMinutes } from '@warm-jar/core';
import { computed, defineAsyncComponent, ref } from 'vue';
import type { ChartSpec } from '../../components/chartOption';
import NumberEntry from '../../components/NumberEntry.vue';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';

/** Pours within pot life, or within a window of temperature that is waited for. */
const LineChart = defineAsyncComponent(() => import('../../components/LineChart.vue'));
const bench = useBenchContext();
const units = useUnits();
const [fromC, toC] = [ref<number | null>(null), ref<number | null>(null)];
const started = computed(() => bench.batch.value?.pour?.startedMin ?? null);
const left = computed(() =>
  bench.due.value.pourByMin === null || bench.nowMin.value === null
    ? null
    : bench.due.value.pourByMin - bench.nowMin.value,
);
const depthMm = computed(() => {
  const r = bench.plan.value?.['request'] as { mould?: { depthMm?: number | null } } | undefined;
  return r?.mould?.depthMm ?? null;
});
const window = computed(() =>
  bench.product.value && fromC.value !== null && toC.value !== null && bench.nowMin.value !== null
    ? pourWindow(
        bench.product.value,
        {
          massG: bench.massG.value,
          ...bench.conditions.value,
          readings: bench.batch.value?.readings ?? [],
          mix: bench.mix.value,
          nowMin: bench.nowMin.value,
        },
        { fromC: fromC.value, toC: toC.value },
      )
    : null,
);
const windowWords = computed(() => {
  const w = window.value;
  if (!w || bench.nowMin.value === null) return null;
  if (w.open)
    return `Open now${w.closesMin === null ? '' : `, for another ${sayMinutes(Math.max(0, w.closesMin - bench.nowMin.value))}`}.`;
  if (w.opensMin === null) return 'It does not come to that before pot life ends: warm it, or pour as it is.';
  return bench.nowMin.value < w.opensMin
    ? `Opens in ${sayMinutes(w.opensMin - bench.nowMin.value)}, closes ${w.closesMin === null ? 'with pot life' : `${sayMinutes(w.closesMin - w.opensMin)} later`}.`
    : 'It has closed: pour at once, or not at all.';
});
/** The model's curve with the readings on it, and the window across. */
const curve = computed<ChartSpec | null>(() => {
  if (
    !window.value ||
    !bench.product.value ||
    bench.nowMin.value === null ||
    fromC.value === null ||
    toC.value === null
  )
    return null;
  const t = (c: number) => units.shown(c, '°C');
  const ahead = resinAhead(bench.product.value, {
    massG: bench.massG.value,
    ...bench.conditions.value,
    readings: bench.batch.value?.readings ?? [],
    mix: bench.mix.value,
    nowMin: bench.nowMin.value,
  });
  const read = (bench.batch.value?.readings ?? []).flatMap((r) =>
    r.what === 'resin' && r.atMin != null && r.value != null ? [[r.atMin, t(r.value)] as const] : [],
  );
  return {
    title: 'Mix in the cup',
    x: 'minutes since the parts met',
    y: units.label('°C'),
    marksX: [{ at: bench.nowMin.value, name: 'now' }],
    marksY: [
      { at: t(fromC.value), name: 'from' },
      { at: t(toC.value), name: 'to' },
    ],
    lines: [
      { name: 'by the model', points: ahead.map((p) => [p.atMin, t(p.temperatureC)] as const) },
      { name: 'read', points: read, dots: true },
    ],
  };
});
const begin = () => {
  const lastC = [...(bench.batch.value?.readings ?? [])].reverse().find((r) => r.what === 'resin')?.value ?? null;
  void bench.write({
    words: 'pour begun',
    set: { 'pour.startedMin': bench.minutesNow(), ...(lastC === null ? {} : { 'resin.atPourC': lastC }) },
  });
};
const done = (scrapedCup: boolean) =>
  void bench.write({
    words: 'poured',
    step: 'pour',
    set: {
      'pour.finishedMin': bench.minutesNow(),
      'pour.scrapedCup': scrapedCup,
      ...(depthMm.value === null ? {} : { 'pour.depthMm': depthMm.value }),
    },
  });
</script>

<template>
  <div class="pour" data-test="pour">
    <BigNumber
      :label="left === null ? 'Pot life is not known' : left < 0 ? 'Too late by' : 'Pour within'"
      :value="left === null ? '–' : countdown(Math.abs(left))"
      :tone="left !== null && left < 0 ? 'over' : 'plain'"
    />
    <p class="quiet">
      Thin stream, into the lowest or the highest point, tilting so that corners fill. What is scraped goes nowhere near
      the mould.
    </p>
    <div v-if="started === null" class="row window">
      <span>Waiting for a pour temperature?</span
      ><span class="n"
        ><NumberEntry
          id="bench-from"
          :value="fromC"
          unit="°C"
          label="Pour from"
          @change="
            (v) => {
              fromC = v;
            }
          " /></span
      ><span>to</span
      ><span class="n"
        ><NumberEntry
          id="bench-to"
          :value="toC"
          unit="°C"
          label="Pour up to"
          @change="
            (v) => {
              toC = v;
            }
          " /></span
      ><strong v-if="windowWords" data-test="window">{{ windowWords }}</strong
      ><span v-if="bench.clock.value?.resinNowC != null" class="quiet small"
        >by the model it is {{ units.say(Math.round(bench.clock.value.resinNowC * 10) / 10, '°C') }} now</span
      >
    </div>
    <LineChart v-if="curve" :spec="curve" :height="200" />
    <div class="actions">
      <DoButton v-if="started === null" words="Begin to pour" k="Enter" @do="begin" />
      <template v-else
        ><DoButton words="Poured" k="Enter" @do="done(false)" /><DoButton
          words="Poured, cup scraped into it"
          quiet
          @do="done(true)"
      /></template>
    </div>
  </div>
</template>

<style scoped>
.pour {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.n {
  width: 9rem;
}
.actions {
  display: flex;
  gap: var(--space-4);
}
</style>
