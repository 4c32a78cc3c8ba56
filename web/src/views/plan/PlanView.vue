<script setup lang="ts">
import Button from 'primevue/button';
import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { InTurn } from '../../components/InTurn';
import KeyCap from '../../components/KeyCap.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import SpokenWords from '../../components/SpokenWords.vue';
import EmptyPlace from '../../components/EmptyPlace.vue';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import AirTab from './AirTab.vue';
import MixesTab from './MixesTab.vue';
import MouldTab from './MouldTab.vue';
import PlanCastings from './PlanCastings.vue';
import PlanInputs from './PlanInputs.vue';
import PlanWarnings from './PlanWarnings.vue';
import TimeCard from './TimeCard.vue';
import WarmTab from './WarmTab.vue';
import WeighCard from './WeighCard.vue';
import WhichTab from './WhichTab.vue';
import { changedSinceCopy, fairness } from '../../stores/sinceCopied';
import { planInWords } from './planInWords';
import { useBeginBatch } from './useBeginBatch';
import { providePlan } from './usePlan';

/** Sizes a batch and fits it into its pot life, before anything is mixed. */
const context = providePlan();
const { store, product, plan, problem, issues, built } = context;
const shelf = useShelf();
const products = useProducts();
const units = useUnits();
const route = useRoute();
const router = useRouter();
const { begin, beginning, beginProblem, needed, forbidden, asking } = useBeginBatch(context);
/** An address may name what to plan. */
watch(
  () => route.query,
  (query) => {
    const [slug, mould] = [query['product'], query['mould']];
    if (typeof slug === 'string' && slug !== store.form.productSlug) store.set({ productSlug: slug });
    const [piece, layer, massG, depthMm] = [
      query['piece'],
      Number(query['layer']),
      Number(query['massG']),
      Number(query['depthMm']),
    ];
    if (typeof piece === 'string' && layer > 0) {
      store.set({
        forLayer: { piece, layer },
        ...(massG > 0 ? { fill: 'mass' as const, massG } : {}),
        ...(depthMm > 0 ? { depthMm } : {}),
      });
      // Taken over once: left in the address, it would come back over what is typed with every tab.
      void router.replace({
        query: Object.fromEntries(
          Object.entries(query).filter(([key]) => !['piece', 'layer', 'massG', 'depthMm'].includes(key)),
        ),
      });
    }
    if (typeof mould === 'string' && mould !== store.form.mouldCode)
      store.set({ fill: 'mould', mouldCode: mould, pieces: null, depthMm: null, widthMm: null, thinnestMm: null });
  },
  { immediate: true },
);
const TABS = computed(() => [
  { id: 'mould', words: 'In the mould' },
  { id: 'air', words: 'Air' },
  { id: 'warm', words: 'Warm or not' },
  { id: 'mixes', words: product.value?.family === 'uv-acrylate' ? 'Under the lamp' : 'Mixes' },
  { id: 'which', words: 'Which product' },
]);
const tab = computed(() => {
  const look = route.query['look'];
  return typeof look === 'string' && TABS.value.some((t) => t.id === look) ? look : 'mould';
});
/** What the copy was to change, and what was changed here since. */
const changes = computed(() =>
  [
    ...(store.form.copiedFrom?.changes ?? []).map((c) => c.says),
    ...changedSinceCopy(store.form.copiedAs, store.form),
  ].map((says) => says.replace(/\.$/, '')),
);
const missing = computed(() => Object.values(issues.value)[0] ?? null);
/** Whether all that can be read has been: what could not be is told. */
const isThere = computed(
  () => (products.loaded || products.problem !== null) && (shelf.loaded || shelf.problem !== null),
);
</script>

