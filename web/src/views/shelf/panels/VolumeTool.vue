<script setup lang="ts">
import { SHAPE_KINDS, type Cavity } from '@warm-jar/core';
import Button from 'primevue/button';
import Select from 'primevue/select';
import SelectButton from 'primevue/selectbutton';
import { computed, ref, useTemplateRef } from 'vue';
import NumberEntry from '../../../components/NumberEntry.vue';
import { inWords } from '../../../components/words';
import { useUnits } from '../../../stores/units';
import { measureMesh } from '../../../workers/measureMesh';
import { SHAPE_MEASURES, volumeOf, type HowMeasured } from '../../../components/volumeOf';

/** A cavity's volume from the water that fills it, a plain shape, or a mesh. */
const props = defineProps<{ cavities: readonly Cavity[]; set: (path: string, value: unknown) => void }>();
const units = useUnits();
const HOWS = [
  { value: 'water', words: 'Water' },
  { value: 'shape', words: 'Shape' },
  { value: 'mesh', words: 'Mesh file' },
];
const how = ref<HowMeasured>('water');
const shape = ref<(typeof SHAPE_KINDS)[number]>('box');
const numbers = ref<Record<string, number | null>>({});
const meshProblem = ref<string | null>(null);
const mesh = ref<{ volumeML: number; areaCM2: number; name: string } | null>(null);
const busy = ref(false);
const cavity = ref(0);
const file = useTemplateRef<HTMLInputElement>('file');
const measures = computed(() =>
  how.value === 'water'
    ? [
        { key: 'waterG', label: 'Water that fills it', unit: 'g' },
        { key: 'waterC', label: 'Its temperature', unit: '°C' },
      ]
    : SHAPE_MEASURES[shape.value],
);
const result = computed(() =>
  how.value === 'mesh'
    ? { volumeML: mesh.value?.volumeML ?? null, problem: null }
    : volumeOf(how.value, shape.value, numbers.value),
);

async function readMesh(event: Event) {
  const input = event.target as HTMLInputElement;
  const chosen = input.files?.[0];
  input.value = '';
  if (!chosen) return;
  busy.value = true;
  const answer = await measureMesh(chosen);
  busy.value = false;
  mesh.value = null;
  if (!answer.ok) meshProblem.value = answer.says;
  else if (!answer.mesh.closed)
    meshProblem.value = `${chosen.name} is not closed: ${answer.mesh.openEdges} edges have no neighbour, so it holds no volume. Close it in the program that made it.`;
  else {
    meshProblem.value = null;
    mesh.value = { volumeML: answer.mesh.volumeML, areaCM2: answer.mesh.areaCM2, name: chosen.name };
  }
}
function keep() {
  props.set(`cavities[${cavity.value}].volumeML`, Math.round((result.value.volumeML ?? 0) * 100) / 100);
  props.set(`cavities[${cavity.value}].volumeFrom`, how.value);
  if (how.value === 'mesh' && mesh.value)
    props.set(`cavities[${cavity.value}].areaCM2`, Math.round(mesh.value.areaCM2 * 10) / 10);
}
</script>

<template>
  <div class="tool">
    <h3>Measure a volume</h3>
    <div class="row">
      <SelectButton
        v-model="how"
        :options="HOWS"
        option-label="words"
        option-value="value"
        :allow-empty="false"
        aria-label="Measured by"
      />
      <Select
        v-if="how === 'shape'"
        v-model="shape"
        :options="SHAPE_KINDS.map((value) => ({ value, words: inWords(value) }))"
        option-label="words"
        option-value="value"
        aria-label="Shape"
      />
    </div>
    <div v-if="how !== 'mesh'" class="measures">
      <label v-for="m in measures" :key="m.key" class="cell"
        ><span class="small">{{ m.label }}</span
        ><NumberEntry
          :id="`v-${m.key}`"
          :value="numbers[m.key] ?? null"
          :unit="m.unit"
          :label="m.label"
          @change="
            (v) => {
              numbers = { ...numbers, [m.key]: v };
            }
          "
      /></label>
    </div>
    <div v-else class="row">
      <Button label="Choose an STL or OBJ file" severity="secondary" :loading="busy" @click="file?.click()" /><input
        ref="file"
        type="file"
        accept=".stl,.obj"
        class="visually-hidden"
        tabindex="-1"
        aria-label="Mesh file"
        @change="readMesh"
      /><span v-if="mesh" class="small quiet"
        >{{ mesh.name }}, surface {{ units.say(mesh.areaCM2, 'cm²') }}. Taken as millimetres.</span
      >
    </div>
    <p v-if="meshProblem && how === 'mesh'" class="bad" role="alert">{{ meshProblem }}</p>
    <p v-if="result.problem" class="bad" role="alert">{{ result.problem }}</p>
    <div v-if="result.volumeML !== null" class="row">
      <strong class="figures big" data-test="volume">{{ units.say(result.volumeML, 'mL') }}</strong><Select
        v-model="cavity"
        :options="cavities.map((c, value) => ({ value, words: `cavity ${c.name ?? value + 1}` }))"
        option-label="words"
        option-value="value"
        aria-label="For cavity"
      /><Button label="Take it" severity="secondary" @click="keep" />
    </div>
  </div>
</template>

<style scoped>
.tool {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  border-top: 1px solid var(--card-edge);
  padding-top: var(--space-3);
}
.measures {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
  width: 13rem;
}
.big {
  font-size: 1.4rem;
}
.bad {
  color: var(--outside);
  font-weight: 600;
}
</style>
