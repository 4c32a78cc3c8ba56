<script setup lang="ts">
import { lampDoseMJPerCM2, lampMinutes } from '@warm-jar/core';
import { computed, watch } from 'vue';
import { countdown } from '../../run/countdown';
import { useBenchContext } from '../../run/useBench';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import BigNumber from './BigNumber.vue';
import DoButton from './DoButton.vue';
import TypedFigure from './TypedFigure.vue';
import OfferedFigure from './OfferedFigure.vue';

/** Light to the card's dose: which lamp, how strong at the work, one side after the other, with a clock. */
const bench = useBenchContext();
const shelf = useShelf();
const units = useUnits();
const lamps = computed(() => shelf.gear.flatMap(({ item }) => (item.kind === 'lamp' ? [item] : [])));
const record = computed(() => bench.batch.value?.cure?.lamp ?? null);
const lamp = computed(() => lamps.value.find((l) => l.code === record.value?.gear) ?? null);
const doseMJ = computed(() => bench.product.value?.light?.doseMJPerCM2 ?? null);
const irradiance = computed(() => record.value?.irradianceMWPerCM2 ?? null);
const wantedMin = computed(() =>
  doseMJ.value === null || !irradiance.value ? null : lampMinutes(doseMJ.value, irradiance.value),
);
const from = computed(() => bench.batch.value?.bench?.lampFromMin ?? null);
const elapsed = computed(() =>
  from.value === null || bench.nowMin.value === null ? null : Math.max(0, bench.nowMin.value - from.value),
);
const left = computed(() => (wantedMin.value === null ? null : wantedMin.value - (elapsed.value ?? 0)));
/** Sides that had their light already. */
const sides = computed(() => record.value?.sides ?? 0);
watch(left, (l) => {
  if (elapsed.value !== null && l !== null && l <= 0)
    bench.signals.give(`lamp ${sides.value}`, 'warn', 'Light enough on this side');
});
const typedMin = bench.typed('lit');
const choose = (code: string) => void bench.write({ words: `lamp ${code}`, set: { 'cure.lamp.gear': code } });
const on = () => void bench.write({ words: 'lamp on', set: { 'bench.lampFromMin': bench.minutesNow() } });
const burnt = () => Math.round(((bench.minutesNow() ?? 0) - (from.value ?? 0)) * 100) / 100;
/** Each side gets its own minutes; what is recorded is the least that a side got. */
const lit = (minutes: number) => ({
  'cure.lamp.minutes': Math.min(minutes, record.value?.minutes ?? minutes),
  'cure.lamp.sides': sides.value + 1,
});
const nextSide = () => {
  const minutes = burnt();
  void bench.write({ words: 'one side lit', set: { ...lit(minutes), 'bench.lampFromMin': null } });
};
function off(minutes: number): void {
  const set = lit(minutes);
  const dose = irradiance.value === null ? null : lampDoseMJPerCM2(irradiance.value, set['cure.lamp.minutes']);
  typedMin.value = null;
  void bench.write({
    words: 'lamp off',
    step: 'lamp',
    set: { ...set, ...(dose === null ? {} : { 'cure.lightMJPerCM2': Math.round(dose) }) },
  });
}
const label = computed(() => {
  if (left.value === null)
    return doseMJ.value === null ? 'The card states no dose' : 'How strong is the lamp at the work?';
  return left.value < 0 ? 'Longer than the dose by' : 'Light another';
});
</script>

<template>
  <div class="lamp" data-test="lamp">
    <BigNumber :label="label" :value="left === null ? '–' : countdown(Math.abs(left))" />
    <p class="caution" role="note">
      Shield others' eyes too; the data sheets of lamp and resin come first. Strength falls with hours and distance:
      measure it at the work where you can.
    </p>
    <p class="told">
      Card: <strong class="figures">{{ doseMJ === null ? 'not stated' : units.say(doseMJ, 'mJ/cm²') }}</strong> on each
      side that light must reach; {{ sides }} {{ sides === 1 ? 'side' : 'sides' }} lit.
    </p>
    <div v-if="!lamp" class="row" role="group" aria-label="Lamp">
      <DoButton
        v-for="(l, i) in lamps"
        :key="l.code"
        :words="`By ${l.name}`"
        v-bind="i === 0 ? { k: 'j' } : {}"
        quiet
        @do="choose(l.code)"
      />
    </div>
    <p v-else>By {{ lamp.name }}.</p>
    <OfferedFigure
      path="cure.lamp.irradianceMWPerCM2"
      unit="mW/cm²"
      k="d"
      whose=", by the shelf"
      :planned="lamp?.irradianceMWPerCM2 ?? null"
    />
    <div class="actions">
      <DoButton v-if="from === null" words="Lamp on" k="Enter" @do="on" />
      <template v-else>
        <DoButton
          :words="left !== null && left > 0 ? `Lamp off, ${countdown(left)} early` : 'Lamp off, all sides lit'"
          k="Enter"
          :danger="left !== null && left > 0"
          @do="off(burnt())"
        /><DoButton words="Turn it, light the next side" k="k" quiet @do="nextSide" />
      </template>
      <TypedFigure
        v-if="from === null"
        id="bench-lit"
        v-model="typedMin"
        unit="min"
        words="lit already, minutes a side"
        label="Minutes a side"
        @enter="typedMin !== null && off(typedMin)"
      />
    </div>
    <OfferedFigure path="cure.lamp.distanceMm" unit="mm" k="f" :planned="null" />
  </div>
</template>

<style scoped>
.lamp {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.caution {
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  border-radius: 4px;
  padding: var(--space-3);
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: end;
}
.typed {
  width: 13rem;
}
</style>
