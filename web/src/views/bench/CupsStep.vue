<script setup lang="ts">
import {
  ADDITIVE_KINDS,
  benchClock,
  castingAsBatch,
  limitReadings,
  tookAlong,
  withColour,
  type AdditiveKind,
  type Batch,
  type Cup,
} from '@warm-jar/core';
import Select from 'primevue/select';
import { computed, ref, watch } from 'vue';
import LimitStrip from '../../components/LimitStrip.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { cupColour, cupWords } from '../../components/cupColour';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';
import { useKept } from '../../stores/kept';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import { gramsOf } from './colourCount';

/** The cups of a split mix: each coloured by counted drops, stirred and rested again, with its own pot life. */
const bench = useBenchContext();
const units = useUnits();
const shelf = useShelf();
const at = ref(0);
const cups = computed(() => bench.batch.value?.cups ?? []);
const cup = computed<Cup | null>(() => cups.value[at.value] ?? null);
const colours = computed(() => shelf.additives.map(({ item }) => ({ value: item.code, words: item.name })));
const picked = ref<string | null>(null);
/** Once it is chosen the keys are the bench's again. */
watch(picked, () =>
  setTimeout(() => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  }),
);
const card = computed(() => shelf.additives.find(({ item }) => item.code === picked.value)?.item ?? null);
const perG = computed(() => (card.value?.drops ? card.value.drops.counted / card.value.drops.massG : null));
const typedG = ref<number | null>(null);
const asking = ref<string | null>(null);

/** Pot life left in a cup, by the model from when it was poured off; null where none is known. */
function leftOf(c: Cup): number | null {
  const [product, now] = [bench.product.value, bench.cupNow.value];
  if (!product || !now) return null;
  const split = c.massG != null && c.splitMin != null ? { atMin: c.splitMin, massG: c.massG } : null;
  const ends = benchClock(product, { ...now, split })?.potLifeEndsMin ?? null;
  return ends === null ? null : ends - now.nowMin;
}
/** The cup's loading against the card: what is in it, as a share of its own resin. */
const withCup = (next: Cup): Batch => ({
  ...bench.batch.value!,
  cups: [next],
  castings: [{ id: 'in the cup', cup: next.id }],
});
const strips = computed(() => {
  const [product, c] = [bench.product.value, cup.value];
  if (!product || !c || !bench.batch.value) return [];
  const view = castingAsBatch(product, withCup(c), 'in the cup');
  return limitReadings(product, view, units.say).filter((r) => r.field.startsWith('additives.'));
});
const kindOf = (): AdditiveKind => ADDITIVE_KINDS.find((k) => k === card.value?.kind) ?? 'other';
const limitField = computed(() => `additives.${kindOf()}.pct`);
const passed = (field: string) => (bench.batch.value?.bench?.reasons ?? []).some((r) => r.field === field);

/** The cup with so much of the chosen colour in it. */
function coloured(c: Cup, massG: number, drops: number | null): Cup | null {
  const [product, batch] = [bench.product.value, bench.batch.value];
  if (!product || !batch || !card.value) return null;
  const colour = {
    name: card.value.name,
    kind: kindOf(),
    massG: Math.round(massG * 1000) / 1000,
    ...(drops === null ? {} : { drops }),
  };
  const additives = withColour(product, batch, c, colour).map((a) => ({
    ...a,
    massG: a.massG == null ? null : Math.round(a.massG * 1000) / 1000,
  }));
  return { ...c, additives, massG: c.massG == null ? null : Math.round((c.massG + massG) * 1000) / 1000 };
}
function isOver(next: Cup): string | null {
  const product = bench.product.value;
  if (!product) return null;
  const view = castingAsBatch(product, withCup(next), 'in the cup');
  const over = limitReadings(product, view, units.say).find(
    (r) => r.state === 'above' && (r.field === limitField.value || r.field === 'additives.totalPct'),
  );
  return over && !passed(over.field) ? over.says : null;
}
const write = (words: string, said: Partial<Cup>) =>
  void bench.write({
    words,
    set: Object.fromEntries(Object.entries(said).map(([k, v]) => [`cups[${at.value}].${k}`, v])),
  });
