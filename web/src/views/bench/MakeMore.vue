<script setup lang="ts">
import { CoreError, canMakeMore, makeMore, targetTotalG, type MoreTold } from '@warm-jar/core';
import { computed, ref } from 'vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';
import { useUnits } from '../../stores/units';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import { plannedCupML } from './plannedCup';

/** Too little in the cup, seen while weighing: new targets for both parts from what is already in. */
const bench = useBenchContext();
const units = useUnits();
const open = ref(false);
const moreG = ref<number | null>(null);
const possible = computed(() => {
  const step = bench.step.value;
  const weighing =
    step === 'weigh-a' || step === 'weigh-b' || step === 'bring-back' || step === 'colour' || step === 'stir';
  return weighing && bench.batch.value !== null && canMakeMore(bench.batch.value);
});
const nowG = computed(() => (bench.batch.value ? targetTotalG(bench.batch.value) : null));
/** Poured but not taken yet, g: it is in the cup all the same. Less is the scale's own play. */
const POURED_G = 1;
const pouring = computed(() => {
  const net = bench.scale.netG.value;
  return bench.step.value === 'weigh-b' && net !== null && net > POURED_G ? Math.round(net * 100) / 100 : null;
});
const moving = computed(() => pouring.value !== null && bench.scale.shown.value?.settled === false);
const inCup = computed(() => {
  const { amountA, amountB } = bench.batch.value?.mix ?? {};
  return { aG: amountA ?? 0, bG: (amountB ?? 0) + (pouring.value ?? 0) };
});
const told = computed<MoreTold | null>(() => {
  const { product, batch } = { product: bench.product.value, batch: bench.batch.value };
  if (!product || !batch || moreG.value === null || moreG.value <= 0) return null;
  const now = nowG.value ?? inCup.value.aG + inCup.value.bG;
  try {
    return makeMore(product, batch, now + moreG.value, inCup.value, plannedCupML(bench.plan.value));
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
});
const CUP: Record<MoreTold['cup'], (t: MoreTold) => string> = {
  fits: (t) => `The cup holds ${units.say(t.cupML ?? 0, 'mL')}; this is ${units.say(t.liquidML, 'mL')}.`,
  'no-headroom': (t) =>
    `The cup holds ${units.say(t.cupML ?? 0, 'mL')}; with ${units.say(t.liquidML, 'mL')} in it there is no room to stir, or for foam.`,
  'too-small': (t) => `The cup holds ${units.say(t.cupML ?? 0, 'mL')}; ${units.say(t.liquidML, 'mL')} do not go in.`,
  'not-known': (t) => `No cup was planned: does yours hold ${units.say(t.liquidML, 'mL')}, with room to stir?`,
};
const potWords = computed(() => {
  const t = told.value;
  if (t?.potLifeMin == null) return null;
  const before = t.potLifeBeforeMin === null ? '' : `, it was ${countdown(t.potLifeBeforeMin)}`;
  return `Pot life ${countdown(t.potLifeMin)}${before}, from when the parts met.`;
});
async function make(): Promise<void> {
  const t = told.value;
  if (!t || t.cup === 'too-small' || moving.value) return;
  const { amountA = null, amountB = null } = bench.batch.value?.mix ?? {};
  const round = (g: number) => Math.round(g * 100) / 100;
  // What was poured of B is in the cup: it is written down before A goes on top of it.
  const b = pouring.value === null ? amountB : inCup.value.bG;
  const stands = bench.scale.shown.value?.value ?? null;
  const taken =
    pouring.value === null
      ? {}
      : { 'mix.amountB': b, ...(stands === null ? {} : { 'bench.tareG': stands }), ...bench.met() };
  await bench.write({
    words: `made ${units.say(t.totalG, 'g')} of it`,
    set: taken,
    add: [
      {
        path: 'bench.more',
        value: {
          atMin: bench.minutesNow(),
          massAG: round(t.massAG),
          massBG: t.massBG === null ? null : round(t.massBG),
          totalG: round(t.totalG),
          fromAG: amountA,
          fromBG: b,
        },
      },
    ],
  });
  [open.value, moreG.value] = [false, null];
}
</script>

<template>
  <div v-if="possible" class="more" data-test="make-more">
    <DoButton v-if="!open" words="Make it more" quiet @do="open = true" />
    <section v-else class="box" aria-label="Make it more">
      <div class="row">
        <DoButton v-if="nowG !== null" :words="`Double it, to ${units.say(2 * nowG, 'g')}`" quiet @do="moreG = nowG" />
        <TypedFigure id="bench-more" v-model="moreG" unit="g" words="more, typed" label="How much more" />
        <DoButton words="Leave it" quiet @do="open = false" />
      </div>
      <template v-if="told">
        <p class="told">
          <template v-if="told.addAG > 0"
            >A <strong class="figures" data-test="more-a">{{ units.say(told.addAG, 'g') }}</strong> more, to
            {{ units.say(told.massAG, 'g') }}</template
          ><template v-if="told.addBG !== null"
            >; {{ bench.product.value?.ratio.catalyst ? 'catalyst' : 'B' }}
            <strong class="figures" data-test="more-b">{{ units.say(told.addBG, 'g') }}</strong>, to
            {{ units.say(told.massBG ?? 0, 'g') }}</template
          >: {{ units.say(told.totalG, 'g') }} in all.
        </p>
        <p :class="{ bad: told.cup === 'too-small' || told.cup === 'no-headroom' }" data-test="more-cup">
          {{ CUP[told.cup](told) }}
        </p>
        <p v-if="potWords" data-test="more-pot">{{ potWords }}</p>
        <p v-if="moving" class="bad" role="status">The scale still moves: once more when it stands.</p>
        <DoButton
          words="Make it so"
          :disabled="told.cup === 'too-small' || moving"
          :danger="told.cup === 'no-headroom'"
          @do="make"
        />
      </template>
    </section>
  </div>
</template>

<style scoped>
.more {
  margin-top: auto;
}
.box {
  border: 2px solid var(--action);
  border-radius: var(--radius);
  padding: var(--space-4);
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  align-items: flex-start;
}
.row {
  align-items: flex-end;
  gap: var(--space-4);
}
.told {
  font-size: 1.2rem;
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
</style>
