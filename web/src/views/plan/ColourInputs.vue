<script setup lang="ts">
import Button from 'primevue/button';
import { computed } from 'vue';
import NumberEntry from '../../components/NumberEntry.vue';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import PlanChoice from './PlanChoice.vue';
import { usePlanContext } from './usePlan';

/** Colours and fillers of the plan by their share of A + B, with what is left to the card's limit. */
const { store, plan, texts } = (() => {
  const c = usePlanContext();
  return { ...c, texts: computed(() => c.store.texts) };
})();
const shelf = useShelf();
const units = useUnits();
const options = computed(() =>
  shelf.additives.map(({ item }) => ({ value: item.code, words: `${item.name}, ${item.kind.replaceAll('-', ' ')}` })),
);
function add(code: string | null) {
  const card = shelf.additives.find(({ item }) => item.code === code)?.item;
  if (card)
    store.set({
      additives: [...store.form.additives, { code: card.code, name: card.name, kind: card.kind, pct: null }],
    });
}
const change = (i: number, pct: number | null, raw: string | undefined) => {
  store.set({ additives: store.form.additives.map((a, k) => (k === i ? { ...a, pct } : a)) }, raw);
};
const drop = (i: number) => {
  store.set({ additives: store.form.additives.filter((_, k) => k !== i) });
};
const lines = computed(() => (plan.value ? [...plan.value.loading.kinds, plan.value.loading.total] : []));
function left(l: { leftG: number | null; leftDrops: number | null; limitPct: number | null }): string {
  if (l.limitPct === null) return 'card does not say';
  if (l.leftG === null) return `to ${l.limitPct} %`;
  if (l.leftG < 0) return `${units.say(-l.leftG, 'g')} over ${l.limitPct} %`;
  const drops = l.leftDrops === null ? '' : ` or ${l.leftDrops} drops`;
  return `${units.say(l.leftG, 'g')}${drops} left to ${l.limitPct} %`;
}
</script>

<template>
  <div class="stack">
    <div v-for="(a, i) in store.form.additives" :key="i" class="colour" :data-additive="a.name">
      <span>{{ a.name }}</span>
      <NumberEntry
        :id="`plan-additive-${i}`"
        :value="a.pct"
        :raw-text="texts['additives']"
        unit="%"
        :label="`${a.name}, share of A + B`"
        @change="(v, raw) => change(i, v, raw)"
      />
      <Button icon="pi pi-times" severity="secondary" text :aria-label="`Leave out ${a.name}`" @click="drop(i)" />
    </div>
    <PlanChoice
      id="additive"
      :key="store.form.additives.length"
      label="Colour or filler"
      :value="null"
      :options="options"
      placeholder="add from the shelf"
      @change="add"
    />
    <ul v-if="store.form.additives.length" class="small lines">
      <li v-for="l in lines" :key="l.kind" :class="{ over: l.leftG !== null && l.leftG < 0 }">
        <span>{{ l.kind === 'total' ? 'all together' : l.kind.replaceAll('-', ' ') }}</span><span class="figures">{{
          l.pct === null ? 'not known' : `${l.pct.toFixed(2)} %`
        }}</span
        ><span>{{ left(l) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.colour {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 8.5rem 3rem;
  gap: var(--space-2);
  align-items: center;
}
.lines li {
  display: grid;
  grid-template-columns: 6rem 4.5rem minmax(0, 1fr);
  gap: var(--space-2);
  padding: 2px 0;
}
.over {
  color: var(--outside);
  font-weight: 700;
}
</style>
