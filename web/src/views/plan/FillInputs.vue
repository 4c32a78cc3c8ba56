<script setup lang="ts">
import { SHAPE_KINDS } from '@warm-jar/core';
import Button from 'primevue/button';
import MultiSelect from 'primevue/multiselect';
import SelectButton from 'primevue/selectbutton';
import { computed } from 'vue';
import NumberEntry from '../../components/NumberEntry.vue';
import { SHAPE_MEASURES } from '../../components/volumeOf';
import { inWords } from '../../components/words';
import { useUnits } from '../../stores/units';
import { useShelf } from '../../stores/shelf';
import type { FillWith } from '../../stores/planForm';
import PlanChoice from './PlanChoice.vue';
import PlanNumber from './PlanNumber.vue';
import { usePlanContext } from './usePlan';

/** What is to be filled: moulds, a plain shape, a coat, or a mass. */
const { store, built, issues } = usePlanContext();
const shelf = useShelf();
const units = useUnits();
const FILLS: readonly { value: FillWith; words: string }[] = [
  { value: 'mould', words: 'Mould' },
  { value: 'shape', words: 'Shape' },
  { value: 'coat', words: 'Coat' },
  { value: 'mass', words: 'Mass' },
];
const moulds = computed(() =>
  shelf.moulds.map(({ item }) => ({ value: item.code, words: `${item.code}${item.makes ? `, ${item.makes}` : ''}` })),
);
const cavities = computed(
  () => shelf.moulds.find(({ item }) => item.code === store.form.mouldCode)?.item.cavities?.length ?? null,
);
const shapes = SHAPE_KINDS.map((value) => ({ value, words: inWords(value) }));
const fill = computed(() => built.value?.fill ?? null);
</script>

<template>
  <div class="stack">
    <SelectButton
      :model-value="store.form.fill"
      :options="[...FILLS]"
      option-label="words"
      option-value="value"
      :allow-empty="false"
      aria-label="Fill"
      class="fills"
      @update:model-value="store.set({ fill: $event })"
    />
    <PlanChoice
      v-if="store.form.fill === 'mould'"
      id="mouldCode"
      label="Mould"
      :value="store.form.mouldCode"
      :options="moulds"
      placeholder="from the shelf"
      filter
      :error="issues['mouldCode']"
      @change="
        store.set({ mouldCode: $event, pieces: null, depthMm: null, widthMm: null, pourOf: null, thinnestMm: null })
      "
    />
    <template v-if="store.form.fill === 'mould' && store.form.mouldCode"
      ><label class="cell"
        ><span class="small">and from the same cup</span
        ><MultiSelect
          :model-value="[...store.form.moreMoulds]"
          :options="moulds.filter((m) => m.value !== store.form.mouldCode)"
          option-label="words"
          option-value="value"
          label-id="plan-moreMoulds"
          placeholder="no other mould"
          aria-label="Further moulds from the same cup"
          class="wide"
          @update:model-value="store.set({ moreMoulds: $event ?? [] })" /></label
    ></template>
    <template v-if="store.form.fill === 'shape'">
      <PlanChoice
        id="shape"
        label="Shape"
        :value="store.form.shape"
        :options="shapes"
        placeholder=""
        @change="store.set({ shape: ($event ?? 'box') as typeof store.form.shape })"
      />
      <div class="two">
        <label v-for="m in SHAPE_MEASURES[store.form.shape]" :key="m.key" class="cell"
          ><span class="small">{{ m.label }}</span
          ><NumberEntry
            :id="`plan-m-${m.key}`"
            :value="store.form.measures[m.key] ?? null"
            :raw-text="store.texts[`measures.${m.key}`]"
            :unit="m.unit"
            :label="m.label"
            @change="(v, raw) => store.setMeasure(m.key, v, raw)"
        /></label>
      </div>
      <p v-if="issues['measures']" class="small error" role="alert">{{ issues['measures'] }}</p>
    </template>
    <template v-else-if="store.form.fill === 'coat'">
      <div class="two">
        <PlanNumber field="areaCM2" label="Area" unit="cm²" /><PlanNumber
          field="thicknessMm"
          label="Thickness"
          unit="mm"
        /><PlanNumber field="edgeMm" label="Edge coated, length" unit="mm" otherwise="none" /><PlanNumber
          field="edgeHeightMm"
          label="Edge, height"
          unit="mm"
          otherwise="none"
        />
      </div>
    </template>
    <PlanNumber v-else-if="store.form.fill === 'mass'" field="massG" label="A + B together" unit="g" />
    <div class="two">
      <PlanNumber
        v-if="store.form.fill !== 'mass'"
        field="pieces"
        label="Pieces"
        unit=""
        :otherwise="
          cavities !== null && store.form.fill === 'mould'
            ? cavities === 1
              ? 'its one cavity'
              : `all ${cavities} cavities`
            : 'one'
        "
      />
      <PlanNumber
        v-if="store.form.fill === 'mould' || store.form.fill === 'mass'"
        field="depthMm"
        label="Depth of pour"
        unit="mm"
        :otherwise="fill?.depthMm == null ? 'not said' : null"
      />
      <PlanNumber
        v-if="(store.form.fill === 'mould' || store.form.fill === 'mass') && fill?.depthMm != null"
        field="widthMm"
        label="Width of pour"
        unit="mm"
        :otherwise="
          fill.widthMm === null ? 'not said: by its mass' : `${units.say(fill.widthMm, 'mm')}, by its cavities`
        "
      />
    </div>
    <p v-if="store.form.pourOf !== null" class="small row">
      One of {{ store.form.pourOf }} pours.
      <Button label="Plan the whole" severity="secondary" text @click="store.set({ pourOf: null })" />
    </p>
    <p v-if="fill?.volumeML != null" class="small quiet" data-test="fill">
      {{ units.say(fill.volumeML, 'mL') }} to fill, {{ fill.from
      }}<template v-if="fill.depthMm !== null">; {{ units.say(fill.depthMm, 'mm') }} deep</template
      ><template v-if="fill.thinnestMm !== null && fill.thinnestMm !== fill.depthMm"
        >, {{ units.say(fill.thinnestMm, 'mm') }} at its thinnest</template
      >.
    </p>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-3);
  align-items: start;
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 3px;
  min-width: 0;
}
.wide {
  width: 100%;
}
.fills {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
}
/* In two rows the first of the second has an edge of its own too. */
.fills :deep(.p-togglebutton:nth-child(odd)) {
  border-inline-start-width: 1px;
  border-inline-start-style: solid;
}
.error {
  color: var(--outside);
  font-weight: 600;
}
</style>
