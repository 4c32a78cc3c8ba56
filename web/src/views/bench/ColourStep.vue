<script setup lang="ts">
import { coloursToCome, limitReadings, type Additive } from '@warm-jar/core';
import { computed, ref, watch } from 'vue';
import { onPlainKey } from '../../keys/keys';
import KeyCap from '../../components/KeyCap.vue';
import LimitStrip from '../../components/LimitStrip.vue';
import { useShelf } from '../../stores/shelf';
import { useKept } from '../../stores/kept';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import ScaleChoice from './ScaleChoice.vue';
import ReasonBox from '../../components/ReasonBox.vue';
import { useBenchContext } from '../../run/useBench';
import { dropRoom, gramsOf } from './colourCount';

/** A colour or filler, counted by drops or weighed; its loading rises on its strip, and the card's limit is a stop. */
const bench = useBenchContext();
const units = useUnits();
const shelf = useShelf();
/** Drops counted but not yet confirmed outlive a reload. */
const counts = useKept<Record<string, number>>('warm-jar.drops', {});
const asking = ref(false);
const next = computed(() => (bench.batch.value ? (coloursToCome(bench.batch.value)[0] ?? null) : null));
const name = computed(() => next.value?.name ?? next.value?.kind ?? '');
const key = computed(() => `${bench.code.value} ${name.value}`);
const card = computed(() => shelf.additives.find(({ item }) => item.name === name.value)?.item ?? null);
const perG = computed(() => (card.value?.drops ? card.value.drops.counted / card.value.drops.massG : null));
const drops = computed(() => counts.value[key.value] ?? 0);
const { shown, netG } = bench.scale;
const typed = bench.typed(() => `colour ${name.value}`);
const weighedG = computed(() => {
  if (perG.value !== null) return null;
  return typed.value ?? (netG.value === null ? null : Math.max(0, netG.value));
});
const massG = computed(() => (perG.value === null ? weighedG.value : gramsOf(drops.value, perG.value)));
const withThis = (g: number): Additive[] => [
  ...(bench.batch.value?.additives ?? []),
  {
    name: name.value,
    kind: next.value?.kind as Additive['kind'],
    massG: g,
    drops: perG.value === null ? null : drops.value,
    applied: 'mixed',
  },
];
const strips = computed(() =>
  bench.product.value && bench.batch.value && massG.value !== null
    ? limitReadings(bench.product.value, { ...bench.batch.value, additives: withThis(massG.value) }, units.say).filter(
        (r) => r.field.startsWith('additives.'),
      )
    : [],
);
const room = computed(() => dropRoom(strips.value, bench.batch.value?.mix ?? null, perG.value));
const over = computed(() => strips.value.find((r) => r.state === 'above') ?? null);
/** The reason that lets this kind pass its limit stands in the record. */
const limitField = computed(() => `additives.${next.value?.kind ?? 'other'}.pct`);
const passed = computed(() => (bench.batch.value?.bench?.reasons ?? []).some((r) => r.field === limitField.value));
watch(name, () => {
  asking.value = false;
});
function drop() {
  if (perG.value === null) return;
  if (room.value !== null && room.value < 1 && !passed.value) {
    asking.value = true;
    return;
  }
  counts.value = { ...counts.value, [key.value]: drops.value + 1 };
}
function pass(reason: string) {
  asking.value = false;
  void bench.write({
    words: 'limit passed',
    add: [bench.reasonFor(limitField.value, reason)],
  });
}
function confirm() {
  if (massG.value === null || !next.value) return;
  if (over.value && !passed.value) {
    asking.value = true;
    return;
  }
  const additive = withThis(Math.round(massG.value * 1000) / 1000).at(-1);
  // A scale that still moves is waited for.
  if (perG.value === null && typed.value === null && shown.value?.settled === false) return;
  const tare = shown.value?.value == null ? {} : { 'bench.tareG': shown.value.value };
  typed.value = null;
  counts.value = Object.fromEntries(Object.entries(counts.value).filter(([k]) => k !== key.value));
  void bench.write({
    words: `${name.value}, ${units.say(massG.value, 'g')}`,
    set: tare,
    add: [{ path: 'additives', value: additive }],
  });
}
const leaveOut = () => void bench.write({ words: 'no more colour', step: 'colour' });
onPlainKey('-', () => {
  if (drops.value > 0) counts.value = { ...counts.value, [key.value]: drops.value - 1 };
});
</script>

<template>
  <div v-if="next" class="colour" data-test="colour">
    <div class="numbers">
      <BigNumber
        v-if="perG !== null"
        :label="`${name}: ${next.drops === null ? 'drops' : `of ${next.drops} drops`}`"
        :value="String(drops)"
        :tone="over ? 'over' : 'plain'"
      />
      <BigNumber
        v-else
        :label="`${name}: of ${next.massG === null ? '' : units.say(next.massG, 'g')}`"
        :value="massG === null ? '–' : units.say(massG, 'g')"
        :tone="over ? 'over' : 'plain'"
      />
      <p v-if="perG !== null" class="side figures">
        {{ units.say(massG ?? 0, 'g') }} of {{ next.massG === null ? 'not said' : units.say(next.massG, 'g')
        }}<br /><span data-test="drop-room">{{
          room === null ? '' : room < 1 ? 'no drop more to the limit' : `${Math.floor(room)} drops to the limit`
        }}</span>
      </p>
    </div>
    <ScaleChoice v-if="perG === null" />
    <LimitStrip v-for="r in strips" :key="r.field" :reading="r" stays />
    <div v-if="!asking" class="actions">
      <DoButton v-if="perG !== null" words="One drop" k="+" @do="drop" />
      <DoButton
        :words="`${name} is in`"
        k="Enter"
        :quiet="perG !== null"
        :disabled="massG === null || massG <= 0"
        @do="confirm"
      />
      <DoButton words="Leave it out" quiet @do="leaveOut" />
      <TypedFigure
        v-if="perG === null"
        id="bench-colour"
        v-model="typed"
        unit="g"
        words="or typed"
        :label="`${name} as read by eye`"
        @enter="confirm"
      />
    </div>
    <ReasonBox
      v-else
      :what="over ? over.says : 'One more drop passes the card\'s limit.'"
      @reason="pass"
      @cancel="asking = false"
    />
    <p class="small quiet">
      <KeyCap k="+" /> a drop, <KeyCap k="-" /> one back. Without a drop weighing on the shelf it is weighed.
    </p>
  </div>
</template>

<style scoped>
.colour {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.numbers {
  display: flex;
  gap: var(--space-5);
  align-items: flex-end;
  flex-wrap: wrap;
}
.side {
  font-size: 1.2rem;
  padding-bottom: 12px;
}
.actions {
  display: flex;
  gap: var(--space-4);
  flex-wrap: wrap;
}
</style>
