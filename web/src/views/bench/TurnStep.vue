<script setup lang="ts">
import { computed, watch } from 'vue';
import OfferedFigure from './OfferedFigure.vue';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import { countdown } from '../../run/countdown';
import { turnNow } from './turning';
import { useBenchContext } from '../../run/useBench';

/** Hollow castings: the mould is turned over both axes until the witness sets. */
const bench = useBenchContext();
const since = computed(() => (bench.nowMin.value ?? 0) - (bench.batch.value?.pour?.finishedMin ?? 0));
const turn = computed(() => turnNow(since.value));
const left = computed(() =>
  bench.clock.value?.gelsMin == null || bench.nowMin.value === null
    ? null
    : bench.clock.value.gelsMin - bench.nowMin.value,
);
watch(
  () => turn.value.number,
  (n) => {
    if (n > 0) bench.signals.give(`turn ${n}`, 'note', `Turn ${turn.value.axis}`);
  },
);
const set = () =>
  void bench.write({ words: 'witness set', step: 'turn', set: { 'witness.setMin': bench.minutesNow() } });
</script>

<template>
  <div class="turn" data-test="turn">
    <BigNumber :label="`Turn ${turn.axis}`" :value="countdown(turn.leftMin)" />
    <svg viewBox="0 0 120 80" class="picture" role="img" :aria-label="`Turn ${turn.axis}`">
      <rect x="35" y="20" width="50" height="40" rx="4" class="mould" />
      <path v-if="turn.axis === 'end over end'" d="M60 6 A34 34 0 1 1 59 6" class="way" />
      <path v-else d="M14 40 A46 16 0 1 1 14 41" class="way" />
    </svg>
    <p class="quiet">
      Evenly, without stopping, until the leftover in the cup has set<template v-if="left !== null">
        (by the model in {{ countdown(Math.max(0, left)) }})</template
      >.
    </p>
    <p class="small quiet">
      What runs out again and what stays in the cup, weighed together: the mould learns from it.
    </p>
    <OfferedFigure path="pour.leftG" unit="g" k="d" :planned="null" />
    <div class="actions"><DoButton words="The witness has set" k="Enter" @do="set" /></div>
  </div>
</template>

<style scoped>
.turn {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.picture {
  width: 11.25rem;
}
.mould {
  fill: var(--part-a);
}
.way {
  fill: none;
  stroke: var(--action);
  stroke-width: 3;
  stroke-dasharray: 6 4;
}
</style>
