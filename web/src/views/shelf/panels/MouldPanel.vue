<script setup lang="ts">
import { mouldAmount, mouldSchema, type Mould } from '@warm-jar/core';
import { whenever } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { ShelvedMould } from '../../../api/shelf';
import CavityOutline from '../../../components/CavityOutline.vue';
import { today } from '../../../components/words';
import { useByNow } from '../../../components/useByNow';
import { useProducts } from '../../../stores/products';
import { useUnits } from '../../../stores/units';
import type { Tree } from '../../../stores/draftPath';
import MouldSpots from './MouldSpots.vue';
import MouldPhoto from './MouldPhoto.vue';
import VolumeTool from './VolumeTool.vue';

/** A mould's pulls, what it takes, its cavities to mark on, and its photo. */
const props = defineProps<{ document: Tree; shelved: unknown; set: (path: string, value: unknown) => void }>();
const units = useUnits();
const products = useProducts();
const mould = computed<Mould | null>(() => {
  const r = mouldSchema.safeParse(props.document);
  return r.success ? r.data : null;
});
/** Where faults come again stands above the outlines to tap on. */
const spotsThere = ref(false);
const use = computed(() => props.shelved as ShelvedMould | null);
const emit = defineEmits<{ there: [] }>();
/** One that is not on the shelf yet, or that is no whole mould, has no pulls to be looked at. */
const isNone = computed(() => !use.value || (Object.keys(props.document).length > 0 && !mould.value));
const isThere = useByNow(() => spotsThere.value || isNone.value);
whenever(
  isThere,
  () => {
    emit('there');
  },
  { immediate: true, once: true },
);
const pulls = computed(() => (mould.value?.pullsBefore ?? 0) + (use.value?.pulls ?? 0));
const amounts = computed(() => {
  const used = new Map<string, number[]>();
  for (const { productSlug, massG } of use.value?.masses ?? [])
    used.set(productSlug, [...(used.get(productSlug) ?? []), massG]);
  const by = [...used].map(([slug, masses]) => ({
    name: products.bySlug.get(slug)?.name ?? slug,
    amount: mould.value && mouldAmount(mould.value, products.bySlug.get(slug)?.mixedDensityGPerML ?? null, masses),
  }));
  return by.length > 0 ? by : [{ name: 'Any product', amount: mould.value && mouldAmount(mould.value, null, []) }];
});
const FROM = {
  pulls: 'mean of earlier pulls',
  'first-guess': 'first guess, a quarter of the cavities',
  cavities: 'all cavities',
  'not-known': 'volumes not recorded',
} as const;
function mark(cavity: number, place: { x: number; y: number }) {
  const marks = mould.value?.cavities?.[cavity]?.marks ?? [];
  props.set(`cavities[${cavity}].marks`, [...marks, { ...place, on: today() }]);
}
const unmark = (cavity: number, index: number) => {
  props.set(
    `cavities[${cavity}].marks`,
    (mould.value?.cavities?.[cavity]?.marks ?? []).filter((_, i) => i !== index),
  );
};
</script>

<template>
  <section v-if="mould" class="card panel" aria-label="By the log">
    <div class="facts">
      <div>
        <p class="small quiet">Pulls</p>
        <p class="big figures">
          {{ pulls }}<span v-if="mould.pullsExpected != null" class="of"> of {{ mould.pullsExpected }}</span>
        </p>
        <svg
          v-if="mould.pullsExpected"
          class="gauge"
          role="img"
          :aria-label="`${pulls} of ${mould.pullsExpected} pulls`"
        >
          <rect width="100%" height="10" class="ground" />
          <rect
            :width="`${Math.min(100, (100 * pulls) / mould.pullsExpected)}%`"
            height="10"
            :class="pulls >= mould.pullsExpected ? 'over' : 'fill'"
          />
        </svg>
      </div>
      <div v-for="a in amounts" :key="a.name">
        <p class="small quiet">{{ a.name }}</p>
        <p class="big figures">
          {{
            a.amount?.massG != null
              ? units.say(a.amount.massG, 'g')
              : a.amount?.volumeML != null
                ? units.say(a.amount.volumeML, 'mL')
                : 'not known'
          }}
        </p>
        <p v-if="a.amount" class="small quiet">
          {{ FROM[a.amount.from]
          }}<template v-if="a.amount.from === 'pulls'">
            ({{ a.amount.pulls
            }}<template v-if="a.amount.spreadG !== null">, ± {{ units.say(a.amount.spreadG, 'g') }}</template
            >)</template
          >
        </p>
      </div>
    </div>
    <RouterLink class="p-button p-component p-button-secondary" :to="{ name: 'plan', query: { mould: mould.code } }"
      >Plan a pull</RouterLink
    >
    <MouldPhoto :photo="mould.photo ?? null" @change="set('photo', $event)" />
  </section>
  <MouldSpots v-if="mould && use" :mould="mould" :code="mould.code" @there="spotsThere = true" />
  <section v-if="mould?.cavities?.length && isThere" class="card stack" aria-label="Cavities drawn">
    <p class="quiet small">Tap an outline where a fault shows; the same place again and again means the mould.</p>
    <div class="cavities">
      <div v-for="(c, i) in mould.cavities" :key="i" class="cavity">
        <CavityOutline :cavity="c" :label="`Cavity ${c.name ?? i + 1}`" markable @mark="mark(i, $event)" />
        <strong
          >{{ c.name ?? i + 1
          }}<span v-if="c.volumeML != null" class="figures quiet holds">{{ units.say(c.volumeML, 'mL') }}</span></strong
        >
        <ol class="small">
          <li v-for="(m, k) in c.marks ?? []" :key="k">
            {{ k + 1 }} {{ m.what ?? 'marked' }}<template v-if="m.on"> {{ m.on }}</template>
            <button
              type="button"
              :aria-label="`Take mark ${k + 1} off cavity ${c.name ?? i + 1}`"
              @click="unmark(i, k)"
            >
              <i class="pi pi-times" aria-hidden="true" />
            </button>
          </li>
        </ol>
      </div>
    </div>
    <VolumeTool :cavities="mould.cavities" :set="set" />
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 11.25rem;
  align-items: start;
  gap: var(--space-4);
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(10rem, 1fr));
  gap: var(--space-4);
}
.big {
  font-size: 1.5rem;
  font-weight: 750;
}
.of {
  font-size: 1rem;
  font-weight: 400;
}
.gauge {
  width: 100%;
  height: 10px;
  display: block;
}
.ground {
  fill: var(--track);
}
.fill {
  fill: var(--bottle-300);
}
.over {
  fill: var(--outside);
}
.cavities {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-5);
}
.cavity {
  max-width: 15rem;
}
.holds {
  padding-left: 0.6em;
  font-weight: 400;
}
li button {
  border: 0;
  background: none;
  cursor: pointer;
  min-width: 32px;
  min-height: 32px;
  color: inherit;
}
</style>
