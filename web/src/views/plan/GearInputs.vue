<script setup lang="ts">
import { isPressed, isVacuumed, type Gear } from '@warm-jar/core';
import { computed } from 'vue';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import PlanChoice from './PlanChoice.vue';
import PlanNumber from './PlanNumber.vue';
import { usePlanContext } from './usePlan';
import { gearOfKind } from './planGear';

/** The gear that is reckoned with; what fits best is picked, and can be changed. */
const { store, built, request, issues } = usePlanContext();
const shelf = useShelf();
const units = useUnits();
const route = computed(() => request.value?.route ?? 'none');
const NONE = { value: 'none', words: 'do without' };
const of = (kind: Gear['kind'], words: (g: Gear) => string) => [
  ...gearOfKind(
    shelf.gear.map((g) => g.item),
    kind,
  ).map((g) => ({ value: g.code, words: words(g) })),
  NONE,
];
const lists = computed(() => {
  const g = built.value?.gear;
  return [
    {
      field: 'scaleCode' as const,
      label: 'Scale',
      picked: g?.scale,
      options: of('scale', (x) => `${x.name}${x.kind === 'scale' && x.stepG != null ? `, ${x.stepG} g steps` : ''}`),
      show: true,
    },
    { field: 'cupCode' as const, label: 'Cup', picked: g?.cup, options: of('cup', (x) => x.name), show: true },
    {
      field: 'pumpCode' as const,
      label: 'Vacuum pump',
      picked: g?.pump,
      options: of('vacuum-pump', (x) => x.name),
      show: isVacuumed(route.value),
    },
    {
      field: 'vesselCode' as const,
      label: 'Vessel',
      picked: g?.vessel,
      options: of(
        'pressure-vessel',
        (x) => `${x.name}${x.kind === 'pressure-vessel' ? `, rated ${units.say(x.ratedKPa, 'kPa')}` : ''}`,
      ),
      show: isPressed(route.value),
    },
    {
      field: 'compressorCode' as const,
      label: 'Compressor',
      picked: g?.compressor,
      options: of('compressor', (x) => x.name),
      show: isPressed(route.value),
    },
    {
      field: 'lampCode' as const,
      label: 'Lamp',
      picked: g?.lamp,
      options: of('lamp', (x) => x.name),
      show: built.value?.request?.product.family === 'uv-acrylate',
    },
  ].filter((l) => l.show);
});
</script>

<template>
  <details class="card">
    <summary>Gear and more</summary>
    <div class="stack inside">
      <PlanChoice
        v-for="l in lists"
        :id="l.field"
        :key="l.field"
        :label="l.label"
        :value="store.form[l.field]"
        :options="l.options"
        :placeholder="l.picked ? `${l.picked.name}, picked` : 'none'"
        clearable
        :error="issues[l.field]"
        @change="store.set({ [l.field]: $event })"
      />
      <div class="two">
        <PlanNumber
          v-if="isPressed(route)"
          field="pressureKPa"
          label="Pressure"
          unit="kPa"
          otherwise="middle of what is allowed"
        /><PlanNumber field="lossPct" label="Stays in the cup" unit="%" otherwise="3 % and a film" /><PlanNumber
          field="altitudeM"
          label="Height above the sea"
          unit="m"
          otherwise="sea level"
        /><PlanNumber field="thinnestMm" label="Thinnest section" unit="mm" otherwise="as the mould" />
      </div>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 32px;
  font-weight: 700;
}
.inside {
  padding-top: var(--space-3);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-3);
}
</style>
