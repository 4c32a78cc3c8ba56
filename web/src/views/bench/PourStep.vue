<script setup lang="ts">
import { computed } from 'vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import { DustedPowder } from './laterParts';
import OfferedFigure from './OfferedFigure.vue';
import PourTicks from './PourTicks.vue';
import PourWindow from './PourWindow.vue';
import SplitCups from './SplitCups.vue';
import SaidChoice from './SaidChoice.vue';
import { YES_NO } from './yesNo';

/** Pours within pot life, or within a window of temperature that is waited for. */
const bench = useBenchContext();
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
/** A reading older than this is not the temperature it was poured at, min. */
const FRESH_MIN = 1;
const begin = () => {
  const at = bench.minutesNow();
  const last = (bench.batch.value?.readings ?? []).findLast((r) => r.what === 'resin');
  const fresh = last?.value != null && last.atMin != null && at !== null && at - last.atMin <= FRESH_MIN;
  void bench.write({
    words: 'pour begun',
    set: { 'pour.startedMin': at, ...(fresh ? { 'resin.atPourC': last.value } : {}) },
  });
};
const done = () => void bench.write({ words: 'poured', step: 'pour', set: { 'pour.finishedMin': bench.minutesNow() } });
/** Until it is poured, and where there is something to split. */
const canSplit = computed(
  () => started.value === null && !bench.lightCured.value && (bench.batch.value?.cups ?? []).length === 0,
);
const label = computed(() => {
  if (bench.lightCured.value) return 'Out of the light until it lies as it should';
  if (left.value === null) return 'Pot life is not known';
  return left.value < 0 ? 'Too late by' : 'Pour within';
});
</script>

<template>
  <div class="pour" data-test="pour">
    <BigNumber
      :label="label"
      :value="left === null ? '–' : countdown(Math.abs(left))"
      :tone="left !== null && left < 0 ? 'over' : 'plain'"
    />
    <p class="quiet">
      Thin stream, into the lowest or the highest point, tilting so that corners fill. What is scraped goes nowhere near
      the mould.
    </p>
    <div class="actions">
      <DoButton v-if="started === null" words="Begin to pour" k="Enter" @do="begin" />
      <DoButton v-else words="Poured" k="Enter" @do="done" />
    </div>
    <SplitCups v-if="canSplit" />
    <PourTicks v-if="started !== null" done="pouredMin" />
    <DustedPowder v-if="started === null" />
    <PourWindow v-if="started === null && !bench.lightCured.value" drawn />
    <template v-if="started !== null">
      <OfferedFigure path="pour.depthMm" unit="mm" k="d" :planned="depthMm" />
      <SaidChoice path="pour.scrapedCup" k="c" :options="YES_NO" />
      <SaidChoice path="pour.tilted" k="g" :options="YES_NO" />
      <OfferedFigure path="pour.leftG" unit="g" k="j" :planned="null" />
    </template>
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
