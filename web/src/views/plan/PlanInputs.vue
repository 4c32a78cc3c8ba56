<script setup lang="ts">
import { ROUTES, cardRoute } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import { InTurn } from '../../components/InTurn';
import SimulatedMark from '../../components/SimulatedMark.vue';
import { inWords } from '../../components/words';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import ColourInputs from './ColourInputs.vue';
import FillInputs from './FillInputs.vue';
import GearInputs from './GearInputs.vue';
import PlanChoice from './PlanChoice.vue';
import PlanNumber from './PlanNumber.vue';
import { usePlanContext } from './usePlan';
import { useRoomSensor } from './useRoomSensor';

/** Everything that a plan is made from. What is left empty is taken from the card or from habit, and said so. */
const { store, product, plan } = usePlanContext();
const products = useProducts();
const shelf = useShelf();
const { read, reading, simulated, problem } = useRoomSensor((values) => {
  store.set(values);
});
const cards = computed(() => products.cards.map((c) => ({ value: c.slug, words: c.name })));
const routes = computed(() =>
  ROUTES.map((value) => ({
    value,
    words: `${inWords(value)}${product.value && cardRoute(product.value) === value ? " (the card's)" : ''}`,
  })),
);
const inclusions = computed(() => shelf.inclusions.map(({ item }) => ({ value: item.code, words: item.what })));
const bases = computed(() =>
  products.cards.filter((c) => c.slug !== product.value?.slug).map((c) => ({ value: c.slug, words: c.name })),
);
const assumed = (field: string) => plan.value?.assumed.find((a) => a.field === field)?.says ?? null;
</script>

<template>
  <div class="inputs">
    <section class="card stack" aria-label="What">
      <PlanChoice
        id="productSlug"
        label="Product"
        :value="store.form.productSlug"
        :options="cards"
        placeholder="Choose the product"
        filter
        @change="store.set({ productSlug: $event })"
      />
      <InTurn><FillInputs /></InTurn>
    </section>
    <InTurn>
      <section class="card stack" aria-label="Conditions">
        <div class="row spread">
          <h2>Now</h2>
          <Button :loading="reading" severity="secondary" label="Read the sensor" @click="read" /><SimulatedMark
            :stand-in="simulated"
          />
        </div>
        <p v-if="problem" class="small error" role="alert">{{ problem }}</p>
        <div class="two">
          <PlanNumber field="roomC" label="Room" unit="°C" :otherwise="assumed('conditions.roomC')" /><PlanNumber
            field="humidityPct"
            label="Damp"
            unit="%"
            otherwise="not said"
          /><PlanNumber field="resinC" label="Resin" unit="°C" :otherwise="assumed('conditions.resinC')" /><PlanNumber
            field="mouldC"
            label="Mould"
            unit="°C"
            otherwise="as the room"
          />
        </div>
      </section>
    </InTurn>
    <InTurn>
      <section class="card stack" aria-label="Colour and inclusion">
        <ColourInputs />
        <PlanNumber
          v-if="product?.ratio.catalyst"
          field="catalystPct"
          label="Catalyst"
          unit="%"
          :otherwise="
            plan?.catalystPct == null ? null : `${plan.catalystPct.toFixed(2)} %, for this room and thickness`
          "
        />
        <PlanChoice
          id="inclusionCode"
          label="Cast in"
          :value="store.form.inclusionCode"
          :options="inclusions"
          placeholder="nothing"
          clearable
          @change="store.set({ inclusionCode: $event })"
        />
        <PlanChoice
          v-if="product?.family === 'uv-acrylate'"
          id="baseSlug"
          label="Base below"
          :value="store.form.baseSlug"
          :options="bases"
          placeholder="nothing below"
          clearable
          @change="store.set({ baseSlug: $event })"
        />
      </section>
    </InTurn>
    <InTurn>
      <section class="card stack" aria-label="Air and handling">
        <PlanChoice
          id="route"
          label="Air"
          :value="store.form.route"
          :options="routes"
          :placeholder="product ? `${inWords(cardRoute(product))} (the card's)` : 'as the card says'"
          clearable
          @change="store.set({ route: $event as typeof store.form.route })"
        />
        <div class="two">
          <PlanNumber
            field="stirMin"
            label="Stir"
            unit="min"
            :otherwise="assumed('handling.stirMin')?.replace('stir taken ', '')"
          /><PlanNumber
            field="restMin"
            label="Rest or vacuum"
            unit="min"
            :otherwise="assumed('handling.restMin')?.replace(/^.* taken as /, '')"
          /><PlanNumber
            field="pourMin"
            label="Pour"
            unit="min"
            :otherwise="assumed('handling.pourMin')?.replace('pour taken as ', '')"
          /><PlanNumber
            field="loadMin"
            label="Load the vessel"
            unit="min"
            :otherwise="assumed('handling.loadMin')?.replace('loading the vessel taken as ', '')"
          /><PlanNumber field="pourFromC" label="Pour from" unit="°C" otherwise="as it is" /><PlanNumber
            field="pourToC"
            label="Pour up to"
            unit="°C"
            otherwise="as it is"
          />
        </div>
      </section>
    </InTurn>
    <InTurn><GearInputs /></InTurn>
    <InTurn><Button label="Start a new plan" severity="secondary" text @click="store.clear()" /></InTurn>
  </div>
</template>

<style scoped>
.inputs {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.inputs .card {
  padding: var(--space-3);
  gap: var(--space-3);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-3);
  align-items: start;
}
.error {
  color: var(--outside);
  font-weight: 600;
}
/* On a tablet the questions stand side by side, so that the answer is not a scroll away. */
@media (max-width: 62.5em) {
  .inputs {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    align-items: start;
  }
}
@media (max-width: 38.75em) {
  .inputs {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
