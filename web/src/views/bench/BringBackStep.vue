<script setup lang="ts">
import { mixMasses, overpourAdvice } from '@warm-jar/core';
import { computed, ref } from 'vue';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import { usedCupML } from './usedCup';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { useBenchContext } from '../../run/useBench';

/** One part came out too much: what to add to which, whether the cup holds it, and when starting again is cheaper. */
const bench = useBenchContext();
const units = useUnits();
const shelf = useShelf();
const asking = ref(false);
const masses = computed(() =>
  bench.product.value && bench.batch.value ? mixMasses(bench.product.value, bench.batch.value) : null,
);
const advice = computed(() =>
  bench.product.value && masses.value?.massAG && masses.value.massBG
    ? overpourAdvice(
        bench.product.value,
        masses.value.massAG,
        masses.value.massBG,
        usedCupML(
          bench.plan.value,
          shelf.gear.map((g) => g.item),
        ),
        bench.plan.value?.mixedMassG ?? null,
      )
    : null,
);
const shown = computed(() => bench.devices.shown('scale', 'scale'));
const addedG = computed(() =>
  shown.value?.value == null ? null : Math.max(0, shown.value.value - (bench.batch.value?.bench?.tareG ?? 0)),
);
const path = computed(() => (advice.value?.fix.part === 'A' ? 'mix.amountA' : 'mix.amountB'));
function added(g: number) {
  const before = advice.value?.fix.part === 'A' ? masses.value?.massAG : masses.value?.massBG;
  if (before == null || !advice.value || g <= 0) return;
  const tare = shown.value?.value == null ? {} : { 'bench.tareG': Math.round(shown.value.value * 10) / 10 };
  void bench.write({
    words: `${units.say(g, 'g')} of ${advice.value.fix.part ?? ''} added`,
    step: 'bring-back',
    set: { [path.value]: Math.round((before + g) * 100) / 100, ...tare },
  });
}
const letStand = (reason: string) => {
  asking.value = false;
  void bench.write({
    words: 'ratio let stand',
    add: [{ path: 'bench.reasons', value: { field: 'mix.ratioErrorPct', reason, atMin: bench.minutesNow() } }],
  });
};
</script>

<template>
  <div v-if="advice" class="fix" data-test="bring-back">
    <BigNumber :label="`Add to ${advice.fix.part}`" :value="units.say(advice.fix.addG, 'g')" tone="over" />
    <p class="told">
      The ratio is off by <strong class="figures">{{ advice.fix.errorPct.toFixed(1) }} %</strong>;
      {{ advice.tolerance.from === 'card' ? 'the card allows' : 'this family bears' }} ±{{
        advice.tolerance.pct.toFixed(1)
      }}
      %. Bringing it back makes <strong class="figures">{{ units.say(advice.fix.totalG, 'g') }}</strong><template
        v-if="advice.surplusG > 1"
        >, {{ units.say(advice.surplusG, 'g') }} more than wanted</template
      >.
      <template v-if="advice.fits === false">
        <strong class="bad">The cup does not hold it: go on in a bigger one.</strong></template
      ><template v-else-if="advice.fits"> The cup holds it.</template>
    </p>
    <p v-if="advice.restartCheaper" class="bad" role="alert">
      Starting again is cheaper: it takes more to bring back than there is in the cup.
    </p>
    <p v-if="addedG !== null" class="figures">On the scale since: {{ units.say(addedG, 'g') }}</p>
    <div class="actions">
      <DoButton
        v-if="addedG !== null && addedG > 0.5"
        :words="`Added ${units.say(addedG, 'g')}`"
        k="Enter"
        @do="added(addedG)"
      />
      <DoButton v-else :words="`Added just that`" k="Enter" @do="added(advice.fix.addG)" />
      <DoButton words="Let it stand" quiet @do="asking = true" />
    </div>
    <ReasonBox v-if="asking" what="The ratio is outside its tolerance." @reason="letStand" @cancel="asking = false" />
  </div>
</template>

<style scoped>
.fix {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
}
.told {
  font-size: 1.15rem;
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
.actions {
  display: flex;
  gap: var(--space-4);
  flex-wrap: wrap;
}
</style>
