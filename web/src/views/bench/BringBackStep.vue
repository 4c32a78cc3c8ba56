<script setup lang="ts">
import { cupHeadroom, mixMasses, overpourAdvice } from '@warm-jar/core';
import { computed, ref } from 'vue';
import { useUnits } from '../../stores/units';
import { readingOf } from '../../run/readingOf';
import { plannedCupML } from './plannedCup';
import ScaleChoice from './ScaleChoice.vue';
import SimulatedMark from '../../components/SimulatedMark.vue';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { useBenchContext } from '../../run/useBench';

/** One part came out too much: what to add to which, whether the cup holds it, and when starting again is cheaper. */
const bench = useBenchContext();
const units = useUnits();
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
        plannedCupML(bench.plan.value),
        bench.plan.value?.mixedMassG ?? null,
        bench.plan.value ? cupHeadroom(bench.plan.value.route) : 1,
      )
    : null,
);
/** Less on the scale than this was not added, g. */
const ADDED_G = 0.5;
const typed = bench.typed('added');
/** Only what the scale saw come on, or what was typed: what is asked for is not yet there. */
const addedG = computed(() => typed.value ?? bench.scale.netG.value);
const settled = computed(() => typed.value !== null || bench.scale.shown.value?.settled === true);
const path = computed(() => (advice.value?.fix.part === 'A' ? 'mix.amountA' : 'mix.amountB'));
/** The part that is added to, and how much of it is in the cup. */
const part = computed(() => {
  const name = advice.value?.fix.part ?? null;
  const massG = (name === 'A' ? masses.value?.massAG : masses.value?.massBG) ?? null;
  return name === null || massG === null ? null : { name, massG };
});
const isThere = computed(() => addedG.value !== null && addedG.value >= ADDED_G && settled.value);
async function added(): Promise<void> {
  const g = addedG.value;
  if (!part.value || g === null || !isThere.value) return;
  const { name, massG } = part.value;
  const stands = bench.scale.shown.value;
  const from = typed.value === null ? stands : null;
  typed.value = null;
  await bench.write({
    words: `${units.say(g, 'g')} of ${name} added`,
    step: 'bring-back',
    set: {
      [path.value]: Math.round((massG + g) * 100) / 100,
      ...(stands?.value == null ? {} : { 'bench.tareG': stands.value }),
    },
    add: from?.value == null ? [] : [readingOf(bench.minutesNow(), 'scale', from.value, 'g', from)],
  });
}
const letStand = (reason: string) => {
  asking.value = false;
  void bench.write({
    words: 'ratio let stand',
    add: [bench.reasonFor('mix.ratioErrorPct', reason)],
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
    <ScaleChoice />
    <p v-if="bench.scale.netG.value !== null" class="figures">
      On the scale since: {{ units.say(bench.scale.netG.value, 'g') }}
      <SimulatedMark :stand-in="bench.scale.shown.value?.device.standIn === true" />
    </p>
    <div v-if="!asking" class="actions">
      <DoButton
        :words="
          addedG === null || addedG < ADDED_G ? 'Add it, then take what was added' : `Added ${units.say(addedG, 'g')}`
        "
        k="Enter"
        :disabled="!isThere"
        @do="added"
      />
      <DoButton words="Let it stand" quiet @do="asking = true" />
      <TypedFigure
        id="bench-added"
        v-model="typed"
        unit="g"
        words="added, typed"
        label="Added, as read by eye"
        @enter="added"
      />
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