<template>
  <div class="stack">
    <div class="row spread">
      <h1>Plan a batch</h1>
      <div class="row">
        <Button :disabled="!plan || forbidden.length > 0" :loading="beginning" @click="begin()"
          >Begin this batch <KeyCap k="Ctrl" /><KeyCap k="Enter"
        /></Button>
      </div>
    </div>
    <EmptyPlace v-if="products.loaded && products.cards.length === 0" place="plan" />
    <ProblemNote v-if="beginProblem" :says="beginProblem" />
    <ReasonBox
      v-if="asking && needed.length > 0"
      :what="needed.map((w) => w.says).join(' ')"
      @reason="begin($event)"
      @cancel="asking = false"
    />
    <p v-if="store.form.copiedFrom" class="card copied small" data-test="copied">
      Copied from
      <RouterLink class="figures" :to="{ name: 'batch', params: { code: store.form.copiedFrom.code } }">{{
        store.form.copiedFrom.code
      }}</RouterLink>.
      <template v-if="changes.length"
        >Changed on purpose: <strong>{{ changes.join('; ') }}</strong>. </template
      ><span :class="{ unfair: changes.length > 1 }">{{ fairness(changes.length).says }}</span>
      <Button text size="small" label="No longer a copy" @click="store.set({ copiedFrom: null, copiedAs: null })" />
    </p>
    <p v-if="store.form.forLayer" class="card copied small" data-test="for-layer">
      For layer {{ store.form.forLayer.layer }} of
      <RouterLink class="figures" :to="{ name: 'piece', params: { code: store.form.forLayer.piece } }">{{
        store.form.forLayer.piece
      }}</RouterLink>. Begun here, the batch is entered there.
      <Button text size="small" label="Not for a layer" @click="store.set({ forLayer: null })" />
    </p>
    <ProblemNote v-if="shelf.problem" :says="shelf.problem" again @again="shelf.load" />
    <!-- With the cards and the shelf that it is worked out from: what they add would push the rest away. -->
    <div v-if="isThere" class="page">
      <PlanInputs />
      <div class="answer stack">
        <p v-if="!product" class="card quiet big">
          Choose the product and what is to be filled: amounts, time and air stand here at once. Not sure which? Choose
          any, then look under <em>Which product</em>.
        </p>
        <p v-else-if="problem" class="card bad" role="alert">{{ problem }}</p>
        <p v-else-if="!plan && missing" class="card quiet big">{{ missing }}</p>
        <SpokenWords :words="plan ? planInWords(plan, units.say) : (problem ?? '')" />
        <template v-if="plan"
          ><InTurn
            ><WeighCard :plan="plan" /><PlanCastings v-if="plan.castings?.length" :castings="plan.castings" /></InTurn
          ><InTurn><TimeCard :plan="plan" /><PlanWarnings :plan="plan" /></InTurn
        ></template>
        <InTurn v-if="product && built">
          <nav class="tabs" aria-label="Looks at this plan">
            <RouterLink
              v-for="t in TABS"
              :key="t.id"
              :to="{ query: { ...route.query, look: t.id } }"
              replace
              :class="{ here: tab === t.id }"
              :aria-current="tab === t.id ? 'page' : undefined"
              >{{ t.words }}</RouterLink
            >
          </nav>
          <MouldTab v-if="tab === 'mould'" /><AirTab v-else-if="tab === 'air'" /><WarmTab
            v-else-if="tab === 'warm'" /><MixesTab v-else-if="tab === 'mixes'" /><WhichTab v-else
        /></InTurn>
      </div>
    </div>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: 19.875rem minmax(0, 1fr);
  gap: var(--space-4);
  align-items: start;
}
.answer {
  min-width: 0;
  gap: var(--space-3);
}

.copied {
  border-left: 6px solid var(--action);
  padding: 0 var(--space-4);
}
.big {
  font-size: 1.1rem;
  padding: var(--space-5);
}
.bad {
  color: var(--outside);
  font-weight: 650;
}
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--space-2);
  border-bottom: 1px solid var(--card-edge);
}
.tabs a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
  padding: 0 var(--space-3);
  text-decoration: none;
  color: var(--ink-700);
  border-bottom: 3px solid transparent;
}
.tabs .here {
  font-weight: 700;
  color: var(--action);
  border-bottom-color: var(--part-a);
}
@media (max-width: 62.5em) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
.unfair {
  color: var(--outside);
  font-weight: 650;
}
</style>
