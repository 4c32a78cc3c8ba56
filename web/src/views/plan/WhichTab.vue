<script setup lang="ts">
import { CLARITIES, isVacuumed, sayMinutes, type FitVerdict, type FitRequest, type ProductFit } from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import Button from 'primevue/button';
import ToggleSwitch from 'primevue/toggleswitch';
import { computed, onUnmounted, ref, shallowRef, watch } from 'vue';
import { inWords } from '../../components/words';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import { planWorker } from '../../workers/planInWorker';
import PlanChoice from './PlanChoice.vue';
import PlanNumber from './PlanNumber.vue';
import { fitRequest } from './fitRequest';
import { usePlanContext } from './usePlan';

/** Every product of the shelf held against what is to be made, each with its reasons. */
const { store, built, plan, prices } = usePlanContext();
const products = useProducts();
const shelf = useShelf();
const units = useUnits();
const fits = shallowRef<readonly ProductFit[]>([]);
const working = ref(false);
const problem = ref<string | null>(null);
const clarities = CLARITIES.map((value) => ({ value, words: inWords(value) }));
const wish = computed<FitRequest | null>(() =>
  built.value ? fitRequest(built.value, store.form, shelf, prices.value) : null,
);
const worker = planWorker();
onUnmounted(() => {
  worker.close();
});
const ask = useDebounceFn(async () => {
  if (!wish.value) return;
  working.value = true;
  const outcome = await worker.run(
    { kind: 'fits', products: products.cards, wish: wish.value, units: units.choice },
    () => undefined,
  );
  if (outcome === null) return;
  working.value = false;
  if ('failure' in outcome) problem.value = outcome.failure;
  else [fits.value, problem.value] = [outcome.result as readonly ProductFit[], null];
}, 200);
watch(
  [wish, () => products.cards, () => units.choice],
  () => {
    void ask();
  },
  { immediate: true },
);
const WORDS: Record<FitVerdict, string> = { fits: 'Fits', layers: 'Fits in layers', 'does-not': 'Does not' };
const pressed = computed(() => plan.value && isVacuumed(plan.value.route));
</script>

<template>
  <section class="card stack" aria-label="Which product">
    <div class="wishes">
      <PlanChoice
        id="clarity"
        label="Clarity at least"
        :value="store.form.clarity"
        :options="clarities"
        placeholder="any"
        clearable
        @change="store.set({ clarity: $event as typeof store.form.clarity })"
      />
      <PlanNumber field="waitH" label="Out of the mould within" unit="h" otherwise="no hurry" />
      <PlanNumber field="leastShoreD" label="Shore D at least" unit="" otherwise="any" />
      <label class="sun"
        ><ToggleSwitch
          :model-value="store.form.sun"
          input-id="plan-sun"
          aria-label="Will stand in the sun"
          @update:model-value="store.set({ sun: $event })"
        />
        <span>will stand in the sun</span></label
      >
    </div>
    <p v-if="!wish" class="quiet">Say what is to be filled first.</p>
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <p v-if="working" class="quiet small" aria-live="polite">Looking through the shelf …</p>
    <ul v-if="wish" class="fits" :aria-busy="working || pressed === null">
      <li v-for="f in fits" :key="f.product.slug" :class="f.verdict" :data-fit="f.product.slug">
        <div>
          <strong class="verdict">{{ WORDS[f.verdict] }}</strong><strong class="name">{{ f.product.name }}</strong
          ><span class="small quiet"
            >{{ inWords(f.product.family)
            }}<template v-if="f.product.clarity">, {{ inWords(f.product.clarity) }}</template></span
          >
        </div>
        <ul class="small reasons">
          <li v-for="r in f.reasons" :key="r.says" :class="r.tells">{{ r.says }}</li>
        </ul>
        <div class="small figures facts">
          <span v-if="f.readyH !== null && f.verdict !== 'does-not'">out after {{ sayMinutes(f.readyH * 60) }}</span
          ><span v-if="f.cost !== null && f.verdict !== 'does-not'">costs {{ units.price(f.cost) }}</span>
        </div>
        <Button
          v-if="f.product.slug !== store.form.productSlug && f.verdict !== 'does-not'"
          label="Plan with it"
          severity="secondary"
          @click="store.set({ productSlug: f.product.slug, route: null, round: null })"
        /><span v-else class="small quiet">{{ f.product.slug === store.form.productSlug ? 'planned' : '' }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.wishes {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(9.375rem, 100%), 1fr));
  gap: var(--space-3);
  align-items: start;
}
.sun {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding-top: 22px;
}
.fits > li {
  display: grid;
  grid-template-columns: 12rem minmax(0, 1fr) 9.5rem 8rem;
  gap: var(--space-4);
  padding: var(--space-3) 0;
  border-top: 1px solid var(--card-edge);
  align-items: center;
}
.fits > li > div:first-child {
  display: flex;
  flex-direction: column;
  line-height: 1.25;
}
.verdict {
  color: var(--action);
}
.layers .verdict {
  color: var(--near);
}
.does-not .verdict {
  color: var(--outside);
}
.does-not .name {
  color: var(--text-quiet);
}
.against {
  color: var(--outside);
}
.care {
  color: var(--near);
}
.facts {
  display: flex;
  flex-direction: column;
}
.bad {
  color: var(--outside);
}
@media (max-width: 65.625em) {
  .fits > li {
    grid-template-columns: 10rem minmax(0, 1fr);
  }
}
</style>
