<script setup lang="ts">
import { castingsOf, nextCastingId, type Casting, type Entry, type Mould } from '@warm-jar/core';
import { computed, ref } from 'vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';
import { useShelf } from '../../stores/shelf';
import ReasonBox from '../../components/ReasonBox.vue';
import DoButton from './DoButton.vue';
import { cavitiesToPour, pouredFrom, type CavityToPour } from './pourList';

/** One tap a cavity as it is poured, and one as its casting is out; each has its clock from its pour. */
const props = defineProps<{ done: 'pouredMin' | 'demouldedMin'; early?: string | null }>();
const bench = useBenchContext();
const shelf = useShelf();
const cup = ref<string | null>(null);
const cups = computed(() => bench.batch.value?.cups ?? []);
const moulds = computed<Mould[]>(() => shelf.moulds.map((m) => m.item));
const cavities = computed<CavityToPour[]>(() => {
  const batch = bench.batch.value;
  if (!batch) return [];
  const planned = cavitiesToPour(batch, moulds.value);
  const others = castingsOf(batch).flatMap((k): CavityToPour[] => {
    const mould = k.mould?.code ?? batch.mould?.code;
    const cavity = k.mould?.cavity;
    return mould == null || cavity == null || planned.some((c) => c.mould === mould && c.cavity === cavity)
      ? []
      : [{ mould, cavity, depthMm: k.depthMm ?? null }];
  });
  return [...planned, ...others];
});
/** What was not ticked as poured is not there to come out. */
const offered = computed(() => {
  const { value: batch } = bench.batch;
  return props.done === 'pouredMin' || !batch ? cavities.value : cavities.value.filter((c) => pouredFrom(batch, c));
});
const items = computed(() =>
  offered.value.map((c) => {
    const known = bench.batch.value ? pouredFrom(bench.batch.value, c) : null;
    const at = known?.casting[props.done] ?? null;
    const poured = known?.casting.pouredMin ?? null;
    return { ...c, known, ticked: at !== null, sinceMin: poured === null ? null : (bench.nowMin.value ?? 0) - poured };
  }),
);
type Item = (typeof items.value)[number];
/** What the shelf knows of a mould, as a casting's own record of it. */
function mouldRecord({ mould, cavity }: CavityToPour): Casting['mould'] {
  const own = bench.batch.value?.mould;
  const shelved = own?.code === mould ? undefined : shelf.moulds.find((m) => m.item.code === mould);
  const card = shelved?.item;
  return {
    code: mould,
    cavity,
    ...(shelved ? { pulls: (card?.pullsBefore ?? 0) + shelved.pulls } : {}),
    ...(card?.rubber == null ? {} : { rubber: card.rubber }),
    ...(card?.degassed == null ? {} : { degassed: card.degassed }),
    ...(card?.finish == null ? {} : { finish: card.finish }),
  };
}
/** One that is taken out early is asked about once; the reason stands in the record. */
const EARLY = 'cure.demouldedMin';
const asking = ref<Item | null>(null);
const reasoned = () => (bench.batch.value?.bench?.reasons ?? []).some((r) => r.field === EARLY);
function touched(item: Item): void {
  if (item.ticked) return;
  if (props.done === 'demouldedMin' && props.early && !reasoned()) asking.value = item;
  else tick(item, []);
}
function pass(reason: string): void {
  const item = asking.value;
  asking.value = null;
  if (item) tick(item, [bench.reasonFor(EARLY, reason)]);
}
function tick(item: Item, add: Entry['add']): void {
  const batch = bench.batch.value;
  const now = bench.minutesNow();
  if (!batch || now === null) return;
  const words = `${item.mould} ${item.cavity} ${props.done === 'pouredMin' ? 'poured' : 'out'}`;
  if (item.known) {
    void bench.write({ words, set: { [`castings[${item.known.at}].${props.done}`]: now }, add });
    return;
  }
  const casting: Casting = {
    id: nextCastingId(batch),
    ...(cup.value === null ? {} : { cup: cup.value }),
    mould: mouldRecord(item),
    [props.done]: now,
  };
  void bench.write({ words, set: { castings: [...castingsOf(batch), casting] }, add });
}
</script>

<template>
  <section
    v-if="items.length > 0"
    class="ticks"
    :aria-label="done === 'pouredMin' ? 'Cavities poured' : 'Castings out'"
    :data-test="done"
  >
    <div v-if="done === 'pouredMin' && cups.length > 1" class="row" role="group" aria-label="From which cup">
      <DoButton
        v-for="(c, i) in cups"
        :key="c.id"
        :words="`${cup === c.id ? 'From' : 'Take'} cup ${i + 1}`"
        :quiet="cup !== c.id"
        @do="cup = c.id"
      />
    </div>
    <ReasonBox v-if="asking && early" :what="early" @reason="pass" @cancel="asking = null" />
    <div class="grid">
      <button
        v-for="item in items"
        :key="`${item.mould} ${item.cavity}`"
        type="button"
        class="tick"
        :aria-pressed="item.ticked"
        :disabled="!item.ticked && done === 'pouredMin' && cups.length > 1 && cup === null"
        :data-cavity="`${item.mould}/${item.cavity}`"
        @click="touched(item)"
      >
        <strong>{{ item.mould }} / {{ item.cavity }}</strong
        ><span class="small">{{
          item.ticked
            ? done === 'pouredMin'
              ? 'poured'
              : 'out'
            : done === 'pouredMin'
              ? 'tap when poured'
              : 'tap when out'
        }}</span
        ><span v-if="item.sinceMin !== null" class="figures small" data-test="since-pour">{{
          countdown(Math.max(0, item.sinceMin))
        }}</span>
      </button>
    </div>
  </section>
</template>

<style scoped>
.ticks {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.row {
  gap: var(--space-3);
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(7.75rem, 100%), 1fr));
  gap: var(--space-2);
}
.tick {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  min-height: 76px;
  padding: var(--space-2) var(--space-3);
  font: inherit;
  color: inherit;
  text-align: left;
  background: var(--card);
  border: 2px solid var(--action);
  border-radius: var(--radius);
  cursor: pointer;
}
.tick:disabled {
  border-color: var(--chalk-400);
  color: var(--text-quiet);
  cursor: not-allowed;
}
.tick[aria-pressed='true'] {
  background: var(--bottle-50);
  box-shadow: inset 0 -4px 0 var(--action);
}
</style>
