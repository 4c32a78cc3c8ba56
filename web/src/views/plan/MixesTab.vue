<script setup lang="ts">
import { lightPlan, oneCup, sayMinutes } from '@warm-jar/core';
import { computed } from 'vue';
import { useProducts } from '../../stores/products';
import { useUnits } from '../../stores/units';
import CautionNote from '../../components/CautionNote.vue';
import PlanNumber from './PlanNumber.vue';
import { usePlanContext } from './usePlan';

/** When one cup is used up slowly: how much to mix at once. For light-cured resin: layers, lamp and what lies below. */
const { store, product, request, plan, built } = usePlanContext();
const products = useProducts();
const units = useUnits();
const rate = computed(() => store.form.useGPerMin);
const cups = computed(() =>
  request.value && rate.value !== null && rate.value > 0 ? oneCup(request.value, rate.value, units.say) : null,
);
const isLight = computed(() => product.value?.family === 'uv-acrylate');
const light = computed(() =>
  product.value && isLight.value && built.value?.fill.depthMm
    ? lightPlan(
        product.value,
        built.value.fill.depthMm,
        built.value.gear.lamp?.irradianceMWPerCM2 ?? null,
        products.bySlug.get(store.form.baseSlug ?? '') ?? null,
      )
    : null,
);
</script>

<template>
  <section class="card stack" :aria-label="isLight ? 'Under the lamp' : 'How many mixes'">
    <template v-if="isLight">
      <p v-if="!light" class="quiet">Give the depth, and a card that states penetration depth and critical dose.</p>
      <template v-else>
        <p class="told" data-test="light">
          <strong>{{ light.layers === 1 ? 'One layer' : `${light.layers} layers` }}</strong> of
          <strong class="figures">{{ units.say(light.layerMm, 'mm') }}</strong>; at most
          {{ units.say(light.layerMaxMm, 'mm') }} cure through with reserve. Each takes
          {{ Math.round(light.doseMJPerCM2) }} mJ/cm²<template v-if="light.lampMin !== null"
            >: <strong class="figures">{{ sayMinutes(light.lampMin) }}</strong> under {{ built?.gear.lamp?.name }} at
            {{ built?.gear.lamp?.irradianceMWPerCM2 }} mW/cm², {{ sayMinutes(light.lampTotalMin ?? 0) }} in
            all</template
          >.
        </p>
        <p v-if="light.base" class="base">{{ light.base }}</p>
        <p v-else class="small quiet">Name the base below, if there is one, to see what the same light does to it.</p>
        <p class="small quiet">
          Colour shortens how deep the light goes: try a coloured mix in a drop first. What light does not reach never
          cures.
        </p>
      </template>
      <CautionNote :product="product" stage="watch" />
    </template>
    <template v-else>
      <div class="rate">
        <PlanNumber field="useGPerMin" label="Used up at" unit="g/min" otherwise="poured in one go" />
      </div>
      <p v-if="rate === null" class="quiet">
        For a coat that is spread, a laminate that is wetted or several moulds from one cup: say how fast the resin is
        used.
      </p>
      <p v-else-if="!cups" class="bad">
        Pot life is not known, or too short for even a gram at that rate: a slower product, cooler resin.
      </p>
      <p v-else class="told" data-test="mixes">
        <strong>{{ cups.mixes === 1 ? 'One mix' : `${cups.mixes} mixes` }}</strong> of
        <strong class="figures">{{ units.say(cups.eachG, 'g') }}</strong>: each is used up in
        {{ sayMinutes(cups.useMin) }} of a pot life of {{ sayMinutes(cups.potLifeMin) }}. At most
        {{ units.say(cups.mostAtOnceG, 'g') }} at once of the {{ units.say(plan?.mixedMassG ?? 0, 'g') }}.
      </p>
      <p class="small quiet">
        A bigger cup heats itself sooner, so the most at once is less than the rate alone would say. A tenth of pot life
        is kept back.
      </p>
    </template>
  </section>
</template>

<style scoped>
.rate {
  max-width: 13.75rem;
}
.told {
  font-size: 1.12rem;
}
.base {
  border-left: 5px solid var(--caution-edge);
  padding-left: var(--space-3);
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
</style>