function add(massG: number, drops: number | null): void {
  const c = cup.value;
  const next = c && coloured(c, massG, drops);
  if (!c || !next) return;
  const over = isOver(next);
  if (over !== null) {
    asking.value = over;
    return;
  }
  typedG.value = null;
  const words = drops === null ? `${card.value!.name}, ${units.say(massG, 'g')}` : `a drop of ${card.value!.name}`;
  write(`cup ${at.value + 1}: ${words}`, { additives: next.additives ?? [], massG: next.massG ?? null });
}
const drop = () => {
  if (perG.value !== null) add(gramsOf(1, perG.value), 1);
};
const weigh = () => {
  if (typedG.value !== null && typedG.value > 0) add(typedG.value, null);
};
function pass(reason: string): void {
  const fields = ['additives.totalPct', limitField.value].filter((f) => !passed(f));
  asking.value = null;
  void bench.write({ words: 'limit passed', add: fields.map((f) => bench.reasonFor(f, reason)) });
}
/** When the stir or the rest of a cup began, kept over a reload. */
const began = useKept<Record<string, number>>('warm-jar.cups-begun', {});
const key = (what: 'stirMin' | 'restMin') => `${bench.code.value} ${cup.value?.id} ${what}`;
const running = (what: 'stirMin' | 'restMin'): number | null => {
  const from = began.value[key(what)];
  return from === undefined || bench.nowMin.value === null ? null : Math.max(0, bench.nowMin.value - from);
};
function time(what: 'stirMin' | 'restMin', words: string): void {
  const now = bench.minutesNow();
  if (now === null) return;
  const from = began.value[key(what)];
  if (from === undefined) {
    began.value = { ...began.value, [key(what)]: now };
    return;
  }
  began.value = Object.fromEntries(Object.entries(began.value).filter(([k]) => k !== key(what)));
  write(`cup ${at.value + 1} ${words}`, { [what]: Math.round((now - from) * 100) / 100 });
}
const inCup = (c: Cup) =>
  c.additives ?? (bench.product.value && bench.batch.value ? tookAlong(bench.product.value, bench.batch.value, c) : []);
const dropsIn = computed(() => cup.value?.additives?.find((a) => a.name === card.value?.name)?.drops ?? 0);
const ready = () => void bench.write({ words: 'cups ready', step: 'cups' });
</script>

<template>
  <div class="cups" data-test="cups-step">
    <div class="tabs" role="group" aria-label="Cups">
      <button
        v-for="(c, i) in cups"
        :key="c.id"
        type="button"
        class="cup"
        :aria-pressed="i === at"
        :data-cup="c.id"
        @click="at = i"
      >
        <svg viewBox="0 0 44 44" aria-hidden="true">
          <path d="M4 2 H40 L35 42 H9 Z" :fill="cupColour(inCup(c))" class="glass" />
        </svg>
        <span
          ><strong class="block">Cup {{ i + 1 }}, {{ cupWords(inCup(c)) }}</strong
          ><span class="figures">{{ c.massG == null ? 'not weighed' : units.say(c.massG, 'g') }}</span
          ><span class="block small" :class="{ bad: (leftOf(c) ?? 1) < 0 }" :data-left="c.id">{{
            leftOf(c) === null ? 'pot life not known' : `${countdown(Math.max(0, leftOf(c) ?? 0))} of pot life`
          }}</span></span
        >
      </button>
    </div>
    <template v-if="cup">
      <div class="row line">
        <Select
          v-model="picked"
          :options="colours"
          option-label="words"
          option-value="value"
          show-clear
          placeholder="which colour"
          aria-label="Colour for this cup"
          data-test="cup-colour"
        />
        <template v-if="card && perG !== null"
          ><DoButton words="One drop" k="+" @do="drop" /><strong class="figures drops" data-test="cup-drops"
            >{{ dropsIn }} drops</strong
          ></template
        >
        <TypedFigure
          v-else-if="card"
          id="bench-cup-colour"
          v-model="typedG"
          unit="g"
          words="weighed in"
          :label="`${card.name} in cup ${at + 1}`"
          @enter="weigh"
        />
      </div>
      <LimitStrip v-for="r in strips" :key="r.field" :reading="r" stays />
      <ReasonBox v-if="asking" :what="asking" @reason="pass" @cancel="asking = null" />
      <div class="row line">
        <DoButton
          :words="running('stirMin') === null ? 'Stir it again' : `Stirred, ${countdown(running('stirMin') ?? 0)}`"
          quiet
          @do="time('stirMin', 'stirred again')"
        /><DoButton
          :words="running('restMin') === null ? 'Let it rest' : `Rested, ${countdown(running('restMin') ?? 0)}`"
          quiet
          @do="time('restMin', 'rested')"
        /><span class="small quiet"
          ><template v-if="cup.stirMin != null">stirred again {{ countdown(cup.stirMin) }}</template
          ><template v-if="cup.restMin != null">, rested {{ countdown(cup.restMin) }}</template></span
        >
      </div>
    </template>
    <DoButton words="The cups are ready" k="Enter" @do="ready" />
  </div>
</template>

<style scoped>
.cups {
  display: flex;
  flex-direction: column;
  gap: var(--space-4);
  align-items: flex-start;
}
.tabs {
  display: flex;
  gap: var(--space-3);
  flex-wrap: wrap;
}
.cup {
  display: grid;
  grid-template-columns: 2.75rem auto;
  gap: var(--space-3);
  align-items: center;
  text-align: left;
  font: inherit;
  color: inherit;
  background: var(--card);
  border: 2px solid var(--card-edge);
  border-radius: var(--radius);
  padding: var(--space-3);
  min-height: 76px;
  cursor: pointer;
}
.cup[aria-pressed='true'] {
  border-color: var(--action);
  box-shadow: inset 0 0 0 2px var(--action);
}
.cup svg {
  width: 44px;
}
.glass {
  stroke: var(--band-edge);
  stroke-width: 2;
}
.block {
  display: block;
}
.line {
  gap: var(--space-4);
  align-items: flex-end;
  flex-wrap: wrap;
}
.drops {
  font-size: 2rem;
}
.bad {
  color: var(--outside);
  font-weight: 700;
}
</style>
